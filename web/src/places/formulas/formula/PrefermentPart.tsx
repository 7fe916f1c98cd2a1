import Button from '@mui/material/Button';
import { splitMix, type Formula, type Preferment } from '@calm/core';
import { useTranslation } from 'react-i18next';
import { EditOnly } from '../../../parts/fields/editing';
import { useFormats } from '../../../parts/format/useFormats';
import { LabelledCell } from '../../../parts/fields/LabelledCell';
import styles from './PrefermentPart.module.css';

const SHARE = { min: 1, max: 100, decimals: 1 };
const WATER = { min: 30, max: 300, decimals: 1 };
const YEAST = { min: 0, max: 10, decimals: 3 };

/** What is mixed ahead of the dough: its share of the flour, its water and its yeast. */
export function PrefermentPart({
  formula,
  onChange,
}: {
  readonly formula: Formula;
  readonly onChange: (formula: Formula, what: string) => void;
}) {
  const { t } = useTranslation();
  const f = useFormats();
  const { preferment } = formula;
  if (!preferment) {
    return (
      <div className={styles['part']}>
        <EditOnly>
          <Button
            size="small"
            variant="outlined"
            onClick={() =>
              onChange(
                { ...formula, preferment: poolish(formula, t('formulas.preferment.name')) },
                t('formulas.preferment.added'),
              )
            }
          >
            {t('formulas.preferment.add')}
          </Button>
        </EditOnly>
      </div>
    );
  }
  const change = (to: Partial<Preferment>, what: string) =>
    onChange({ ...formula, preferment: { ...preferment, ...to } }, what);
  const split = splitMix(formula);
  const cell = (
    key: 'share' | 'water' | 'yeast',
    value: number,
    rule: typeof SHARE,
    to: (value: number) => Partial<Preferment>,
  ) => {
    const label = t(`formulas.preferment.${key}`);
    return (
      <LabelledCell
        name={label}
        unit="%"
        value={value}
        rule={rule}
        step={key === 'yeast' ? 0.01 : 1}
        onCommit={(next) =>
          change(to(next), t('formulas.edit.changed', { what: label, to: f.percent(next, 3) }))
        }
      />
    );
  };
  return (
    <section className={styles['part']} aria-label={preferment.name}>
      <h2>{preferment.name}</h2>
      <div className={styles['fields']}>
        {cell('share', preferment.flourSharePercent, SHARE, (flourSharePercent) => ({
          flourSharePercent,
        }))}
        {cell('water', preferment.waterPercent, WATER, (waterPercent) => ({ waterPercent }))}
        {cell('yeast', preferment.yeast.percent, YEAST, (percent) => ({
          yeast: { ...preferment.yeast, percent },
        }))}
      </div>
      {split.ok ? (
        <p className="quiet">
          {t('formulas.preferment.left', {
            what: f.list(
              split.value.finalMix
                .filter(({ kind }) => kind !== 'preferment')
                .map(({ name, percent }) => `${name} ${f.percent(percent, 2)}`),
            ),
          })}
        </p>
      ) : (
        <p role="alert" className={styles['wrong']}>
          {split.reasons.map((reason) => t(`reasons.${reason.kind}`, { ...reason })).join(' ')}
        </p>
      )}
      <EditOnly>
        <Button
          size="small"
          variant="outlined"
          onClick={() => {
            const { preferment: _gone, ...plain } = formula;
            onChange(plain, t('formulas.preferment.removed'));
          }}
        >
          {t('formulas.preferment.remove')}
        </Button>
      </EditOnly>
    </section>
  );
}

/** As much water as flour, a fifth of the flour, and a tenth of the dough's yeast for a night. */
function poolish({ yeast }: Formula, name: string): Preferment {
  return {
    name,
    flourSharePercent: 20,
    waterPercent: 100,
    yeast: { form: yeast.form, percent: Number((yeast.percent / 10).toPrecision(2)) },
  };
}
