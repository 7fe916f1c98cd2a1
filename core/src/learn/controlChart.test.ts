import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import {
  individualsLimits,
  limitsOf,
  runSignals,
  subgroupLimits,
  steadyLimits,
} from './controlChart';

describe('limits of single values', () => {
  it('are those of the worked example: ten batches (NIST/SEMATECH e-Handbook, 6.3.2.2)', () => {
    const batches = [49.6, 47.6, 49.9, 51.3, 47.8, 51.2, 52.6, 52.4, 53.6, 52.1];
    const limits = individualsLimits(batches);
    expect(limits?.center).toBeCloseTo(50.81, 10);
    expect(limits?.upper).toBeCloseTo(55.8041, 3);
    expect(limits?.lower).toBeCloseTo(45.8159, 3);
    expect(limits && runSignals(batches, limits)).toEqual([]);
  });

  it('are 2.66 mean moving ranges from the middle, and move with the values', () => {
    fc.assert(
      fc.property(
        fc.array(fc.double({ min: -100, max: 100, noNaN: true }), { minLength: 2, maxLength: 40 }),
        fc.double({ min: -50, max: 50, noNaN: true }),
        (values, by) => {
          const one = individualsLimits(values);
          const moved = individualsLimits(values.map((value) => value + by));
          if (!one || !moved) throw new Error('two values have limits');
          const ranges = values.slice(1).map((value, i) => Math.abs(value - (values[i] ?? 0)));
          const mean = ranges.reduce((sum, range) => sum + range, 0) / ranges.length;
          expect(one.upper - one.center).toBeCloseTo(2.66 * mean, 0);
          expect(moved.upper).toBeCloseTo(one.upper + by, 6);
        },
      ),
    );
    expect(individualsLimits([3])).toBeNull();
  });
});

describe('limits of subgroups', () => {
  it('are those of the worked example: 25 of 5 wafers (Montgomery, Statistical Quality Control, 6.2)', () => {
    const { means, ranges } = limitsOf(1.5056, 0.32521, 5);
    expect(means.upper).toBeCloseTo(1.69325, 4);
    expect(means.lower).toBeCloseTo(1.31795, 4);
    expect(ranges.upper).toBeCloseTo(0.6875, 3);
    expect(ranges.lower).toBe(0);
  });

  it('come from the subgroups themselves', () => {
    const groups = [
      [280, 282, 279, 281, 283],
      [284, 280, 281, 279, 281],
    ];
    const limits = subgroupLimits(groups);
    expect(limits?.means.center).toBeCloseTo(281, 10);
    expect(limits?.ranges.center).toBeCloseTo(4.5, 10);
    expect(limits?.means.upper).toBeCloseTo(281 + 0.577 * 4.5, 10);
    expect(subgroupLimits([])).toBeNull();
    expect(() => subgroupLimits([[1, 2], [1]])).toThrow(RangeError);
    expect(() => limitsOf(1, 1, 11)).toThrow(RangeError);
  });
});

describe('what a steady process hardly ever does', () => {
  const steady = { center: 0, sigma: 1 };
  const told = (values: readonly number[]) =>
    runSignals(values, steady).map(({ rule, side, from, to }) => `${rule} ${side} ${from}–${to}`);

  it('is one point beyond three sigmas', () => {
    expect(told([0, 1, -3.1, 0.5])).toEqual(['beyond below 2–2']);
    expect(told([0, 2.9, -2.9])).toEqual([]);
  });

  it('is two of three beyond two, or four of five beyond one, on the same side', () => {
    expect(told([2.1, 0, 2.2])).toEqual(['two-of-three above 0–2']);
    expect(told([2.1, 0, 0, 2.2])).toEqual([]);
    expect(told([2.1, -2.2])).toEqual([]);
    expect(told([-1.1, -1.2, 0.2, -1.3, -1.4])).toEqual(['four-of-five below 0–4']);
  });

  it('is nine in a row on one side, told once however long it goes on', () => {
    const eight = [0.1, 0.2, 0.1, 0.3, 0.1, 0.2, 0.1, 0.3];
    expect(told(eight)).toEqual([]);
    expect(told([...eight, 0.1, 0.2, 0.1])).toEqual(['one-side above 0–10']);
  });

  it('is six in a row that rise, or fall', () => {
    expect(told([-0.5, -0.3, -0.1, 0.1, 0.3, 0.5, 0.2])).toEqual(['trend above 0–5']);
    expect(told([0.5, 0.3, 0.1, -0.1, -0.3, -0.5])).toEqual(['trend below 0–5']);
    expect(told([0.1, 0.2, 0.2, 0.3, 0.4, 0.5])).toEqual([]);
  });

  it('is told of a shift soon, and of chance seldom', () => {
    let state = 7;
    const next = () => {
      state = (state * 1664525 + 1013904223) % 4294967296;
      return (state + 0.5) / 4294967296;
    };
    const normal = () => Math.sqrt(-2 * Math.log(next())) * Math.cos(2 * Math.PI * next());
    const by = (shift: number, points: number) =>
      Array.from({ length: 400 }, () =>
        runSignals(
          Array.from({ length: points }, () => normal() + shift),
          steady,
        ),
      ).filter((signals) => signals.length > 0).length / 400;
    expect(by(0, 20)).toBeLessThan(0.3);
    expect(by(1.5, 20)).toBeGreaterThan(0.95);
  });
});

describe('what is usual', () => {
  const usual = [3, 3.2, 3.1, 3.3, 3, 3.2, 3.1, 3.3, 3.1, 3.2];

  it('is without what had a cause of its own', () => {
    const cut = steadyLimits([...usual, 12]);
    expect(cut?.center).toBeCloseTo(3.15, 9);
    expect(cut?.upper).toBeLessThan(4);
    expect(runSignals([...usual, 12], cut ?? { center: 0, sigma: 1 })).toEqual([
      expect.objectContaining({ rule: 'beyond', side: 'above', from: 10, to: 10 }),
    ]);
    expect(steadyLimits([1])).toBeNull();
  });

  it('is about what it should be, where that is known', () => {
    const heavy = Array.from({ length: 12 }, (_, i) => 1.4 + (i % 2 ? 0.2 : -0.2));
    const limits = steadyLimits(heavy, 0);
    expect(limits?.center).toBe(0);
    expect(runSignals(heavy, limits ?? { center: 0, sigma: 1 }).map(({ rule }) => rule)).toContain(
      'one-side',
    );
  });
});
