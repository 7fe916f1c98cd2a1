import { lookBetween, simulate, type DoughRoute } from '../../ferment';
import {
  closeMinOf,
  MOMENT_MIN,
  type Evening,
  type EveningDough,
  type QuickDough,
  type Water,
} from './evening';
import { oddsByQuarter, STEP_MIN, type TrayCourse } from './trayCourse';

/*
 * Dough that is mixed during an evening for the same evening: the house's formula with as much yeast as lets it open
 * in two to four hours, a short rest, balls.
 */

/** Trays that come of it. */
export const QUICK_TRAYS = 3;
/** Of flour, as fresh yeast. A starting value. */
const QUICK_YEAST_PERCENT = 1;
/** Off the mixer, by its water, °C. */
const QUICK_TEMP_C = { cool: 20, usual: 25, warm: 29 } as const satisfies Record<Water, number>;
/** From flour in the bowl to dough out of it, resting, and being divided. */
const MIX_MIN = 15;
const REST_MIN = 30;
const HOUR_MIN = 60;
/** Of hands for all of it, on a usual evening. */
export const QUICK_MIN = 40;

const routeOfQuick = (
  { route: { headstarts: _none, ...route } }: EveningDough,
  { bench }: Evening,
  water: Water,
  hours: number,
): DoughRoute => ({
  ...route,
  formula: { ...route.formula, yeast: { form: 'fresh', percent: QUICK_YEAST_PERCENT } },
  doughTempC: QUICK_TEMP_C[water],
  stages: [
    { kind: 'bulk', hours: REST_MIN / HOUR_MIN, airTempC: bench.airTempC, container: 'tub' },
    { kind: 'ball', hours, airTempC: bench.airTempC, container: bench.container },
  ],
});

/**
 * Trays of dough that is mixed beside.
 *
 * @returns none where there is no mixer
 * @throws RangeError for a dough that no kitchen could make
 */
export function quickTrays(
  evening: Evening,
  dough: EveningDough,
  { moment, water }: QuickDough,
): TrayCourse[] {
  if (!evening.hasMixer) return [];
  const mixedMin = moment * MOMENT_MIN + MIX_MIN;
  const balledMin = mixedMin + REST_MIN;
  const closeMin = closeMinOf(evening, dough);
  const hours = Math.max(0, closeMin - balledMin) / HOUR_MIN;
  const told = simulate(routeOfQuick(dough, evening, water, hours), {
    target: dough.target,
    stepMin: STEP_MIN,
    beyondH: 0.5,
  });
  if (!told.ok) throw new RangeError(JSON.stringify(told.reasons));
  const odds = oddsByQuarter(evening, dough, (minute) =>
    minute < balledMin ? null : lookBetween(told.value.course, (minute - mixedMin) / HOUR_MIN),
  );
  const minutes = (evening.hands * QUICK_MIN) / QUICK_TRAYS;
  return Array.from({ length: QUICK_TRAYS }, () => ({
    balls: dough.ballsPerTray,
    outMin: balledMin,
    odds,
    isKept: false,
    minutes,
    goneMin: Infinity,
  }));
}
