import { STARTING } from '../laws/constants';
import { ferment, mayWait, passHeat } from '../dough/advance';
import { coreTempOf, moveTo, newDough, riseOf, shapeDough, type Dough } from '../dough/dough';
import { shapeOfStage, shapingAt, type DoughRoute, type Headstart } from '../route/doughRoute';
import { doughTraits } from '../laws/traits';

/** Dough that changes slowly takes steps this many times as long, … */
const RESTING_STEPS = 5;
/** … up to this, min. */
const MOST_RESTING_STEP_MIN = 15;
/** As warm as its air, but for the warmth of its own yeast, °C. */
const AT_REST_C = 0.2;

const { abs } = Math;

/** Looks at a dough; false stops the clock. */
export type StageVisitor = (dough: Dough, hour: number, stage: number) => boolean | void;

/**
 * Lets a dough go its way step by step, and on past the last stage in its place.
 *
 * @param route a route without faults
 * @param stepMin minutes per step of heat while its temperature changes. Dough of one temperature
 *   ferments in steps five times as long; as warm as its air, its heat does too
 * @param beyondH hours to go on after the last stage
 * @param visit called as each stage begins and each time the dough has fermented
 * @returns the hour at which each stage ended, as far as it came
 */
export function simulateDough(
  route: DoughRoute,
  stepMin: number,
  beyondH: number,
  visit: StageVisitor,
): number[] {
  const dough = startDough(route);
  const stepH = stepMin / 60;
  const restingStepH =
    Math.max(stepMin, Math.min(MOST_RESTING_STEP_MIN, RESTING_STEPS * stepMin)) / 60;
  const ends: number[] = [];
  const last = route.stages.length - 1;
  let hour = 0;
  for (const [index, stage] of route.stages.entries()) {
    enterStage(dough, route, index, stage.airTempC);
    if (visit(dough, hour, index) === false) return ends;
    const plannedEnd = hour + stage.hours;
    const endHour = plannedEnd + (index === last ? beyondH : 0);
    while (hour < endHour) {
      const bound = hour < plannedEnd ? plannedEnd : endHour;
      const wholeH = isAtRest(dough) ? restingStepH : stepH;
      const isCut = hour + wholeH > bound;
      passHeat(dough, isCut ? bound - hour : wholeH, stage.airTempC);
      hour = isCut ? bound : hour + wholeH;
      if (hour < bound && stage.untilRise === undefined && mayWait(dough, restingStepH)) continue;
      ferment(dough);
      if (visit(dough, hour, index) === false) {
        return hour < plannedEnd ? ends : [...ends, plannedEnd];
      }
      const isRisen = stage.untilRise !== undefined && riseOf(dough) >= stage.untilRise;
      if (isRisen && index < last) break;
    }
    ends.push(index === last ? Math.min(hour, plannedEnd) : hour);
  }
  return ends;
}

/** What hands do to the dough as a stage begins: shape it where the route says so, and put it there. */
export function enterStage(dough: Dough, route: DoughRoute, index: number, airC: number): void {
  const stage = route.stages[index];
  if (!stage) return;
  const shaping = shapingAt(route.stages, index);
  if (shaping) shapeDough(dough, shaping);
  moveTo(dough, shapeOfStage(stage, route.ballWeightG), stage.container, airC);
}

/** The dough as it comes off the mixer, with what a pre-ferment or old dough brings. */
export function startDough(route: DoughRoute): Dough {
  const {
    formula,
    headstarts = [],
    doughTempC,
    constants = STARTING,
    films,
    altitudeM,
    endurance,
  } = route;
  const extras = {
    ...(route.yeastActivity !== undefined && { activity: route.yeastActivity }),
    ...(route.maltPercent !== undefined && { maltPercent: route.maltPercent }),
    ...(route.yeastConversion !== undefined && { conversion: route.yeastConversion }),
  };
  const traits = doughTraits(formula, extras, constants);
  const [first] = route.stages;
  if (!first) throw new RangeError('a route needs a stage');
  const shape = shapeOfStage(first, route.ballWeightG);
  const brought = (of: (start: Headstart) => number) =>
    headstarts.reduce((sum, start) => sum + start.flourShare * of(start), 0);
  const awakeG = brought((start) => start.yeastGPerKg);
  const yeastGPerKg = traits.yeastGPerKg + awakeG;
  const own = { ...traits, yeastGPerKg };
  const dough = newDough(own, doughTempC, shape, first.container, {
    constants,
    awakeShare: yeastGPerKg > 0 ? awakeG / yeastGPerKg : 0,
    ...(films && { films }),
    ...(altitudeM !== undefined && { altitudeM }),
    ...(endurance !== undefined && { endurance }),
  });
  dough.maturityH = brought((start) => start.maturityH);
  dough.ageH = dough.maturityH;
  return dough;
}

function isAtRest(dough: Dough): boolean {
  return (
    abs(dough.meanC - dough.airC) < AT_REST_C && abs(coreTempOf(dough) - dough.airC) < AT_REST_C
  );
}
