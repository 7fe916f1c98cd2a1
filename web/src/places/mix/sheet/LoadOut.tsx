import { frictionOfLoadC, type ScaledLot } from '@calm/core';
import { adviseLoad, withMixerLine } from '@calm/domain';
import { useTranslation } from 'react-i18next';
import { useFormats } from '../../../parts/format/useFormats';
import { NumberField } from '../../../parts/fields/NumberField';
import { KITCHEN_TEMP } from '../../../parts/fields/readNumber';
import { usePermission } from '../../../state/api/usePermission';
import styles from './BatchSheet.module.css';
import type { LoadTempsState } from './useLoadTemps';
import type { Sheet } from './useSheet';

/** Off by less than this is a good load, °C. */
const GOOD_WITHIN_C = 0.5;

interface LoadOutProps {
  readonly sheet: Sheet;
  readonly scaled: ScaledLot;
  readonly number: number;
  readonly load: LoadTempsState;
}

/** The dough temperature that came out, and what it says about the next load. */
export function LoadOut(props: LoadOutProps) {
  const { load } = props;
  const { t } = useTranslation();
  const mayMake = usePermission('make');
  return (
    <section className={styles['out']} aria-label={t('mix.out.title')}>
      <h2>{t('mix.out.title')}</h2>
      <div className={styles['outField']}>
        <NumberField
          label={t('mix.out.field')}
          measure="temp"
          size="far"
          rule={{ ...KITCHEN_TEMP, mayBeEmpty: true }}
          step={0.1}
          disabled={!mayMake}
          value={load.temps.doughOutC}
          onCommit={(doughOutC) => load.write({ doughOutC })}
        />
        <div className={styles['verdict']} role="status">
          <Verdict {...props} />
        </div>
      </div>
    </section>
  );
}

function Verdict({ sheet, scaled, number, load }: LoadOutProps) {
  const { t } = useTranslation();
  const f = useFormats();
  const { recipe } = sheet;
  const { temps } = load;
  const bowl = scaled.loads[number - 1];
  if (temps.doughOutC === null || !bowl) return <p className="quiet">{t('mix.out.empty')}</p>;
  const offC = temps.doughOutC - recipe.doughTempC;
  if (Math.abs(offC) < GOOD_WITHIN_C) return <p>{t('mix.out.good')}</p>;
  const { pourTempC } = adviseLoad(recipe, bowl, temps, load.frictionC);
  const { prefermentTempC, ...others } = temps;
  const foundC = frictionOfLoadC({
    ...others,
    waterTempC: pourTempC,
    doughOutC: temps.doughOutC,
    ...(prefermentTempC !== null && { prefermentTempC }),
  });
  const { line } = recipe.mixer;
  const corrected = withMixerLine(recipe, line ? { ...line, qC: line.qC + offC } : null);
  const next = adviseLoad(corrected, bowl, temps, foundC);
  return (
    <p>
      {t(offC > 0 ? 'mix.out.warm' : 'mix.out.cold', {
        off: f.warmer(offC),
        wanted: f.temperature(recipe.doughTempC),
        water: f.temperature(next.pourTempC),
        was: f.temperature(pourTempC),
      })}
    </p>
  );
}
