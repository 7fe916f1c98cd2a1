import type { TFunction } from 'i18next';
import type { Formats } from '@calm/domain';

/** Odds as people say them: nine in ten. Never surer than nine in ten, never less than one. */
export function formatOdds(t: TFunction, odds: number): string {
  return t('odds.inTen', { count: Math.min(9, Math.max(1, Math.round(odds * 10))) });
}

/** Odds in percent; nobody is surer than 99 %, or less than 1 %. */
export const formatSurePercent = (f: Pick<Formats, 'percent'>, odds: number): string =>
  f.percent(Math.min(99, Math.max(1, Math.round(100 * odds))), 0);
