import type { YeastDose } from '../../formula';
import { rootBetween, type Tried } from '../../numerics';
import { fail, ok, type Result } from '../../result';
import {
  DOSES,
  LEAST_DOSE_PERCENT,
  MOST_DOSE_PERCENT,
  rungAt,
  withDose,
  type Moment,
  type Rung,
} from './doseLadder';
import { simulateDough } from '../run/simulateDough';
import { routeFaults, type DoughRoute, type RouteFault } from '../route/doughRoute';
import { BEYOND_H } from '../run/simulate';
import {
  EVEN_ODDS,
  openingOdds,
  RELAXED_ENOUGH,
  STANDARD_TARGET,
  type Target,
} from '../dough/state';

/** What the dose shall do. The formula's own yeast percent is not looked at. */
export interface DoseRequest {
  readonly route: DoughRoute;
  /** Hour from the mixer at which the volume shall be at its peak. */
  readonly peakHour: number;
  readonly target?: Target;
}

/** A dose that does it. */
export interface Dose {
  /** In the form the formula names. */
  readonly yeast: YeastDose;
  readonly freshPercent: number;
  /** That it opens well at that hour, 0–1: low odds are said, not refused. */
  readonly odds: number;
}

/** What the dough cannot do at that hour, whatever the dose. */
export type DoseLimit =
  | { readonly kind: 'peak-not-in-last-stage'; readonly fromHour: number; readonly toHour: number }
  | { readonly kind: 'not-warm-yet'; readonly coreTempC: number; readonly openTempC: number }
  /** Shaped too short a time before: it springs back. */
  | { readonly kind: 'too-tight-yet'; readonly relaxed: number; readonly enough: number }
  /** Its flour no longer holds enough gas, whatever the dose. */
  | { readonly kind: 'flour-worn-out'; readonly odds: number }
  | { readonly kind: 'needs-more-yeast'; readonly mostPercent: number; readonly rise: number }
  | { readonly kind: 'needs-less-yeast'; readonly leastPercent: number; readonly rise: number };

/** Why no dose can do it. */
export type DoseReason = RouteFault | DoseLimit;

/**
 * The yeast dose that puts the peak where it is wanted: doses are tried from the least up until the
 * volume at that hour passes the target's peak, then narrowed between the last two. Quick enough for a
 * slider; `solveDose` also looks for what would work instead.
 *
 * @returns the dose in the formula's form, or why none can do it
 */
export function findDose(request: DoseRequest): Result<Dose, DoseReason> {
  const faults = routeFaults(request.route, LEAST_DOSE_PERCENT);
  if (faults.length > 0) return fail(...faults);
  const { route, target = STANDARD_TARGET } = request;
  const climb = climbDoses(request, STEP_MIN);
  const reasons = limitsOf(request, climb, 0);
  if (reasons.length > 0 || !climb.reached) return fail(...reasons);
  const found = narrow(request, climb.below, climb.reached);
  const late = limitsAt([found], target, 0);
  if (late.length > 0) return fail(...late);
  const { yeast } = withDose(route, found.freshPercent).formula;
  return ok({ yeast, freshPercent: found.freshPercent, odds: openingOdds(found, target) });
}

/** Whether some dose works with something to spare: how warm dough is depends on it a little. */
export function isSurelyPossible(request: DoseRequest): boolean {
  if (routeFaults(request.route, LEAST_DOSE_PERCENT).length > 0) return false;
  return limitsOf(request, climbDoses(request, ROUGH_MIN, SURE), SURE).length === 0;
}

/** What is proposed instead keeps this far from every bound, in °C, … */
export const SURE = 0.4;
/** … and in volume, per °C of that. */
export const SURE_RISE_PER_C = 0.1;
/**
 * Steps while looking for what else would work, and for the dose itself, min. Five-minute steps move
 * the peak by seconds against one-minute steps.
 */
export const ROUGH_MIN = 15;
const STEP_MIN = 5;

