import type { DiagnoseDocument, FaultyLotDocument } from '@calm/contract';
import { FAULTS, type Fault, type SignEvidence, type SuspectedCause } from '@calm/core';
import { stateOf } from '@calm/domain';
import Button from '@mui/material/Button';
import { useMemo, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { Link } from 'react-router';
import { formatSurePercent } from '../../../parts/format/odds';
import { useFormats } from '../../../parts/format/useFormats';
import { engine } from '../../../workers/engine/engine';
import type { DiagnosisAnswer } from '../../../workers/engine/engineAnswers';
import { useLatest } from '../../../workers/useLatest';
import styles from './Why.module.css';

const diagnose = (asked: DiagnoseDocument): Promise<DiagnosisAnswer> => engine().diagnose(asked);

/** Causes that are shown: what is less likely is not looked at first. */
const MOST = 3;
/** Less likely than this is not worth a line. */
const LEAST_ODDS = 0.05;
/** What would tell, at most. */
const MOST_MISSING = 4;

/**
 * What may have been behind a fault: the likeliest first, with what the record says for it and against it, what would
 * settle it, and what to try first.
 */
export function WhyDidIt({
  lot,
  lastGood,
  found,
  onTry,
  trialOf,
}: {
  /** Null is a guide from the fault alone. */
  readonly lot: FaultyLotDocument | null;
  readonly lastGood: readonly FaultyLotDocument[];
  /** Faults that are on record. */
  readonly found: readonly Fault[];
  /** Notes for the next lot what is tried; absent where nothing can be noted. */
  readonly onTry?: ((words: string) => void) | undefined;
  /** Where a trial of what is proposed is begun; absent where none can be. */
  readonly trialOf?: ((words: string) => string) | undefined;
}) {
  const { t } = useTranslation();
  const [chosen, setChosen] = useState<readonly Fault[] | null>(null);
  const faults = chosen ?? found;
  const asked = useMemo(
    (): DiagnoseDocument | null =>
      faults.length === 0 ? null : { faults, lastGood, ...(lot && { lot }) },
    [faults, lot, lastGood],
  );
  const answer = useLatest(diagnose, asked)?.answer;
  const told = asked && answer?.ok ? answer.value : null;
  return (
    <section aria-label={t('causes.title')} className={styles['why']}>
      {lot && (
        <>
          <h2>{t('causes.title')}</h2>
          <p className="quiet small">{t('causes.lead')}</p>
        </>
      )}
      <div role="group" aria-label={t('causes.faults')} className={styles['faults']}>
        {FAULTS.map((fault) => {
          const isChosen = faults.includes(fault);
          return (
            <Button
              key={fault}
              variant={isChosen ? 'contained' : 'outlined'}
              aria-pressed={isChosen}
              onClick={() =>
                setChosen(isChosen ? faults.filter((each) => each !== fault) : [...faults, fault])
              }
            >
              {t(`diagnose.fault.${fault}`)}
            </Button>
          );
        })}
      </div>
      {told && (
        <div role="status">
          {!told.isTold && (
            <>
              <p>{t('causes.notTold')}</p>
              <ul>
                {told.missing.slice(0, MOST_MISSING).map((sign) => (
                  <li key={sign}>{t(`diagnose.sign.${sign}`)}</li>
                ))}
              </ul>
            </>
          )}
          <ol className={styles['causes']}>
            {told.causes
              .filter(({ cause }) => lot !== null || cause !== 'none')
              .filter(({ odds }, i) => i < MOST && odds >= LEAST_ODDS)
              .map((suspected) => (
                <CauseItem key={suspected.cause} {...{ suspected, onTry, trialOf }} />
              ))}
          </ol>
        </div>
      )}
    </section>
  );
}

function CauseItem({
  suspected: { cause, odds, settleBy, ...evidence },
  onTry,
  trialOf,
}: {
  readonly suspected: SuspectedCause;
  readonly onTry?: ((words: string) => void) | undefined;
  readonly trialOf?: ((words: string) => string) | undefined;
}) {
  const { t } = useTranslation();
  const f = useFormats();
  const says = (each: SignEvidence) =>
    t('diagnose.says', {
      sign: t(`diagnose.sign.${each.sign}`),
      state: t(`diagnose.state.${stateOf(each)}`),
    });
  const name = t(`diagnose.cause.${cause}`);
  const tryFirst = t(`diagnose.tryFirst.${cause}`);
  return (
    <li>
      <b>{t('causes.cause', { cause: name, odds: formatSurePercent(f, odds) })}</b>
      {(['for', 'against'] as const).map(
        (side) =>
          evidence[side].length > 0 && (
            <p key={side} className="quiet small">
              {t(`causes.${side}`)} {evidence[side].map(says).join(' ')}
            </p>
          ),
      )}
      <p>
        {t('causes.settle')} {t(`diagnose.settle.${settleBy}`)}
      </p>
      <p className={styles['try']}>
        <span>
          {t('causes.try')} {tryFirst}
        </span>
        {onTry && cause !== 'none' && (
          <Button
            variant="outlined"
            aria-label={t('causes.nextOf', { cause: name })}
            onClick={() => onTry(tryFirst)}
          >
            {t('causes.next')}
          </Button>
        )}
        {trialOf && cause !== 'none' && (
          <Button
            component={Link}
            to={trialOf(tryFirst)}
            aria-label={t('causes.trialOf', { cause: name })}
          >
            {t('causes.trial')}
          </Button>
        )}
      </p>
    </li>
  );
}
