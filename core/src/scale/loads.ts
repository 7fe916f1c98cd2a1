import { fail, ok, type Result } from '../result';

/** What a mixer takes at once, in kg of dough. */
export interface MixerRange {
  readonly minDoughKg: number;
  readonly maxDoughKg: number;
}

/** One point of a house's derating curve: share of the mixer's rating at an effective hydration. */
export interface DeratingPoint {
  readonly hydrationPercent: number;
  readonly share: number;
}

/**
 * Stiff dough strains a mixer. Starting values: 60 % of rating at 50 % hydration, all of it from
 * 60 %; plausible shares 0.4–0.8 at 50 %. The machine's manual comes first.
 */
export const STANDARD_DERATING: readonly DeratingPoint[] = [
  { hydrationPercent: 50, share: 0.6 },
  { hydrationPercent: 60, share: 1 },
];

/**
 * Share of its rating a mixer may take of a dough, linear between the curve's points and flat
 * beyond them.
 *
 * @param hydrationPercent effective hydration
 * @param curve points in rising hydration
 * @returns 0–1
 */
export function deratingShare(
  hydrationPercent: number,
  curve: readonly DeratingPoint[] = STANDARD_DERATING,
): number {
  let below: DeratingPoint | undefined;
  for (const point of curve) {
    if (hydrationPercent <= point.hydrationPercent) {
      if (!below) return point.share;
      const t =
        (hydrationPercent - below.hydrationPercent) /
        (point.hydrationPercent - below.hydrationPercent);
      return below.share + t * (point.share - below.share);
    }
    below = point;
  }
  return below?.share ?? 1;
}

/** Even loads of one lot. */
export interface LoadSplit {
  readonly loads: number;
  readonly loadG: number;
  readonly totalG: number;
}

/** Why no even split fits, with the nearest totals on either side that do. */
export interface NoSplit {
  readonly kind: 'load-below-least' | 'mixer-range-empty' | 'too-many-loads';
  /** The load that fails, kg, in the fewest loads that stay under the most. */
  readonly loadKg: number;
  readonly loads: number;
  /** The bounds in force, the most already derated, kg. */
  readonly minDoughKg: number;
  readonly maxDoughKg: number;
  /** Largest smaller total that fits, if any, and smallest larger one. */
  readonly nearest: readonly LoadSplit[];
}

/** More loads than this in one lot is a mistyped number, not a plan. */
export const MOST_LOADS = 200;

/**
 * The fewest equal loads inside the mixer's range.
 *
 * @param totalForLoadsG grams of dough wanted when it is made in n loads (each load leaves some
 *   in the bowl, so the total depends on n); must not fall with n
 * @param range bounds for one load, kg, already derated
 * @returns the split, or which bound fails and the nearest totals that fit
 */
export function splitLoads(
  totalForLoadsG: (loads: number) => number,
  range: MixerRange,
): Result<LoadSplit, NoSplit> {
  const [minG, maxG] = [range.minDoughKg * 1000, range.maxDoughKg * 1000];
  const loads = fewestLoads(totalForLoadsG, maxG);
  const totalG = totalForLoadsG(loads);
  const loadG = totalG / loads;
  const refusal = (kind: NoSplit['kind'], nearest: LoadSplit[]): NoSplit => ({
    kind,
    loadKg: loadG / 1000,
    loads,
    ...range,
    nearest,
  });

  if (!(maxG > 0) || minG > maxG) return fail(refusal('mixer-range-empty', []));
  if (loads > MOST_LOADS) {
    return fail(
      refusal('too-many-loads', [{ loads: MOST_LOADS, loadG: maxG, totalG: MOST_LOADS * maxG }]),
    );
  }
  if (loadG < minG) {
    const smaller = loads - 1;
    return fail(
      refusal('load-below-least', [
        ...(smaller > 0 ? [{ loads: smaller, loadG: maxG, totalG: smaller * maxG }] : []),
        { loads, loadG: minG, totalG: loads * minG },
      ]),
    );
  }
  return ok({ loads, loadG, totalG });
}

/** A gram over the most in 40 kg is weighing, not overload. */
const TOLERANCE = 1 + 1e-9;

function fewestLoads(totalForLoadsG: (loads: number) => number, maxG: number): number {
  let loads = 1;
  while (loads <= MOST_LOADS && totalForLoadsG(loads) / loads > maxG * TOLERANCE) loads += 1;
  return loads;
}