/** Doses tried from the least up. */
interface Climb {
  /** The rung before the one that reached the peak; of all rungs the best, where none did. */
  readonly below: Rung | null;
  /** The first whose volume at the hour is the peak's or more. */
  readonly reached: Rung | null;
  readonly least: Rung | null;
}

/**
 * Tries doses from the least up until one reaches the peak. A huge dose may swell before it is balled
 * and be falling again at the hour: the least dose that gets there is the one that is wanted.
 */
function climbDoses(
  { route, peakHour, target = STANDARD_TARGET }: DoseRequest,
  stepMin: number,
  margin = 0,
): Climb {
  let least: Rung | null = null;
  let below: Rung | null = null;
  if (!Number.isFinite(peakHour)) return { least, below, reached: null };
  for (const freshPercent of DOSES) {
    const rung = rungAt(route, freshPercent, peakHour, stepMin);
    if (!rung) break;
    least ??= rung;
    if (rung.volume >= target.risePeak + margin * SURE_RISE_PER_C) {
      return { least, below, reached: rung };
    }
    if (!below || rung.volume > below.volume) below = rung;
  }
  return { least, below, reached: null };
}

/** Everything that keeps a dose from working, or nothing. */
function limitsOf(
  { route, target = STANDARD_TARGET }: DoseRequest,
  { least, below, reached }: Climb,
  margin: number,
): DoseLimit[] {
  const tried = [below, reached].filter((rung) => rung !== null);
  if (!least || tried.length === 0) return [notInLastStage(route)];
  const limits = limitsAt(tried, target, margin);
  if (!reached && below) {
    limits.push({ kind: 'needs-more-yeast', mostPercent: MOST_DOSE_PERCENT, rise: below.volume });
    if (below.holding < EVEN_ODDS) limits.push({ kind: 'flour-worn-out', odds: below.holding });
  }
  if (least.volume > target.risePeak - margin * SURE_RISE_PER_C) {
    limits.push({ kind: 'needs-less-yeast', leastPercent: LEAST_DOSE_PERCENT, rise: least.volume });
  }
  return limits;
}

function notInLastStage(route: DoughRoute): DoseLimit {
  const ends = simulateDough(withDose(route, LEAST_DOSE_PERCENT), STEP_MIN, 0, () => undefined);
  const toHour = (ends.at(-1) ?? 0) + BEYOND_H;
  return { kind: 'peak-not-in-last-stage', fromHour: ends.at(-2) ?? 0, toHour };
}

/** What all of some moments miss: warmth, rest after shaping. */
export function limitsAt(moments: readonly Moment[], target: Target, margin: number): DoseLimit[] {
  const coreTempC = Math.min(...moments.map((moment) => moment.coreTempC));
  const relaxed = Math.min(...moments.map((moment) => moment.relaxed));
  const limits: DoseLimit[] = [];
  if (coreTempC < target.openTempC + margin) {
    limits.push({ kind: 'not-warm-yet', coreTempC, openTempC: target.openTempC });
  }
  if (relaxed < RELAXED_ENOUGH) {
    limits.push({ kind: 'too-tight-yet', relaxed, enough: RELAXED_ENOUGH });
  }
  return limits;
}

/** Volume this near to the peak's is the peak. */
const RISE_TOLERANCE = 1e-4;

/** The dose between two rungs at which the volume at the hour is the peak's. */
function narrow(
  { route, peakHour, target = STANDARD_TARGET }: DoseRequest,
  below: Rung | null,
  reached: Rung,
): Rung {
  if (!below) return reached;
  const tried = (rung: Rung): Tried<Rung> => ({
    x: Math.log(rung.freshPercent),
    miss: rung.volume - target.risePeak,
    at: rung,
  });
  const look = (x: number) => {
    const rung = rungAt(route, Math.exp(x), peakHour, STEP_MIN) ?? reached;
    return { ...tried(rung), x };
  };
  return rootBetween(tried(below), tried(reached), look, RISE_TOLERANCE).at;
}
