import {
  deratingShare,
  effective,
  methodTime,
  minutesInBowl,
  routeMixedIn,
  type Bowl,
  type Route,
} from '@calm/core';
import type { FormulaContent, House, HouseBook, Mixer } from '@calm/contract';

/**
 * A mixer full of a formula's dough: what a method's minutes are told for.
 *
 * @param settings the house's: how much stiff dough a mixer may take
 */
export function fullBowl(
  { formula }: Pick<FormulaContent, 'formula'>,
  { kind, maxDoughKg }: Mixer,
  { derating }: Pick<House['settings'], 'derating'>,
): Bowl {
  const { hydrationPercent } = effective(formula);
  const doughKg = maxDoughKg * deratingShare(hydrationPercent, derating);
  return { kind, doughKg, maxDoughKg: doughKg, hydrationPercent };
}

/**
 * Minutes of one load by a formula's method in a mixer, told for the formula's own.
 *
 * @returns null where the method tells no minutes
 */
export function methodMinutesIn(
  { house, mixers }: HouseBook,
  record: Pick<FormulaContent, 'formula' | 'method' | 'mixerId'>,
  mixer: Mixer,
): number | null {
  const time = methodTime(record.method.steps);
  const own = mixers.find(({ id }) => id === record.mixerId) ?? mixer;
  if (!time) return null;
  const { settings } = house;
  return minutesInBowl(time, fullBowl(record, own, settings), fullBowl(record, mixer, settings));
}

/** Minutes that a route gives each load; 0 where it has none. */
export const routeLoadMin = (route: Route): number =>
  route.reduce(
    (sum, stage) =>
      stage.kind === 'work' && stage.key === 'mix' ? sum + (stage.rate.perLoadMin ?? 0) : sum,
    0,
  );

/**
 * One clock: a load stands in its mixer as long as the route says, and never shorter than its method does.
 *
 * @param mixer the one that it is worked in
 */
export function routeInMixer(
  book: HouseBook,
  record: Pick<FormulaContent, 'formula' | 'method' | 'mixerId'>,
  route: Route,
  mixer: Mixer,
): Route {
  const minutes = methodMinutesIn(book, record, mixer);
  return minutes !== null && minutes > routeLoadMin(route) ? routeMixedIn(route, minutes) : route;
}
