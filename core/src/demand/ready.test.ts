import { normalQuantile } from '../numerics';
import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import {
  ballsToHave,
  carryOver,
  demandQuantile,
  demandShareBelow,
  enoughShare,
  goneBy,
  readyPoint,
  runsOutAt,
  shoppingList,
  usageCurve,
  type Asking,
  type MadeBalls,
} from './index';

const spread = { cv: 0.2 };
const mean = fc.double({ min: 3, max: 500, noNaN: true });
const cv = fc.double({ min: 0, max: 0.5, noNaN: true });

describe('quantiles of what may come', () => {
  it('of the normal are those in any table', () => {
    // Abramowitz and Stegun, table 26.1.
    for (const [share, z] of [
      [0.5, 0],
      [0.8413447, 1],
      [0.9, 1.2815516],
      [0.975, 1.959964],
      [0.01, -2.3263479],
    ] as const) {
      expect(normalQuantile(share)).toBeCloseTo(z, 2.9);
    }
    expect(() => normalQuantile(1)).toThrow(RangeError);
  });

  it('average to the mean, and scatter as they should', () => {
    fc.assert(
      fc.property(mean, cv, (m, c) => {
        const values = Array.from({ length: 400 }, (_, i) =>
          demandQuantile(m, { cv: c }, (i + 0.5) / 400),
        );
        const average = values.reduce((a, b) => a + b, 0) / 400;
        const variance = values.reduce((sum, v) => sum + (v - average) ** 2, 0) / 400;
        expect(Math.abs(average / m - 1)).toBeLessThan(0.02);
        expect(Math.abs(variance / (m + (c * m) ** 2) - 1)).toBeLessThan(0.08);
      }),
    );
  });

  it('turn round', () => {
    fc.assert(
      fc.property(mean, cv, fc.double({ min: 0.02, max: 0.98, noNaN: true }), (m, c, share) => {
        const balls = demandQuantile(m, { cv: c }, share);
        fc.pre(balls > 0);
        expect(demandShareBelow(m, { cv: c }, balls)).toBeCloseTo(share, 3);
      }),
    );
    expect([demandQuantile(0, spread, 0.9), demandShareBelow(0, spread, 0)]).toEqual([0, 1]);
  });
});

describe('how many to have ready', () => {
  it('is the share that a missing ball and a left one are worth', () => {
    expect(enoughShare({ short: 8, left: 2 })).toBe(0.8);
    expect(enoughShare({ short: 0, left: 5 })).toBe(0.005);
    expect(enoughShare({ short: 3, left: 7 })).toBeCloseTo(0.3, 9);
    expect(enoughShare({ short: 1000, left: 0 })).toBe(0.995);
    expect(enoughShare({ short: 0, left: 0 })).toBe(0.5);
  });

  it('costs least there: no other number is cheaper', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 20, max: 300, noNaN: true }),
        fc.double({ min: 1, max: 12, noNaN: true }),
        fc.integer({ min: -40, max: 40 }),
        (m, short, by) => {
          const serviceLevel = { short, left: 1 };
          const best = ballsToHave(m, spread, enoughShare(serviceLevel));
          const cost = (balls: number) => {
            const { shortBalls, leftBalls } = readyPoint(m, spread, balls);
            return short * shortBalls + leftBalls;
          };
          expect(cost(best)).toBeLessThanOrEqual(cost(Math.max(0, best + by)) * 1.01 + 0.05);
        },
      ),
      { numRuns: 50 },
    );
  });

  it('leaves fewer and misses more as it falls', () => {
    const [few, many] = [readyPoint(100, spread, 80), readyPoint(100, spread, 130)];
    expect(few.shortBalls).toBeGreaterThan(many.shortBalls);
    expect(few.leftBalls).toBeLessThan(many.leftBalls);
    expect(few.enough).toBeLessThan(many.enough);
    expect(many.leftBalls - many.shortBalls).toBeCloseTo(30, -0.3);
  });
});

describe('the usage curve', () => {
  const evening = [
    { minute: -5, balls: 10 },
    { minute: 20, balls: 40 },
    { minute: 65, balls: 30 },
    { minute: 400, balls: 20 },
  ];

  it('sums to one, even without a sale, and puts the late ones at the end', () => {
    const curve = usageCurve(evening, 120);
    expect(curve).toHaveLength(8);
    expect(curve.reduce((a, b) => a + b, 0)).toBeCloseTo(1, 12);
    expect(curve[7]).toBeGreaterThan(curve[3] ?? 1);
    expect(usageCurve([], 50)).toEqual([0.25, 0.25, 0.25, 0.25]);
    expect(() => usageCurve([], 0)).toThrow(RangeError);
  });

  it('does not end early because some evenings ran out', () => {
    // Evenings that go alike: the late third of them ran out half way.
    const truth = [1, 2, 3, 4, 4, 3, 2, 1];
    const all = truth.reduce((a, b) => a + b, 0);
    const evening = (balls: number, untilQuarter = truth.length) =>
      truth
        .slice(0, untilQuarter)
        .map((share, i) => ({ minute: i * 15, balls: (balls * share) / all }));
    const whole = Array.from({ length: 10 }, () => evening(100)).flat();
    const cut = Array.from({ length: 10 }, () => evening(140, 4)).flat();
    const soldBy4 = (140 * (1 + 2 + 3 + 4)) / all;
    const ranOut = Array.from({ length: 10 }, () => ({ atMin: 60, balls: soldBy4 }));
    const lateShare = (curve: readonly number[]) => curve.slice(4).reduce((a, b) => a + b, 0);
    expect(lateShare(usageCurve([...whole, ...cut], 120))).toBeLessThan(0.35);
    expect(lateShare(usageCurve([...whole, ...cut], 120, ranOut))).toBeCloseTo(0.5, 2);
  });

  it('tells when balls run out', () => {
    const even = usageCurve([], 120);
    expect(goneBy(even, 60)).toBeCloseTo(0.5, 12);
    expect(runsOutAt(even, 50, 100)).toBeCloseTo(60, 9);
    expect(runsOutAt(even, 100, 100)).toBeNull();
    expect(runsOutAt(even, 0, 100)).toBe(0);
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 99 }), (have) => {
        const curve = usageCurve(evening, 120);
        const minute = runsOutAt(curve, have, 100) ?? NaN;
        expect(goneBy(curve, minute) * 100).toBeCloseTo(have, 6);
      }),
    );
  });
});

