import { normalQuantile, normalShareBelow } from '../numerics';

/** How forecasts of one series scatter: variance = mean + (cv · mean)². */
export interface DemandSpread {
  /** Beyond the chance of each guest's own choice, share of the mean. */
  readonly cv: number;
}

/** A house nobody knows yet scatters like this. Starting value; plausible 0.1–0.4. */
export const STANDARD_SPREAD: DemandSpread = { cv: 0.22 };

/**
 * A quantile of what may come: a gamma distribution of this mean and spread, by the cube-root normal
 * approximation (Wilson and Hilferty 1931), good to a percent where more than a ball or two is sold.
 *
 * @param share 0–1, exclusive
 * @returns balls, at least 0
 */
export function demandQuantile(mean: number, { cv }: DemandSpread, share: number): number {
  if (mean <= 0) return 0;
  const variance = mean + (cv * mean) ** 2;
  const shape = mean ** 2 / variance;
  const root = 1 - 1 / (9 * shape) + normalQuantile(share) / (3 * Math.sqrt(shape));
  return mean * Math.max(0, root) ** 3;
}

/** The share of outcomes that stay at or below a number of balls; inverse of `demandQuantile`. */
export function demandShareBelow(mean: number, { cv }: DemandSpread, balls: number): number {
  if (mean <= 0) return 1;
  const variance = mean + (cv * mean) ** 2;
  const shape = mean ** 2 / variance;
  const z = (Math.cbrt(Math.max(0, balls) / mean) - 1 + 1 / (9 * shape)) * 3 * Math.sqrt(shape);
  return normalShareBelow(z);
}
