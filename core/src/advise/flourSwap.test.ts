import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import type { Formula } from '../formula/formula';
import { moreWaterPercent, nearestFlours, withFlour } from './flourSwap';

const strong = { name: 'strong', percent: 80, strengthW: 320 };
const whole = { name: 'whole grain', percent: 20, strengthW: 250, branPercent: 12 };
const formula: Formula = {
  flours: [strong, whole],
  waterPercent: 64,
  saltPercent: 2.6,
  yeast: { form: 'fresh', percent: 0.3 },
};

describe('a flour that runs out', () => {
  it('is nearest to flour as strong, with as much bran', () => {
    const shelf = [
      { name: 'plain', strengthW: 180 },
      { name: 'whole strong', strengthW: 315, branPercent: 12 },
      { name: 'other strong', strengthW: 300 },
      { name: 'strong', strengthW: 320 },
    ];
    expect(nearestFlours(shelf, strong).map(({ name }) => name)).toEqual([
      'other strong',
      'whole strong',
      'plain',
    ]);
  });

  it('leaves a whole blend whatever takes its place, by as much as it takes', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 1, noNaN: true }),
        fc.integer({ min: 100, max: 400 }),
        fc.constantFrom('plain', 'whole grain'),
        (share, strengthW, name) => {
          const other = { name, strengthW };
          const { flours, waterPercent } = withFlour(formula, 'strong', other, share);
          expect(flours.reduce((sum, { percent }) => sum + percent, 0)).toBeCloseTo(100, 9);
          const more = 0.8 * share * moreWaterPercent(strong, other);
          expect(waterPercent).toBeCloseTo(64 + more, 9);
        },
      ),
    );
  });

  it('drinks less where the other is weaker, and changes nothing it is not in', () => {
    const weaker = { name: 'plain', strengthW: 200 };
    expect(withFlour(formula, 'strong', weaker, 1).waterPercent).toBeCloseTo(64 - 0.8 * 3, 9);
    expect(withFlour(formula, 'rye', weaker, 1)).toBe(formula);
    expect(withFlour(formula, 'strong', weaker, 0)).toBe(formula);
    expect(moreWaterPercent({ name: 'a' }, { name: 'b', branPercent: 10 })).toBe(5);
  });
});
