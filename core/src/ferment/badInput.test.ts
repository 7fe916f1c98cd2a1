import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { findDose, simulate, solveDose, windowSpread, type DoughRoute } from './index';
import { USUAL_ROOM } from '../cold/room/room';
import { USUAL_SETTING } from '../cold/room/scenario';
import { simulateRoomsAndLots } from '../cold/system/simulateRoomsAndLots';
import { CONTAINERS } from '../formula/route';

/** Numbers as they come from broken fields: fine ones, wrong ones, and none. */
const anyNumber = (least: number, most: number) =>
  fc.oneof(
    { weight: 12, arbitrary: fc.double({ min: least, max: most, noNaN: true }) },
    { weight: 1, arbitrary: fc.constantFrom(NaN, Infinity, -Infinity, -1, 0, 1e9, -0) },
  );

const anyRoute: fc.Arbitrary<DoughRoute> = fc.record({
  formula: fc.record({
    flours: fc.array(
      fc.record({
        name: fc.constant('white'),
        percent: anyNumber(50, 100),
        strengthW: anyNumber(150, 400),
      }),
      { minLength: 0, maxLength: 2 },
    ),
    waterPercent: anyNumber(45, 90),
    saltPercent: anyNumber(0, 4),
    sugarPercent: anyNumber(0, 20),
    yeast: fc.record({
      form: fc.constantFrom('fresh' as const, 'active-dry' as const, 'instant' as const),
      percent: anyNumber(0, 2),
    }),
  }),
  ballWeightG: anyNumber(100, 1000),
  doughTempC: anyNumber(15, 35),
  yeastActivity: anyNumber(0.5, 1.2),
  stages: fc.array(
    fc.record({
      kind: fc.constantFrom('bulk' as const, 'ball' as const),
      hours: anyNumber(0, 30),
      airTempC: anyNumber(0, 40),
      container: fc.constantFrom(...CONTAINERS),
      massKg: anyNumber(0.5, 40),
    }),
    { minLength: 0, maxLength: 4 },
  ),
});

/** Every number in a value, however deep. */
function numbersIn(value: unknown): number[] {
  if (typeof value === 'number') return [value];
  if (ArrayBuffer.isView(value)) return [...(value as Float64Array)];
  return typeof value === 'object' && value !== null
    ? Object.values(value as object).flatMap(numbersIn)
    : [];
}
const isFinite = (value: unknown) => numbersIn(value).every(Number.isFinite);

describe('whatever is put in', () => {
  it('no NaN leaves the simulation: it is a way of finite numbers, or says what is wrong', () => {
    let [fine, wrong] = [0, 0];
    fc.assert(
      fc.property(anyRoute, (route) => {
        const way = simulate(route, { stepMin: 10, beyondH: 6 });
        if (way.ok) {
          fine += 1;
          const { course, stages, window, endHour } = way.value;
          expect(isFinite([course, stages, window, endHour])).toBe(true);
        } else {
          wrong += 1;
          expect(way.reasons.length).toBeGreaterThan(0);
        }
      }),
      { numRuns: 400 },
    );
    expect(Math.min(fine, wrong)).toBeGreaterThan(40);
  });

  it('nor a dose, nor its way out, nor the spread of a window', () => {
    fc.assert(
      fc.property(anyRoute, anyNumber(0, 40), (route, peakHour) => {
        const dose = findDose({ route, peakHour });
        if (dose.ok) expect(isFinite(dose.value)).toBe(true);
        else expect(dose.reasons.length).toBeGreaterThan(0);
        const spread = windowSpread(route);
        if (spread) expect(isFinite(spread)).toBe(true);
      }),
      { numRuns: 60 },
    );
  });

  it('nor a house', () => {
    fc.assert(
      fc.property(anyRoute, anyNumber(0, 10), anyNumber(1, 50), (route, startHour, doughKg) => {
        const stages = route.stages.map((stage) => ({ ...stage, room: 'walk-in' }));
        const room = {
          name: 'walk-in',
          room: USUAL_ROOM,
          setting: USUAL_SETTING,
          airC: 4,
          readings: [],
        };
        const lots = [{ name: 'a', startHour, doughKg, route: { ...route, stages } }];
        const run = simulateRoomsAndLots({ rooms: [room], lots }, { hours: 24 });
        if (run.ok) expect(isFinite([run.value.rooms, run.value.lots])).toBe(true);
        else expect(run.reasons.length).toBeGreaterThan(0);
      }),
      { numRuns: 120 },
    );
  });

  it('a peak at no hour at all is refused', () => {
    const [route] = fc.sample(
      anyRoute.filter((r) => simulate(r).ok),
      { numRuns: 1, seed: 3 },
    );
    if (!route) throw new Error('one fine route');
    const refused = solveDose({ route, peakHour: NaN });
    expect(refused).toMatchObject({
      ok: false,
      reasons: [{ kind: 'no-dose', reasons: [{ kind: 'peak-not-in-last-stage' }] }],
    });
  });
});