describe('what is made already', () => {
  const HOUR = 3_600_000;
  const even = usageCurve([], 240);
  const service = (startH: number, wanted: number): Asking => ({
    startMs: startH * HOUR,
    endMs: (startH + 4) * HOUR,
    wanted,
    curve: even,
  });
  const lot = (lotCode: string, count: number, fromH: number, toH: number, madeH = fromH) => ({
    lotCode,
    count,
    madeMs: madeH * HOUR,
    window: () => ({ fromMs: fromH * HOUR, toMs: toH * HOUR }),
  });

  it('goes oldest first, to the first service that can open it', () => {
    const { services, unused } = carryOver(
      [lot('B', 80, 0, 100, 2), lot('A', 50, 0, 100, 1)],
      [service(10, 60), service(20, 100)],
    );
    expect(services).toEqual([
      {
        given: [
          { lotCode: 'A', count: 50 },
          { lotCode: 'B', count: 10 },
        ],
        toMake: 0,
      },
      { given: [{ lotCode: 'B', count: 70 }], toMake: 30 },
    ]);
    expect(unused).toEqual([]);
  });

  it('serves only as far as its window reaches, and what nobody can use is told', () => {
    const { services, unused } = carryOver(
      [lot('late', 100, 12, 30), lot('gone', 20, 0, 9)],
      [service(10, 60)],
    );
    expect(services[0]).toEqual({ given: [{ lotCode: 'late', count: 30 }], toMake: 30 });
    expect(unused).toEqual([
      { lotCode: 'gone', count: 20 },
      { lotCode: 'late', count: 70 },
    ]);
  });

  it('opens later than it was made for only where it is pulled for it', () => {
    const cold: MadeBalls = {
      ...lot('cold', 30, 0, 0),
      window: (at) => (at === 1 ? { fromMs: 0, toMs: 99 * HOUR } : null),
    };
    const { services } = carryOver([cold], [service(10, 60), service(20, 60)]);
    expect(services.map(({ toMake }) => toMake)).toEqual([60, 30]);
  });

  it('loses and invents no ball', () => {
    const made = fc.record({
      lotCode: fc.string({ minLength: 1, maxLength: 3 }),
      count: fc.integer({ min: 0, max: 200 }),
      from: fc.integer({ min: 0, max: 40 }),
      length: fc.integer({ min: 0, max: 20 }),
    });
    fc.assert(
      fc.property(
        fc.array(made, { maxLength: 8 }),
        fc.array(fc.integer({ min: 0, max: 200 }), { maxLength: 6 }),
        (lots, wants) => {
          const balls: MadeBalls[] = lots.map(({ lotCode, count, from, length }) =>
            lot(lotCode, count, from, from + length),
          );
          const asking = wants.map((wanted, i) => service(i * 7, wanted));
          const { services, unused } = carryOver(balls, asking);
          const sum = (list: readonly { readonly count: number }[]) =>
            list.reduce((total, { count }) => total + count, 0);
          const given = services.reduce((total, each) => total + sum(each.given), 0);
          expect(given + sum(unused)).toBe(sum(balls));
          services.forEach((each, i) => {
            expect(sum(each.given) + each.toMake).toBe(wants[i]);
            expect(each.toMake).toBeGreaterThanOrEqual(0);
          });
        },
      ),
    );
  });
});

describe('a shopping list', () => {
  it('buys what is missing, in whole bags, and not what is past its date by then', () => {
    const store = [
      { name: 'strong white', grams: 30_000, bagKg: 25 },
      { name: 'fresh yeast', grams: 400, goodUntil: '2026-11-26', bagKg: 0.5 },
      { name: 'fresh yeast', grams: 100, goodUntil: '2026-12-09', bagKg: 0.5 },
      { name: 'salt', grams: 9000 },
    ];
    const needs = [
      { name: 'strong white', grams: 40_000 },
      { name: 'strong white', grams: 20_000 },
      { name: 'water', grams: 37_000 },
      { name: 'fresh yeast', grams: 300 },
      { name: 'salt', grams: 1500 },
      { name: 'malt', grams: 90 },
    ];
    const [flour, yeast, salt, malt, ...more] = shoppingList(needs, store, '2026-11-29');
    expect(flour).toMatchObject({ needG: 60_000, haveG: 30_000, bags: 2, buyG: 50_000 });
    expect(yeast).toMatchObject({ haveG: 100, expiresG: 400, bags: 1, buyG: 500 });
    expect(salt).toMatchObject({ buyG: 0, bags: null });
    expect(malt).toMatchObject({ haveG: 0, buyG: 90, bags: null });
    expect(more).toEqual([]);
  });
});
