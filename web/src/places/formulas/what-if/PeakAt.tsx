import { HOUR_MS, type DoseAlternative } from '@calm/core';
import AddIcon from '@mui/icons-material/Add';
import RemoveIcon from '@mui/icons-material/Remove';
import Button from '@mui/material/Button';
import IconButton from '@mui/material/IconButton';
import type { NoDose } from '@calm/contract';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { useFormats } from '../../../parts/format/useFormats';
import { engine } from '../../../workers/engine/engine';
import styles from './PeakAt.module.css';
import { formatProblemMessage, useAlternativeMessage, wouldPeakMs } from '../formulaMessages';
import type { WhatIfState } from './useWhatIf';
import { documentOf, withAlternative, type PlannedDough, type WhatIf } from './whatIf';

const QUARTER_MS = HOUR_MS / 4;

/** "Put the peak at …": solves the dose, or says why none does it and what would. */
export function PeakAt({
  dough,
  state,
}: {
  readonly dough: PlannedDough;
  readonly state: WhatIfState;
}) {
  const { t } = useTranslation();
  const f = useFormats();
  const middleMs = (dough.doorsMs + dough.closeMs) / 2;
  const [peakMs, setPeakMs] = useState(() => quarter(Math.min(middleMs, dough.doorsMs + HOUR_MS)));
  const formatAlternativeMessage = useAlternativeMessage(dough, peakMs);
  const [refusal, setRefusal] = useState<NoDose | null>(null);
  const [isSolving, setSolving] = useState(false);

  const solve = async (whatIf: WhatIf, atMs: number) => {
    setSolving(true);
    const document = documentOf(dough, whatIf);
    const peakHour = Math.max(0, (atMs - dough.mixedMs) / HOUR_MS);
    const answer = await engine().dose({ ...document, peakHour });
    setSolving(false);
    if (!answer.ok) {
      const [no] = answer.reasons;
      if (no) setRefusal(no);
      return;
    }
    setRefusal(null);
    const yeastPercent = Number(answer.value.yeastPercent.toPrecision(3));
    state.settle({ ...whatIf, yeastPercent }, t('formulas.whatIf.dosed', { at: f.moment(atMs) }));
  };
  const take = (change: DoseAlternative) => {
    const atMs = change.kind === 'peak-hour' ? wouldPeakMs(dough, change.hour, peakMs) : peakMs;
    setPeakMs(atMs);
    void solve(withAlternative(state.shown, change, dough.way.stages), atMs);
  };
  const move = (byMs: number) => {
    setPeakMs(quarter(peakMs) + byMs);
    setRefusal(null);
  };

  return (
    <section className={styles['peak']} aria-label={t('formulas.whatIf.peakAt')}>
      <span>{t('formulas.whatIf.peakAt')}</span>
      <IconButton aria-label={t('formulas.whatIf.earlier')} onClick={() => move(-QUARTER_MS)}>
        <RemoveIcon />
      </IconButton>
      <b data-testid="peak-at">{f.moment(peakMs)}</b>
      <IconButton aria-label={t('formulas.whatIf.later')} onClick={() => move(QUARTER_MS)}>
        <AddIcon />
      </IconButton>
      <Button
        variant="contained"
        disabled={isSolving}
        onClick={() => void solve(state.shown, peakMs)}
      >
        {t('formulas.whatIf.findDose')}
      </Button>
      {refusal && (
        <div className={styles['refusal']} role="alert">
          <p>
            <b>{t('formulas.whatIf.noDose', { at: f.moment(peakMs) })}</b>{' '}
            {refusal.reasons.map((reason) => formatProblemMessage(t, reason, dough)).join(' ')}
          </p>
          {refusal.alternatives.length > 0 && (
            <>
              <p>{t('formulas.whatIf.wouldWork')}</p>
              <ul>
                {refusal.alternatives.slice(0, 4).map((change) => (
                  <li key={JSON.stringify(change)}>
                    <Button size="small" variant="outlined" onClick={() => take(change)}>
                      {formatAlternativeMessage(change)}
                    </Button>
                  </li>
                ))}
              </ul>
            </>
          )}
        </div>
      )}
    </section>
  );
}

const quarter = (ms: number) => Math.round(ms / QUARTER_MS) * QUARTER_MS;
