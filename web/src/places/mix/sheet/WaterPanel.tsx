import { adviseLoad } from '@calm/domain';
import type { LoadTemps } from '@calm/contract';
import type { MixerLine, ScaledLot, WaterAdvice } from '@calm/core';
import { useTranslation } from 'react-i18next';
import type { Formats } from '@calm/domain';
import { useFormats } from '../../../parts/format/useFormats';
import { NumberField } from '../../../parts/fields/NumberField';
import { KITCHEN_TEMP, TAP_TEMP } from '../../../parts/fields/readNumber';
import { WhyThis } from '../../../parts/messages/WhyThis';
import { usePermission } from '../../../state/api/usePermission';
import styles from './WaterPanel.module.css';
import type { LoadTempsState } from './useLoadTemps';
import type { Sheet } from './useSheet';

/** What the thermometers show, and at once the water to pour. */
export function WaterPanel({
  sheet,
  scaled,
  load,
  temps,
  onLive,
  number,
}: {
  readonly sheet: Sheet;
  readonly scaled: ScaledLot;
  readonly load: LoadTempsState;
  /** As they are being typed. */
  readonly temps: LoadTemps;
  readonly onLive: (temps: LoadTemps | null) => void;
  readonly number: number;
}) {
  const { t } = useTranslation();
  const mayMake = usePermission('make');
  const f = useFormats();
  const { recipe } = sheet;
  const bowl = scaled.loads[number - 1];
  if (!bowl) return null;
  const advice = adviseLoad(recipe, bowl, temps, load.frictionC);
  const field = (key: keyof LoadTemps, rule = KITCHEN_TEMP) => (
    <NumberField
      label={t(`mix.water.${key}`)}
      measure="temp"
      rule={rule}
      step={0.5}
      disabled={!mayMake}
      value={load.temps[key]}
      onInput={(value) => onLive({ ...temps, [key]: value })}
      onCommit={(value) => {
        onLive(null);
        if (value !== null) load.write({ [key]: value });
      }}
    />
  );
  return (
    <aside className={styles['panel']} aria-label={t('mix.water.title')}>
      <h2>{t('mix.water.title')}</h2>
      <p className={styles['answer']} aria-live="polite">
        <b data-testid="water-temp">{f.temperature(advice.pourTempC)}</b>
        <span>{t('mix.water.forDough', { dough: f.temperature(recipe.doughTempC) })}</span>
      </p>
      <p className={styles['split']}>
        {advice.iceG >= 1
          ? t('mix.water.split', { ice: f.grams(advice.iceG), tap: f.grams(advice.tapWaterG) })
          : t('mix.water.noIce')}
      </p>
      {advice.warnings.map((warning) => (
        <p key={warning.kind} className={styles['warning']}>
          {t(`warnings.${warning.kind}`, { ...warning })}
        </p>
      ))}
      <div className={styles['fields']}>
        {field('flourTempC')}
        {field('roomTempC')}
        {field('tapTempC', TAP_TEMP)}
        {load.temps.prefermentTempC !== null && field('prefermentTempC')}
      </div>
      <Methods sheet={sheet} advice={advice} temps={temps} frictionC={load.frictionC} />
    </aside>
  );
}

/** The three schools side by side, with the working. */
function Methods({
  sheet,
  advice,
  temps,
  frictionC,
}: {
  readonly sheet: Sheet;
  readonly advice: WaterAdvice;
  readonly temps: LoadTemps;
  readonly frictionC: number;
}) {
  const { t } = useTranslation();
  const f = useFormats();
  const { recipe, friction } = sheet;
  const rows = [
    ['base-sum', advice.baseSum.waterTempC],
    ['friction', advice.friction.waterTempC],
    ['heat-balance', advice.heatBalance.waterTempC],
    ...(recipe.mixer.line ? [['learned', advice.learned.waterTempC] as const] : []),
  ] as const;
  const known = [temps.roomTempC, temps.flourTempC, temps.prefermentTempC]
    .filter((c) => c !== null)
    .map((c) => f.temperature(c))
    .join(' − ');
  const learned =
    friction.loads > 0
      ? t('mix.water.frictionLearned', { count: friction.loads })
      : t('mix.water.frictionSet');
  return (
    <div>
      <table className={styles['methods']}>
        <caption>
          {advice.spreadC < 1
            ? t('mix.water.agree', { spread: f.temperature(advice.spreadC) })
            : t('mix.water.differ', { spread: f.temperature(advice.spreadC) })}
        </caption>
        <tbody>
          {rows.map(([method, tempC]) => (
            <tr key={method} data-poured={method === advice.pourBy}>
              <th scope="row">
                {t(`mix.water.method.${method}`)}
                {method === advice.pourBy && <span> {t('mix.water.poured')}</span>}
              </th>
              <td>{f.temperature(tempC)}</td>
            </tr>
          ))}
        </tbody>
      </table>
      <WhyThis about={t('mix.water.title')}>
        <p>
          {t('mix.water.whyBase', {
            base: f.temperature(advice.baseSum.baseC),
            known,
            water: f.temperature(advice.baseSum.waterTempC),
          })}
        </p>
        <p>
          {t('mix.water.whyFriction', {
            n: advice.factors,
            dough: f.temperature(recipe.doughTempC),
            known,
            friction: f.temperature(frictionC),
            water: f.temperature(advice.friction.waterTempC),
            base: f.temperature(advice.factors * recipe.doughTempC - frictionC),
          })}
        </p>
        <p>
          {t('mix.water.whyBalance', {
            heat: advice.heatBalance.heatKJ,
            hydration: advice.heatBalance.hydrationKJ,
            others: advice.heatBalance.othersKJPerK,
            oneDegree: 1,
            water: advice.heatBalance.waterKJPerK,
          })}
        </p>
        {recipe.mixer.line && <p>{t('mix.water.whyLine', lineWords(f, recipe.mixer.line))}</p>}
        <p>{learned}</p>
      </WhyThis>
    </div>
  );
}

/** The weights of a mixer's line as they are read. */
const lineWords = (f: Formats, { wFlour, wWater, wRoom, qC }: MixerLine) => ({
  flour: f.plain(wFlour, 2),
  water: f.plain(wWater, 2),
  room: f.plain(wRoom, 2),
  heat: f.warmer(qC),
});
