import { freshEquivalentPercent } from '../formula';
import { cannot, done, type Outcome } from '../outcome';
import { STARTING } from './constants';
import {
  advance,
  coreTempOf,
  doughTraits,
  maturityOf,
  meanTempOf,
  moveTo,
  newDough,
  riseOf,
  shapeDough,
  type Dough,
} from './dough';
import { routeFaults, shapeOfStage, shapingAt, type DoughRoute, type RouteFault } from './route';
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
  /** One point a minute, and one at each stage's end; goes on past the last stage as it was. */
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
const BEYOND_H = 36;

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

  const dough = startDough(route);
  const { mostMaturityH } = dough.traits.limits;
  const stepH = stepMin / 60;
  const points: DoughPoint[] = [];
  const ends: StageEnd[] = [];
  let hour = 0;
  const note = (stage: number) => {
    const [rise, maturityH, coreTempC] = [riseOf(dough), maturityOf(dough), coreTempOf(dough)];
    const state = stateOf(rise, maturityH, mostMaturityH, coreTempC, target);
    const meanTempC = meanTempOf(dough);
    points.push({ hour, stage, coreTempC, meanTempC, rise, maturityH, state });
  };

  route.stages.forEach((stage, index) => {
    const shaping = shapingAt(route.stages, index);
    if (shaping) shapeDough(dough, shaping);
    moveTo(dough, shapeOfStage(stage, route.ballWeightG), stage.container, stage.airTempC);
    note(index);
    const startHour = hour;
    const endHour = startHour + stage.hours;
    let step = 0;
    while (hour < endHour) {
      step += 1;
      const nextHour = Math.min(endHour, startHour + step * stepH);
      advance(dough, nextHour - hour, stage.airTempC);
      hour = nextHour;
      note(index);
      if (stage.untilRise !== undefined && riseOf(dough) >= stage.untilRise) break;
    }
    const { rise, coreTempC, maturityH, state } = points.at(-1) as DoughPoint;
    ends.push({ kind: stage.kind, endHour: hour, rise, coreTempC, maturityH, state });
  });

  const endHour = hour;
  const last = route.stages.length - 1;
  const airC = route.stages[last]?.airTempC ?? 20;
  for (let step = 1; step * stepH <= beyondH; step += 1) {
    advance(dough, stepH, airC);
    hour = endHour + step * stepH;
    note(last);
    if (points.at(-1)?.state === 'spent') break;
  }
  return done({
    points,
    stages: ends,
    endHour,
    window: readWindow(points, target, mostMaturityH),
    mostMaturityH,
  });
}

/** The dough as it comes off the mixer, with what a pre-ferment or old dough brings. */
export function startDough(route: DoughRoute): Dough {
  const { formula, headstart, doughTempC, constants = STARTING } = route;
  const traits = doughTraits(formula, route.yeastActivity, route.yeastConversion, constants);
  const [first] = route.stages;
  if (!first) throw new RangeError('a route needs a stage');
  const shape = shapeOfStage(first, route.ballWeightG);
  if (!headstart) return newDough(traits, doughTempC, shape, first.container, constants);
  const grownG = headstart.flourShare * headstart.yeastGPerKg;
  const enriched = { ...traits, yeastGPerKg: traits.yeastGPerKg + grownG };
  const dough = newDough(enriched, doughTempC, shape, first.container, constants);
  dough.maturityH.fill(headstart.flourShare * headstart.maturityH);
  return dough;
}
