import { cholesky, inverseOfLower, solveLower } from '../../numerics';
import { flourLimits } from '../../ferment/laws/flour';
import type { DoughRoute } from '../../ferment/route/doughRoute';
import type { Target } from '../../ferment/dough/state';
import { simulate } from '../../ferment/run/simulate';
import { USUAL_SPREAD, type KitchenSpread } from '../../ferment/run/uncertainty';
import type { ReadyWindow } from '../../ferment/run/window';
import { evidenceOf, type Parameter } from './evidence';
import { observationsOf, targetOf, type Doubt, type ObservedLot } from './observed';

/** Where a moment lies: one time in ten before the first, one in ten after the last. */
export interface HourOdds {
  readonly p10: number;
  readonly p50: number;
  readonly p90: number;
}

/** When a lot opens well, and how sure that is. Hours count from the mixer. */
export interface WindowOdds {
  readonly first: HourOdds;
  readonly peak: HourOdds;
  readonly last: HourOdds;
}

/** A lot's window before and after what was seen of it. */
export interface NarrowedLot {
  /** Null where the lot would never be ready. */
  readonly before: WindowOdds | null;
  readonly after: WindowOdds | null;
  /** How much stronger than was thought its yeast seems, a factor, and how much warmer its places, °C. */
  readonly yeastFactor: number;
  readonly placeC: number;
  /** How much longer than was thought its flour seems to last, a factor. */
  readonly enduranceFactor: number;
  /** Observations that narrowed it, and what is not believed. */
  readonly counted: number;
  readonly doubted: readonly Doubt[];
}

/** Standard deviations from the middle to P90. */
const TO_P90 = 1.2816;
const ROUNDS = 4;
/** No step is longer than so many standard deviations: far from the middle slopes say little. */
const LONGEST_STEP = 1.5;
/** A step shorter than so many is none. */
const SHORTEST_STEP = 0.02;
const STEP_MIN = 5;

/**
 * Narrows one lot's window by what was measured and seen of it: the likeliest yeast, places and flour (Gauss–Newton on
 * the lot's own simulator), how sure they are then (Laplace), and when the lot opens over what they may still be
 * (sigma points).
 *
 * @param spread how far what a kitchen sets may be from what it gets
 */
export function narrowLot(lot: ObservedLot, spread: KitchenSpread = USUAL_SPREAD): NarrowedLot {
  const target = targetOf(lot);
  const { taken, doubted } = observationsOf(lot);
  const parameters = parametersOf(lot.route, spread);
  const routeAt = (values: readonly number[]) => movedRoute(lot.route, values);
  const touched = parameters.map(() => true);
  const precision = (information: readonly (readonly number[])[]) =>
    information.map((row, i) =>
      row.map((value, j) => value + (i === j ? 1 / (parameters[i] as Parameter).sd ** 2 : 0)),
    );
  const nothing = parameters.map(() => 0);
  const none = parameters.map(() => nothing);
  let values: number[] = nothing;
  let information: readonly (readonly number[])[] = none;
  for (let round = 0; round < ROUNDS && taken.length > 0; round += 1) {
    const evidence = evidenceOf(parameters, values, {
      observations: taken,
      target,
      routeAt,
      touched,
    });
    if (!evidence) break;
    ({ information } = evidence);
    const gradient = evidence.gradient.map(
      (slope, i) => slope - (values[i] ?? 0) / (parameters[i] as Parameter).sd ** 2,
    );
    const step = solveLower(cholesky(precision(information)), gradient);
    const longest = Math.max(
      ...step.map((by, i) => Math.abs(by) / (parameters[i] as Parameter).sd),
    );
    const share = Math.min(1, LONGEST_STEP / Math.max(1e-9, longest));
    values = values.map((value, i) => value + share * (step[i] ?? 0));
    if (longest < SHORTEST_STEP) break;
  }
  const covariance = (of: readonly (readonly number[])[]) =>
    inverseOfLower(cholesky(precision(of)));
  return {
    before: windowOdds(lot.route, target, nothing, covariance(none)),
    after: windowOdds(lot.route, target, values, covariance(information)),
    yeastFactor: Math.exp(values[0] ?? 0),
    enduranceFactor: Math.exp(values[1] ?? 0),
    placeC: mean(values.slice(2)),
    counted: taken.length,
    doubted,
  };
}

const mean = (values: readonly number[]): number =>
  values.length === 0 ? 0 : values.reduce((sum, value) => sum + value, 0) / values.length;

/** What is not known of a lot: its yeast, its flour, and each place's air. */
function parametersOf({ formula, stages }: DoughRoute, spread: KitchenSpread): Parameter[] {
  const { strengthW, strengthOffBy } = flourLimits(formula.flours);
  return [
    // Weighing and the yeast's own strength act alike: one factor.
    { name: 'yeast', sd: Math.hypot(spread.dose, spread.yeastActivity) },
    {
      name: 'endurance',
      sd: Math.hypot(spread.endurance, strengthOffBy / Math.max(20, strengthW - 100)),
    },
    ...stages.map((_, i) => ({ name: `place ${i}`, sd: spread.placeC })),
  ];
}

/** A route with its parameters at some values. */
function movedRoute(
  route: DoughRoute,
  [yeast = 0, endurance = 0, ...places]: readonly number[],
): DoughRoute {
  return {
    ...route,
    yeastActivity: (route.yeastActivity ?? 1) * Math.exp(yeast),
    endurance: (route.endurance ?? 1) * Math.exp(endurance),
    stages: route.stages.map((stage, i) => ({
      ...stage,
      airTempC: stage.airTempC + (places[i] ?? 0),
    })),
  };
}

type Ready = Extract<ReadyWindow, { kind: 'ready' }>;

function readyWindow(route: DoughRoute, target: Target): Ready | null {
  const way = simulate(route, { target, stepMin: STEP_MIN });
  return way.ok && way.value.window.kind === 'ready' ? way.value.window : null;
}

/**
 * Quantiles of a window over what its parameters may be: each direction of their covariance is gone along one standard
 * deviation either way; moves add up in squares, each side for itself (Julier and Uhlmann 1997).
 */
function windowOdds(
  route: DoughRoute,
  target: Target,
  values: readonly number[],
  covariance: readonly (readonly number[])[],
): WindowOdds | null {
  const middle = readyWindow(movedRoute(route, values), target);
  if (!middle) return null;
  const lower = cholesky(covariance);
  const pairs = values.map((_, k) =>
    [-1, 1].map((sign) =>
      readyWindow(
        movedRoute(
          route,
          values.map((value, i) => value + sign * ((lower[i] as number[])[k] ?? 0)),
        ),
        target,
      ),
    ),
  );
  const oddsOf = (edge: 'earliestHour' | 'peakHour' | 'latestHour'): HourOdds => {
    let [earlier, later] = [0, 0];
    for (const pair of pairs) {
      const moves = pair.flatMap((window) => (window ? [window[edge] - middle[edge]] : []));
      earlier += Math.min(0, ...moves) ** 2;
      later += Math.max(0, ...moves) ** 2;
    }
    return {
      p10: middle[edge] - TO_P90 * Math.sqrt(earlier),
      p50: middle[edge],
      p90: middle[edge] + TO_P90 * Math.sqrt(later),
    };
  };
  return { first: oddsOf('earliestHour'), peak: oddsOf('peakHour'), last: oddsOf('latestHour') };
}
