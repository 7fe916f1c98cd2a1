import { freshEquivalentPercent } from '../formula';
import { cannot, done, type Outcome } from '../outcome';
import { coreTempOf, maturityOf, meanTempOf, riseOf } from './dough';
import { flourLimits } from './flour';
import { followDough } from './follow';
import { routeFaults, type DoughRoute, type RouteFault } from './route';
import { STANDARD_TARGET, stateOf, type DoughState, type Target } from './state';
import { readWindow, type ReadyWindow } from './window';

/** Dough at one moment. Hours count from the mixer. */
export interface DoughPoint {
  readonly hour: number;
  /** Index of the stage it is in. */
  readonly stage: number;
  readonly coreTempC: number;
  readonly meanTempC: number;
  readonly rise: number;
  readonly maturityH: number;
  readonly state: DoughState;
}

/** Dough as a stage ends. */
export interface StageEnd {
  readonly kind: 'bulk' | 'ball';
  readonly endHour: number;
  readonly rise: number;
  readonly coreTempC: number;
  readonly maturityH: number;
  readonly state: DoughState;
}

/** A dough's whole way. */
export interface Simulation {
  /** One point a step, and one as each stage begins; goes on past the last stage as it was. */
  readonly points: readonly DoughPoint[];
  readonly stages: readonly StageEnd[];
  /** Hour at which the last stage ends. */
  readonly endHour: number;
  readonly window: ReadyWindow;
  readonly mostMaturityH: number;
}

/** How finely to simulate. */
export interface SimulateOptions {
  readonly target?: Target;
  /** Minutes per step. */
  readonly stepMin?: number;
  /** Hours to go on in the last stage's place, to find when the window closes. */
  readonly beyondH?: number;
}

/** After the last stage the dough is followed this long, to find the window's end. */
export const BEYOND_H = 36;

/**
 * Lets a dough go its way (dough-science §§ 4, 5): heat, gas, growth, ripening, shaping, states.
 *
 * @param route formula, temperatures °C, stages in hours
 * @returns the way with its window, or every fault of the route; no NaN either way
 */
export function simulate(
  route: DoughRoute,
  { target = STANDARD_TARGET, stepMin = 1, beyondH = BEYOND_H }: SimulateOptions = {},
): Outcome<Simulation, RouteFault> {
  const { formula, yeastActivity, yeastConversion } = route;
  const freshPercent = freshEquivalentPercent(formula.yeast, yeastActivity, yeastConversion);
  const faults = routeFaults(route, freshPercent);
  if (faults.length > 0) return cannot(...faults);

  const { mostMaturityH } = flourLimits(formula.flours);
  const last = route.stages.length - 1;
  const plannedH = route.stages.reduce((sum, stage) => sum + stage.hours, 0);
  const points: DoughPoint[] = [];
  const endHours = followDough(route, stepMin, beyondH, (dough, hour, stage) => {
    const [rise, maturityH, coreTempC] = [riseOf(dough), maturityOf(dough), coreTempOf(dough)];
    const state = stateOf(rise, maturityH, mostMaturityH, coreTempC, target);
    points.push({ hour, stage, coreTempC, meanTempC: meanTempOf(dough), rise, maturityH, state });
    return !(stage === last && state === 'spent' && hour > plannedH);
  });
  const ends = route.stages.map(({ kind }, index): StageEnd => {
    const endHour = endHours[index] ?? points.at(-1)?.hour ?? 0;
    const { rise, coreTempC, maturityH, state } = endOf(points, index, endHour);
    return { kind, endHour, rise, coreTempC, maturityH, state };
  });
  const endHour = Math.min(ends.at(-1)?.endHour ?? 0, plannedH);
  return done({
    points,
    stages: ends,
    endHour,
    window: readWindow(points, target, mostMaturityH, last),
    mostMaturityH,
  });
}

/** The last point of a stage that is not past its end. */
function endOf(points: readonly DoughPoint[], stage: number, endHour: number): DoughPoint {
  const index = points.findLastIndex((p) => p.stage === stage && p.hour <= endHour + 1e-9);
  return (points[index] ?? points.at(-1)) as DoughPoint;
}
