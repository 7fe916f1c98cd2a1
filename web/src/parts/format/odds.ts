import type { TFunction } from 'i18next';

/** Odds as people say them: nine in ten. Never surer than nine in ten, never less than one. */
export function formatOdds(t: TFunction, odds: number): string {
  return t('odds.inTen', { count: Math.min(9, Math.max(1, Math.round(odds * 10))) });
}
