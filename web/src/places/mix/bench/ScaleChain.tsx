import { effective, totalPercent, type ScaledLot } from '@calm/core';
import { useTranslation } from 'react-i18next';
import { useFormats } from '../../../parts/format/useFormats';
import { WhyThis } from '../../../parts/messages/WhyThis';
import { wantedDiffers } from './wantedDiffers';
import styles from '../sheet/BatchSheet.module.css';
import type { Sheet } from '../sheet/useSheet';

/** From count × weight to dough, flour and loads, as one line of sums. */
export function ScaleChain({
  sheet,
  scaled,
}: {
  readonly sheet: Sheet;
  readonly scaled: ScaledLot;
}) {
  const { t } = useTranslation();
  const f = useFormats();
  const { recipe, boardLot } = sheet;
  const { balance, totals, loads, mixerRange } = scaled;
  const { residuePercent, residuePerLoadG } = recipe.settings;
  const [load] = loads;
  const parts: readonly (readonly [string, string])[] = [
    [t('mix.chain.balls'), f.kilograms(balance.ballsG, 2)],
    ...(balance.trimG > 0 ? [[t('mix.chain.trim'), f.kilograms(balance.trimG, 2)] as const] : []),
    [t('mix.chain.residue'), f.kilograms(balance.residueG, 2)],
  ];
  return (
    <section className={styles['chain']} aria-label={t('mix.chain.title')}>
      <dl>
        {parts.map(([name, value]) => (
          <div key={name}>
            <dt>{name}</dt>
            <dd>{value}</dd>
          </div>
        ))}
        <div className={styles['sum']}>
          <dt>{t('mix.chain.dough')}</dt>
          <dd>{f.kilograms(balance.doughG, 2)}</dd>
        </div>
        <div className={styles['sum']}>
          <dt>{t('mix.chain.flour')}</dt>
          <dd>{f.kilograms(totals.flourG, 2)}</dd>
        </div>
        <div className={styles['sum']}>
          <dt>{t('mix.chain.loads')}</dt>
          <dd>
            {loads.length} × {f.kilograms(load?.doughG ?? 0, 2)}
          </dd>
        </div>
      </dl>
      <WhyThis about={t('mix.chain.dough')}>
        <p>
          {boardLot.items
            .map((item) => `${f.count(item.count)} × ${f.grams(item.ballWeightG)} ${item.name}`)
            .join(' + ')}{' '}
          = {f.kilograms(balance.ballsG, 2)}
        </p>
        <p>
          {t('mix.chain.whyResidue', {
            perLoad: f.grams(residuePerLoadG),
            percent: f.percent(residuePercent),
            residue: f.grams(balance.residueG),
          })}
        </p>
        <p>
          {t('mix.chain.whyFlour', {
            total: f.percent(totalPercent(recipe.formula), 2),
            flour: f.kilograms(totals.flourG, 2),
          })}
        </p>
        {mixerRange && (
          <p>
            {t('mix.chain.whyLoads', {
              mixer: recipe.mixer.name,
              min: f.kilograms(mixerRange.minDoughKg * 1000),
              max: f.kilograms(mixerRange.maxDoughKg * 1000),
              share: f.percent(mixerRange.deratingShare * 100, 0),
              hydration: f.percent(effective(recipe.formula).hydrationPercent),
            })}
          </p>
        )}
        <p>{t('mix.chain.whyRest', { rest: f.grams(balance.remainderG, 1) })}</p>
      </WhyThis>
      {wantedDiffers(sheet) && <p className={styles['differs']}>{t('mix.wantedDiffers')}</p>}
    </section>
  );
}
