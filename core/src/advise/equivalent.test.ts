import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { ball, bulk, leanAt, run, yard } from '../test-support/doughs';
import { equivalentMinutes } from './equivalent';

const number = (min: number, max: number) => fc.double({ min, max, noNaN: true });
const minutesOf = (...asked: Parameters<typeof equivalentMinutes>) => {
  const told = equivalentMinutes(...asked);
  if (!told.ok) throw new Error(JSON.stringify(told.reasons));
  return told.value;
};

describe('the same result at another temperature', () => {
  it('is shorter the warmer it is', () => {
    const route = { ...yard, formula: leanAt(1), doughTempC: 21, stages: [bulk(6, 21)] };
    const minutes = minutesOf(route, 0, [15, 18, 21, 24, 27]);
    expect(minutes[2]).toBeCloseTo(360, 0);
    expect(minutes).toEqual([...minutes].sort((a, b) => (b ?? 0) - (a ?? 0)));
    expect(minutes[4]).toBeLessThan(300);
  });

  it('comes to the same rise, within two percent, for any dough', () => {
    const told = { all: 0, none: 0 };
    fc.assert(
      fc.property(
        number(0.1, 2),
        number(18, 28),
        number(1, 8),
        number(16, 28),
        fc.constantFrom('bulk', 'ball', 'bulk then balls'),
        number(-5, 5),
        (yeastPercent, doughTempC, hours, airTempC, kind, warmerC) => {
          const stages = {
            bulk: [bulk(hours, airTempC, 5)],
            ball: [ball(hours, airTempC)],
            'bulk then balls': [bulk(1.5, 22, 8), ball(hours, airTempC)],
          }[kind];
          const route = { ...yard, formula: leanAt(yeastPercent), doughTempC, stages };
          const stage = stages.length - 1;
          const [minutes = null] = minutesOf(route, stage, [airTempC + warmerC]);
          told.all += 1;
          if (minutes === null) {
            told.none += 1;
            return;
          }
          const changed = stages.map((each, i) =>
            i === stage ? { ...each, hours: minutes / 60, airTempC: airTempC + warmerC } : each,
          );
          const riseOf = (way: typeof stages) =>
            run({ ...route, stages: way }, { beyondH: 0 }).stages.at(-1)?.rise ?? NaN;
          expect(riseOf(changed) / riseOf(stages)).toBeGreaterThan(0.98);
          expect(riseOf(changed) / riseOf(stages)).toBeLessThan(1.02);
        },
      ),
      { numRuns: 500, seed: 22 },
    );
    expect(told.none / told.all).toBeLessThan(0.1);
  });

  it('changes little from one degree to the next, also before a long way whose rise is at its best', () => {
    const stages = [bulk(3.77, 22, 10), ball(42, 3.5), ball(2.5, 23)];
    const route = { ...yard, formula: leanAt(0.4), doughTempC: 24, stages };
    const told = minutesOf(route, 0, [16, 17, 18, 19, 20, 21, 22, 23, 24, 26, 28, 30]);
    const known = told.flatMap((minutes) => minutes ?? []);
    expect(known.length).toBeGreaterThan(8);
    known.slice(1).forEach((minutes, i) => {
      expect(minutes).toBeLessThan(known[i] ?? 0);
      expect(minutes).toBeGreaterThan((known[i] ?? 0) * 0.75);
    });
  });

  it('is none where no time comes to the same, and no stage is none', () => {
    const route = { ...yard, formula: leanAt(2), stages: [ball(6, 28)] };
    expect(minutesOf(route, 0, [-4])).toEqual([null]);
    expect(equivalentMinutes(route, 3, [20]).ok).toBe(false);
    expect(equivalentMinutes({ ...route, doughTempC: 200 }, 0, [20]).ok).toBe(false);
  });
});
