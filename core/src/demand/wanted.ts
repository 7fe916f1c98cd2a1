import type { SoldDay } from './soldDay';
import { demandQuantile, demandShareBelow, type DemandSpread } from './distribution';

/** What would have been sold had there been enough: as much as a sale can tell. */
export interface UnmetDemand {
  readonly mean: number;
  /** Of what is not known of it; 0 where balls were left. */
  readonly variance: number;
}

/** Less of an evening than this says little about the rest of it. */
const LEAST_SHARE = 0.15;
/** Points of the part of a distribution that lies above what was sold. */
const POINTS = 24;

/**
 * What a service would have sold, by what it did sell: the same where balls were left, more where they ran out. With
 * the share of the evening that had gone by then, guests until then say how busy it was (a gamma level, seen through
 * Poisson guests, in closed form); without it, the mean of all that is at least as much as was sold.
 *
 * @param expected what was forecast
 */
export function wantedOn(day: SoldDay, expected: number, { cv }: DemandSpread): UnmetDemand {
  const { sold, isSoldOut, goneShare } = day;
  if (!isSoldOut || expected <= 0) return { mean: sold, variance: 0 };
  if (goneShare === undefined) return atLeast(sold, expected, { cv });
  const share = Math.min(1, Math.max(LEAST_SHARE, goneShare));
  const shape = 1 / Math.max(0.05, cv) ** 2;
  const rate = shape / expected + share;
  const level = (shape + sold) / rate;
  const rest = 1 - share;
  return { mean: sold + rest * level, variance: rest * level + rest ** 2 * (level / rate) };
}

/** Mean and variance of demand that is at least so much (a truncated gamma, by its quantiles). */
function atLeast(sold: number, expected: number, spread: DemandSpread): UnmetDemand {
  const below = Math.min(0.999, demandShareBelow(expected, spread, sold));
  const points = Array.from({ length: POINTS }, (_, i) =>
    Math.max(sold, demandQuantile(expected, spread, below + ((1 - below) * (i + 0.5)) / POINTS)),
  );
  const mean = points.reduce((sum, each) => sum + each, 0) / POINTS;
  const variance = points.reduce((sum, each) => sum + (each - mean) ** 2, 0) / POINTS;
  return { mean, variance };
}

/** The same before anything is forecast: what was sold over the share of the evening it lasted. */
export function grossedUp({ sold, isSoldOut, goneShare }: SoldDay): number {
  return isSoldOut && goneShare !== undefined ? sold / Math.max(0.3, Math.min(1, goneShare)) : sold;
}
