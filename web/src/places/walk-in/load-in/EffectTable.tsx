import { LOAD_IN_LOOK_H, type LoadInEffect, type LoadInWay } from '@calm/core';
import Button from '@mui/material/Button';
import { useTranslation } from 'react-i18next';
import { useFormats } from '../../../parts/format/useFormats';
import { WideTable } from '../../../parts/layout/WideTable';
import styles from '../air/Air.module.css';

/** What each way of bringing the trays in does to the room, to them, and to what stands there. */
export function EffectTable({
  effects,
  ways,
  isBusy,
  apartH,
  limitC,
  onUse,
}: {
  readonly effects: readonly LoadInEffect[];
  readonly ways: readonly LoadInWay[];
  readonly isBusy: boolean;
  readonly apartH: number;
  readonly limitC: number;
  /** Null for whoever may not mark. */
  readonly onUse: ((way: LoadInWay) => void) | null;
}) {
  const { t } = useTranslation();
  const f = useFormats();
  const best = bestOf(effects);
  return (
    <WideTable label={t('walkIn.loadIn.title')}>
      <table className={styles['table']} aria-busy={isBusy}>
        <thead>
          <tr>
            <th scope="col">{t('walkIn.loadIn.how')}</th>
            <th scope="col">{t('walkIn.loadIn.peak')}</th>
            <th scope="col">{t('walkIn.loadIn.above', { limit: f.temperature(limitC) })}</th>
            <th scope="col">{t('walkIn.loadIn.back')}</th>
            <th scope="col">{t('walkIn.loadIn.cold', { limit: f.temperature(limitC) })}</th>
            <th scope="col">{t('walkIn.loadIn.earlier')}</th>
            <td />
          </tr>
        </thead>
        <tbody>
          {effects.map((effect) => {
            const way = ways.find(({ name }) => name === effect.name);
            return (
              <tr key={effect.name}>
                <th scope="row">
                  {t(`walkIn.loadIn.ways.${effect.name}`, {
                    first: way?.goes[0]?.trays,
                    second: way?.goes[1]?.trays,
                    apart: f.hours(apartH, 1),
                  })}
                  {best === effect && <b> {t('walkIn.loadIn.best')}</b>}
                </th>
                <td data-much={effect.aboveMin > 0}>
                  {f.warmer(effect.warmerC)}{' '}
                  <span className="quiet">
                    {t('walkIn.loadIn.atMost', { peak: f.temperature(effect.peakC) })}
                  </span>
                </td>
                <td data-much={effect.aboveMin > 0}>{f.duration(Math.round(effect.aboveMin))}</td>
                <td>{hours(f, t, effect.backAfterH)}</td>
                <td>{hours(f, t, effect.coldAfterH)}</td>
                <td>{effect.earlierMin > 0 ? f.duration(effect.earlierMin) : '–'}</td>
                <td>
                  {onUse && way && (
                    <Button
                      className={styles['whole'] ?? ''}
                      variant={best === effect ? 'contained' : 'outlined'}
                      onClick={() => onUse(way)}
                    >
                      {t('walkIn.loadIn.keep')}
                    </Button>
                  )}
                </td>
              </tr>
            );
          })}
        </tbody>
      </table>
    </WideTable>
  );
}

/** Least time above the limit, then the other lots, then the room. */
function bestOf(effects: readonly LoadInEffect[]): LoadInEffect | null {
  const rank = ({ aboveMin, earlierMin, backAfterH, coldAfterH }: LoadInEffect) =>
    10 * aboveMin + 3 * earlierMin + 2 * (backAfterH ?? 24) + (coldAfterH ?? 24);
  return effects.reduce<LoadInEffect | null>(
    (best, each) => (best === null || rank(each) < rank(best) ? each : best),
    null,
  );
}

function hours(
  f: ReturnType<typeof useFormats>,
  t: ReturnType<typeof useTranslation>['t'],
  h: number | null,
): string {
  return h === null
    ? t('walkIn.loadIn.notInTime', { hours: f.hours(LOAD_IN_LOOK_H, 0) })
    : f.duration(Math.round(h * 60));
}
