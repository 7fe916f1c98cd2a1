import { STARTING } from './constants';
import { advance, doughTraits, moveTo, newDough, riseOf, shapeDough, type Dough } from './dough';
import { shapeOfStage, shapingAt, type DoughRoute } from './route';

/** Looks at a dough; false stops the clock. */
export type Visit = (dough: Dough, hour: number, stage: number) => boolean | void;

/**
 * Lets a dough go its way step by step, and on past the last stage in its place.
 *
 * @param route a route without faults
 * @param stepMin minutes per step
 * @param beyondH hours to go on after the last stage
 * @param visit called as each stage begins and after each step
 * @returns the hour at which each stage ended, as far as it came
 */
export function followDough(
  route: DoughRoute,
  stepMin: number,
  beyondH: number,
  visit: Visit,
): number[] {
  const dough = startDough(route);
  const stepH = stepMin / 60;
  const ends: number[] = [];
  const last = route.stages.length - 1;
  let hour = 0;
  for (const [index, stage] of route.stages.entries()) {
    const shaping = shapingAt(route.stages, index);
    if (shaping) shapeDough(dough, shaping);
    moveTo(dough, shapeOfStage(stage, route.ballWeightG), stage.container, stage.airTempC);
    if (visit(dough, hour, index) === false) return ends;
    const startHour = hour;
    const plannedEnd = startHour + stage.hours;
    const endHour = plannedEnd + (index === last ? beyondH : 0);
    for (let step = 1; hour < endHour; step += 1) {
      const isBeyond = hour >= plannedEnd;
      const bound = isBeyond ? endHour : plannedEnd;
      const nextHour = Math.min(bound, startHour + step * stepH);
      advance(dough, nextHour - hour, stage.airTempC);
      hour = nextHour;
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

/** The dough as it comes off the mixer, with what a pre-ferment or old dough brings. */
export function startDough(route: DoughRoute): Dough {
  const { formula, headstart, doughTempC, constants = STARTING } = route;
  const traits = doughTraits(formula, route.yeastActivity, route.yeastConversion, constants);
  const [first] = route.stages;
  if (!first) throw new RangeError('a route needs a stage');
  const shape = shapeOfStage(first, route.ballWeightG);
  if (!headstart) return newDough(traits, doughTempC, shape, first.container, constants);
  const broughtG = headstart.flourShare * headstart.yeastGPerKg;
  const enriched = { ...traits, yeastGPerKg: traits.yeastGPerKg + broughtG };
  const dough = newDough(enriched, doughTempC, shape, first.container, constants);
  dough.maturityH.fill(headstart.flourShare * headstart.maturityH);
  dough.meanMaturityH = headstart.flourShare * headstart.maturityH;
  return dough;
}
