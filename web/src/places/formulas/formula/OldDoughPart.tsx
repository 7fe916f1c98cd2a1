import Button from '@mui/material/Button';
import type { Formula, OldDough, PlainFormula } from '@calm/core';
import { useTranslation } from 'react-i18next';
import { EditOnly } from '../../../parts/fields/editing';
import { useFormats } from '../../../parts/format/useFormats';
import { LabelledCell } from '../../../parts/fields/LabelledCell';
import styles from './PrefermentPart.module.css';

const SHARE = { min: 0.1, max: 100, decimals: 1 };
const USUAL_PERCENT = 10;

/** Dough kept from an earlier batch that goes back into this one. */
export function OldDoughPart({
  formula,
  onChange,
}: {
  readonly formula: Formula;
  readonly onChange: (formula: Formula, what: string) => void;
}) {
  const { t } = useTranslation();
  const f = useFormats();
  const { oldDough } = formula;
  const put = (to: OldDough, what: string) => onChange({ ...formula, oldDough: to }, what);
  if (!oldDough) {
    return (
      <div className={styles['part']}>
        <EditOnly>
          <Button
            size="small"
            variant="outlined"
            onClick={() =>
              put(ownOldDough(formula, t('formulas.oldDough.name')), t('formulas.oldDough.added'))
            }
          >
            {t('formulas.oldDough.add')}
          </Button>
        </EditOnly>
      </div>
    );
  }
  return (
    <section className={styles['part']} aria-label={oldDough.name}>
      <h2>{oldDough.name}</h2>
      <LabelledCell
        name={t('formulas.oldDough.share')}
        unit="%"
        value={oldDough.percent}
        rule={SHARE}
        step={1}
        onCommit={(percent) =>
          put(
            { ...oldDough, percent },
            t('formulas.edit.changed', { what: oldDough.name, to: f.percent(percent) }),
          )
        }
      />
      <p className="quiet">{t('formulas.oldDough.how')}</p>
      <EditOnly>
        <Button
          size="small"
          variant="outlined"
          onClick={() => {
            const { oldDough: _gone, ...plain } = formula;
            onChange(plain, t('formulas.oldDough.removed'));
          }}
        >
          {t('formulas.oldDough.remove')}
        </Button>
      </EditOnly>
    </section>
  );
}

/** Dough of the same formula. @param percent of total flour */
export function ownOldDough(formula: Formula, name: string, percent = USUAL_PERCENT): OldDough {
  const { preferment: _p, oldDough: _o, ...plain } = formula;
  return { name, percent, formula: plain satisfies PlainFormula };
}
