import type { DoughRoute } from '../route/doughRoute';
import { flourLimits } from '../laws/flour';
import { simulate } from './simulate';
import { STANDARD_TARGET, type Target } from '../dough/state';
import type { ReadyWindow } from './window';

/** How far what a kitchen sets may be from what it gets; each one standard deviation. */
export interface KitchenSpread {
  /** Dose weighed against dose wanted, share. */
  readonly dose: number;
  /** Yeast against fresh yeast, share. */
  readonly yeastActivity: number;
  /** Each place's air against what is set, °C. */
  readonly placeC: number;
  /** How long a flour stands against flours of its strength, of ln. */
  readonly endurance: number;
}

/** Dough-science § 4; the flour's own spread comes with the flour. */
export const USUAL_SPREAD: KitchenSpread = {
  dose: 0.03,
  yeastActivity: 0.12,
  placeC: 1,
  endurance: 0.2,
};

/** Eight in ten times it is between these, in hours from the mixer. */
export interface HourRange {
  readonly p10: number;
  readonly p90: number;
}

/** How sure a window is. */
export interface WindowSpread {
  readonly earliestHour: HourRange;
  readonly peakHour: HourRange;
  readonly latestHour: HourRange;
  /** Whether some single error of one standard deviation leaves the dough never ready. */
  readonly mayMiss: boolean;
}

type Edge = 'earliestHour' | 'peakHour' | 'latestHour';
const EDGES: readonly Edge[] = ['earliestHour', 'peakHour', 'latestHour'];
type Ready = Extract<ReadyWindow, { kind: 'ready' }>;

/** Standard deviations from the middle to P90. */
const TO_P90 = 1.2816;
/** Moves of a window do not need finer steps, min. */
const STEP_MIN = 5;

/**
 * P10–P90 of a ready window. Sigma points: each of what is uncertain is moved up and down by one
 * standard deviation, one at a time; moves that make an edge later and earlier are added up in
 * squares, each side for itself, so that a lopsided window stays lopsided.
 * Method: unscented (sigma point) propagation, Julier & Uhlmann 1997, one pair of points per input.
 *
 * @returns the ranges, or null where the route is never ready or not fit to simulate
 */
export function windowSpread(
  route: DoughRoute,
  target: Target = STANDARD_TARGET,
  spread: KitchenSpread = USUAL_SPREAD,
): WindowSpread | null {
  const middle = readyWindow(route, target);
  if (!middle) return null;
  const pairs = sigmaRoutes(route, spread).map((pair) =>
    pair.map((moved) => readyWindow(moved, target)),
  );
  const rangeOf = (edge: Edge): HourRange => {
    let [earlier, later] = [0, 0];
    for (const pair of pairs) {
      const moves = pair.flatMap((window) => (window ? [window[edge] - middle[edge]] : []));
      earlier += Math.min(0, ...moves) ** 2;
      later += Math.max(0, ...moves) ** 2;
    }
    return {
      p10: middle[edge] - TO_P90 * Math.sqrt(earlier),
      p90: middle[edge] + TO_P90 * Math.sqrt(later),
    };
  };
  const [earliestHour, peakHour, latestHour] = EDGES.map(rangeOf) as [
    HourRange,
    HourRange,
    HourRange,
  ];
  const mayMiss = pairs.some((pair) => pair.some((window) => window === null));
  return { earliestHour, peakHour, latestHour, mayMiss };
}

function readyWindow(route: DoughRoute, target: Target): Ready | null {
  const way = simulate(route, { target, stepMin: STEP_MIN });
  return way.ok && way.value.window.kind === 'ready' ? way.value.window : null;
}

/** The route with each uncertain thing one standard deviation less and more. */
function sigmaRoutes(route: DoughRoute, spread: KitchenSpread): DoughRoute[][] {
  const both = (moved: (sign: number) => DoughRoute) => [moved(-1), moved(1)];
  // Weighing and the yeast's own strength act alike: one factor.
  const yeast = Math.hypot(spread.dose, spread.yeastActivity);
  const { strengthW, strengthOffBy } = flourLimits(route.formula.flours);
  return [
    both((sign) => ({ ...route, yeastActivity: (route.yeastActivity ?? 1) * (1 + sign * yeast) })),
    both((sign) => withStrength(route, strengthW + sign * strengthOffBy)),
    both((sign) => ({
      ...route,
      endurance: (route.endurance ?? 1) * Math.exp(sign * spread.endurance),
    })),
    ...route.stages.map((_, stage) =>
      both((sign) => ({
        ...route,
        stages: route.stages.map((s, i) =>
          i === stage ? { ...s, airTempC: s.airTempC + sign * spread.placeC } : s,
        ),
      })),
    ),
  ];
}

/** The route with flour of one strength. */
export function withStrength(route: DoughRoute, strengthW: number): DoughRoute {
  const flours = route.formula.flours.map((flour) => ({ ...flour, strengthW }));
  return { ...route, formula: { ...route.formula, flours } };
}
