import type { SeriesRecord } from '@calm/contract';
import type { ForecastError } from '@calm/core';
import type { TFunction } from 'i18next';
import type { Formats } from '@calm/domain';

/** Off by less than this is neither high nor low, percent. */
const LEVEL_WITHIN = 0.5;

/** How far off forecasts were, beside the plainest there is, in a sentence or two. */
export function formatForecastErrorMessage(
  t: TFunction,
  f: Formats,
  kind: SeriesRecord['kind'],
  error: ForecastError | null,
  naive: ForecastError | null,
): string {
  if (!error) return t('demand.error.short');
  const { wapePercent, biasPercent } = error;
  const lean = Math.abs(biasPercent) < LEVEL_WITHIN ? 'level' : biasPercent > 0 ? 'high' : 'low';
  const words = {
    off: f.percent(wapePercent, 0),
    bias: f.percent(Math.abs(biasPercent), 0),
    naive: naive ? f.percent(naive.wapePercent, 0) : '',
  };
  return [
    t(`demand.error.${lean}`, words),
    kind === 'naive' ? t('demand.error.isNaive') : naive && t('demand.error.naive', words),
  ]
    .filter(Boolean)
    .join(' ');
}
