import { freshEquivalentPercent } from '../../formula';
import { fail, ok, type Result } from '../../result';
import { indexAt, newCourse, pointAt, record, at, type Course, type DoughPoint } from './course';
import { isPastUse } from '../dough/dough';
import { flourLimits, holdingSteepness } from '../laws/flour';
import { simulateDough } from './simulateDough';
import { routeFaults, type DoughRoute, type RouteFault } from '../route/doughRoute';
import { STANDARD_TARGET, type DoughState, type Target } from '../dough/state';
import { readWindow, type ReadyWindow } from './window';

/** Dough as a stage ends. */
export interface StageEnd {
  readonly kind: 'bulk' | 'ball';
  readonly endHour: number;
  /** Volumes since the last shaping, and since mixing. */
  readonly rise: number;
  readonly volume: number;
  readonly coreTempC: number;
  readonly maturityH: number;
  readonly state: DoughState;
}

/** A dough's whole way. */
export interface Simulation {
  /** One moment a step, and one as each stage begins; goes on past the last stage as it was. */
  readonly course: Course;
  readonly stages: readonly StageEnd[];
  /** Hour at which the last stage ends. */
  readonly endHour: number;
  readonly window: ReadyWindow;
  /** What the dough is at each stage. */
  readonly kinds: readonly ('bulk' | 'ball')[];
  /** The flour's rule-of-thumb hours at 20 °C. */
  readonly mostMaturityH: number;
  readonly target: Target;
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
 * Lets a dough go its way (docs/dough-science.md §§ 4, 5): heat, gas, growth, ripening, shaping, states.
 *
 * @param route formula, temperatures °C, stages in hours
 * @returns the way with its window, or every fault of the route; no NaN either way
 */
export function simulate(
  route: DoughRoute,
  { target = STANDARD_TARGET, stepMin = 1, beyondH = BEYOND_H }: SimulateOptions = {},
): Result<Simulation, RouteFault> {
  const { formula, yeastActivity, yeastConversion } = route;
  const freshPercent = freshEquivalentPercent(formula.yeast, yeastActivity, yeastConversion);
  const faults = routeFaults(route, freshPercent);
  if (faults.length > 0) return fail(...faults);

  const { mostMaturityH, strengthW, strengthOffBy } = flourLimits(formula.flours);
  const last = route.stages.length - 1;
  const plannedH = route.stages.reduce((sum, stage) => sum + stage.hours, 0);
  const course = newCourse(holdingSteepness(strengthW, strengthOffBy));
  const endHours = simulateDough(route, stepMin, beyondH, (dough, hour, stage) => {
    record(course, dough, hour, stage);
    const isBeyond = stage === last && hour > plannedH;
    return !(isBeyond && isPastUse(dough, target));
  });
  const kinds = route.stages.map(({ kind }) => kind);
  const stages = route.stages.map(({ kind }, stage): StageEnd => {
    const endHour = endHours[stage] ?? at(course.hours, course.length - 1);
    const end = pointAt(course, endOf(course, stage, endHour), target, kinds);
    const { rise, volume, coreTempC, maturityH, state } = end;
    return { kind, endHour, rise, volume, coreTempC, maturityH, state };
  });
  return ok({
    course,
    stages,
    endHour: Math.min(stages.at(-1)?.endHour ?? 0, plannedH),
    window: readWindow(course, target, last),
    kinds,
    mostMaturityH,
    target,
  });
}

/** The last moment of a stage that is not past an hour: the next stage begins at that same hour. */
function endOf(course: Course, stage: number, hour: number): number {
  let i = indexAt(course, hour);
  while (i > 0 && at(course.stages, i) > stage) i -= 1;
  return i;
}

/** Every moment of a simulation as a point with its state. */
export function pointsOf({ course, target, kinds }: Simulation): DoughPoint[] {
  return Array.from({ length: course.length }, (_, i) => pointAt(course, i, target, kinds));
}
