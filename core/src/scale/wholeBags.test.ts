import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import type { Formula } from '../formula';
import { scaleLot, type ScaleRequest } from './scale';
import { mostBallsOf, wholeBagCounts } from './wholeBags';

const formula: Formula = {
  flours: [
    { name: 'strong white', percent: 80 },
    { name: 'semolina', percent: 20 },
  ],
  waterPercent: 62,
  saltPercent: 2.5,
  yeast: { form: 'fresh', percent: 0.4 },
};
const request = (count: number): ScaleRequest => ({
  formula,
  items: [
    { count, ballWeightG: 275 },
    { count: 10, ballWeightG: 140 },
  ],
  residuePercent: 0.8,
  residuePerLoadG: 60,
  mixer: { minDoughKg: 6, maxDoughKg: 40 },
  scaleReadabilityG: { default: 1, yeast: 0.1 },
});
const KEY = 'flour:strong white';
const gramsOf = (count: number) => {
  const scaled = scaleLot(request(count));
  if (!scaled.ok) return null;
  return scaled.value.totals.ingredients.find(({ key }) => key === KEY)?.exactG ?? NaN;
};

describe('counts that use whole bags', () => {
  it('stand on both sides of what is asked', () => {
    const [fewer, more] = wholeBagCounts(request(240), 0, KEY, 25);
    expect(fewer).toMatchObject({ bags: 1 });
    expect(more).toMatchObject({ bags: 2 });
    expect(fewer?.count).toBeLessThan(240);
    expect(more?.count).toBeGreaterThan(240);
  });

  it('never ask for more than the bags hold, and one ball more would', () => {
    fc.assert(
      fc.property(fc.integer({ min: 30, max: 900 }), fc.constantFrom(5, 10, 25), (count, bagKg) => {
        for (const { bags, count: balls, grams } of wholeBagCounts(request(count), 0, KEY, bagKg)) {
          expect(grams).toBeLessThanOrEqual(bags * bagKg * 1000 + 1e-6);
          expect(gramsOf(balls)).toBeCloseTo(grams, 6);
          expect(gramsOf(balls + 1) ?? Infinity).toBeGreaterThan(bags * bagKg * 1000);
        }
      }),
      { numRuns: 40 },
    );
  });

  it('are none where the lot cannot be made, the thing is not in it, or the bag is empty', () => {
    expect(wholeBagCounts(request(2), 0, KEY, 25)).toEqual([]);
    expect(wholeBagCounts(request(240), 0, KEY, 0)).toEqual([]);
    expect(wholeBagCounts({ ...request(240), items: [] }, 0, KEY, 25)).toEqual([]);
  });
});

describe('the balls that some flour gives', () => {
  it('use no more of it than there is, and one ball more would', () => {
    fc.assert(
      fc.property(fc.integer({ min: 9_000, max: 300_000 }), (limitG) => {
        const most = mostBallsOf(request(1), 0, KEY, limitG);
        if (!most) throw new Error('there is enough for a load');
        expect(most.grams).toBeLessThanOrEqual(limitG + 1e-6);
        expect(gramsOf(most.count)).toBeCloseTo(most.grams, 6);
        expect(gramsOf(most.count + 1) ?? Infinity).toBeGreaterThan(limitG);
      }),
      { numRuns: 40 },
    );
  });

  it('are none where it is not enough for one load', () => {
    expect(mostBallsOf(request(240), 0, KEY, 1500)).toBeNull();
  });
});
