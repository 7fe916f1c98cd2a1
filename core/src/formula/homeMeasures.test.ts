import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { editLines } from './edit';
import type { Formula } from './formula';
import {
  contradictsItself,
  formulaOfGrams,
  HOME_UNITS,
  meantG,
  measuredG,
  usualHomeAmount,
} from './homeMeasures';

const formula: Formula = {
  flours: [
    { name: 'white', percent: 60 },
    { name: 'whole', percent: 40 },
  ],
  waterPercent: 65,
  saltPercent: 2.5,
  oilPercent: 3,
  additions: [{ name: 'honey', percent: 1 }],
  yeast: { form: 'instant', percent: 0.4 },
};

describe('a home kitchen’s measures', () => {
  it('weigh what kitchens’ tables say', () => {
    const flour = usualHomeAmount('flour');
    expect(measuredG({ ...flour, amount: 1 })).toBeCloseTo(127, 0);
    expect(measuredG({ ...flour, amount: 1 }, 250)).toBeCloseTo(132.5, 6);
    const salt = usualHomeAmount('salt');
    expect(measuredG({ ...salt, amount: 1 })).toBeCloseTo(6, 6);
    expect(measuredG({ ...salt, amount: 1, unit: 'tablespoon', gPerMl: 0.6 })).toBeCloseTo(9, 6);
    expect(measuredG({ ...usualHomeAmount('yeast', 'instant'), amount: 1 })).toBe(7);
    expect(measuredG({ ...usualHomeAmount('yeast', 'fresh'), amount: 0.5 })).toBe(21);
    expect(measuredG({ ...usualHomeAmount('water'), amount: 300, unit: 'millilitre' })).toBe(300);
    expect(measuredG({ ...flour, amount: 500, unit: 'gram' })).toBe(500);
  });

  it('go with the weight a recipe says, and tell when the two cannot both be', () => {
    const flour = { ...usualHomeAmount('flour'), amount: 4 };
    expect(meantG(flour)).toBeCloseTo(508.8, 6);
    expect(meantG({ ...flour, statedG: 500 })).toBe(500);
    expect(contradictsItself(flour)).toBe(false);
    expect(contradictsItself({ ...flour, statedG: 500 })).toBe(false);
    // Scooped, not spooned.
    expect(contradictsItself({ ...flour, statedG: 590 })).toBe(false);
    expect(contradictsItself({ ...flour, statedG: 700 })).toBe(true);
    expect(contradictsItself({ ...flour, statedG: 350 })).toBe(true);
    expect(contradictsItself({ ...flour, amount: 0, statedG: 350 })).toBe(false);
  });

  it('make the formula whose weights they are', () => {
    fc.assert(
      fc.property(fc.double({ min: 10, max: 50_000, noNaN: true }), (flourG) => {
        const grams = editLines(formula).map(({ percent }) => (percent * flourG) / 100);
        const made = editLines(formulaOfGrams(formula, grams));
        editLines(formula).forEach(({ percent }, i) =>
          expect(made[i]?.percent).toBeCloseTo(percent, 9),
        );
      }),
    );
    expect(() => formulaOfGrams(formula, [0, 0, 300])).toThrow(RangeError);
    expect(() => formulaOfGrams(formula, [500, 0, 0])).toThrow(RangeError);
  });

  it('are never negative, whatever is measured in whatever', () => {
    for (const unit of HOME_UNITS)
      for (const kind of ['flour', 'water', 'salt', 'sugar', 'oil', 'addition', 'yeast'] as const)
        expect(measuredG({ ...usualHomeAmount(kind), amount: 2, unit })).toBeGreaterThan(0);
  });
});
