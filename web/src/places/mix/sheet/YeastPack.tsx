import { PROOF_TEST_STEP, type Lot } from '@calm/contract';
import { YEAST_PROOFS, type WeighedLine, type YeastProof } from '@calm/core';
import { packStrength } from '@calm/domain';
import Button from '@mui/material/Button';
import ToggleButton from '@mui/material/ToggleButton';
import ToggleButtonGroup from '@mui/material/ToggleButtonGroup';
import { useTranslation } from 'react-i18next';
import { DateField } from '../../../parts/fields/DateField';
import { useFormats } from '../../../parts/format/useFormats';
import { useMark } from '../../../state/outbox/useMark';
import { useAddRecord } from '../../../state/outbox/useRecords';
import { decimalsOf } from '../bench/weighWords';
import styles from './BatchSheet.module.css';
import type { Sheet } from './useSheet';

/** So much weaker, a dose is worth a word. */
const FELT = 0.03;

/** The pack that the lot's yeast is from: since when it is open, what a proof test showed, what that makes of the dose. */
export function YeastPack({
  house,
  sheet,
  lot,
  yeast,
}: {
  readonly house: string;
  readonly sheet: Sheet;
  readonly lot: Lot;
  /** What one load wants of it. */
  readonly yeast: WeighedLine;
}) {
  const { t } = useTranslation();
  const f = useFormats();
  const add = useAddRecord(house);
  const timer = useMark(house, lot, 0, PROOF_TEST_STEP, t(`work.${PROOF_TEST_STEP}`));
  const { form } = sheet.recipe.formula.yeast;
  const last = lot.yeastPack;
  const { openedOn = null, proof = null } = last?.content ?? {};
  const strength = packStrength(lot, form);
  const put = (to: { openedOn: string | null; proof: YeastProof | null }) =>
    add(lot.id, { kind: 'yeast', note: '', ...to }, `${lot.code}: ${t('yeast.title')}`, last?.id);
  const decimals = decimalsOf(sheet.recipe.settings.scaleReadabilityG.yeast);
  return (
    <details className={styles['pack']} open={last !== undefined || timer.startedAt !== null}>
      <summary>{t('yeast.title')}</summary>
      <div>
        <DateField
          label={t('yeast.openedOn')}
          value={openedOn}
          onChange={(on) => put({ openedOn: on || null, proof })}
        />
        <p className="quiet small">{t('yeast.how')}</p>
        {timer.startedAt === null && !timer.isDone && (
          <Button variant="outlined" onClick={timer.start}>
            {t('yeast.begin')}
          </Button>
        )}
        <ToggleButtonGroup
          exclusive
          value={proof}
          aria-label={t('yeast.found')}
          sx={{ '& button': { minHeight: 48 } }}
          onChange={(_event, to: YeastProof | null) => {
            put({ openedOn, proof: to });
            if (timer.startedAt !== null && !timer.isDone) timer.toggle(true);
          }}
        >
          {YEAST_PROOFS.map((each) => (
            <ToggleButton key={each} value={each}>
              {t(`yeast.proof.${each}`)}
            </ToggleButton>
          ))}
        </ToggleButtonGroup>
        {last && (
          <p role="status">
            {proof === 'nothing'
              ? t('yeast.dead')
              : Math.abs(1 - strength) < FELT
                ? t('yeast.strong')
                : t('yeast.weak', {
                    percent: f.percent(strength * 100, 0),
                    instead: f.grams(yeast.grams, decimals),
                    grams: f.grams(yeast.exactG / strength, decimals),
                  })}
          </p>
        )}
      </div>
    </details>
  );
}
