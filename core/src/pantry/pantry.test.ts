import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { allergensOf, bagsFor, costOf, type Pantry } from './index';
import type { Formula } from '../formula';

const pantry: Pantry = [
  { name: 'strong white', costPerKg: 1.1, bagKg: 25, allergens: ['wheat (gluten)'] },
  { name: 'medium white', costPerKg: 0.9, bagKg: 25, allergens: ['wheat (gluten)'] },
  { name: 'salt', costPerKg: 0.4, allergens: [] },
  { name: 'malt', allergens: ['barley (gluten)'] },
];
const formula: Formula = {
  flours: [
    { name: 'strong white', percent: 80 },
    { name: 'medium white', percent: 20 },
  ],
  waterPercent: 62,
  saltPercent: 2.5,
  additions: [{ name: 'malt', percent: 0.5 }],
  yeast: { form: 'fresh', percent: 0.3 },
};

describe('cost', () => {
  it('adds up what has a price, and names what has none', () => {
    const lines = [
      { name: 'strong white', grams: 10_000 },
      { name: 'water', grams: 6200 },
      { name: 'salt', grams: 250 },
      { name: 'malt', grams: 50 },
      { name: 'oil', grams: 0 },
    ];
    const { total, unpriced } = costOf(lines, pantry);
    expect(total).toBeCloseTo(11.1, 12);
    expect(unpriced).toEqual(['malt']);
  });

  it('grows with the amount', () => {
    const amount = fc.double({ min: 0, max: 1e6, noNaN: true });
    fc.assert(
      fc.property(amount, amount, (a, b) => {
        const costs = [a, b, a + b].map((grams) => costOf([{ name: 'salt', grams }], pantry).total);
        expect(costs[2]).toBeCloseTo((costs[0] ?? 0) + (costs[1] ?? 0), 6);
      }),
    );
  });
});

describe('bags', () => {
  it('are used up whole, and one more is opened for the rest', () => {
    expect(bagsFor(41_750, 25)).toEqual({ whole: 1, fromOpenG: 16_750, toOpen: 2 });
    expect(bagsFor(50_000, 25)).toEqual({ whole: 2, fromOpenG: 0, toOpen: 2 });
    expect(bagsFor(49_999.8, 25)).toEqual({ whole: 2, fromOpenG: 0, toOpen: 2 });
    expect(bagsFor(0, 25)).toEqual({ whole: 0, fromOpenG: 0, toOpen: 0 });
    expect(() => bagsFor(10, 0)).toThrow(RangeError);
  });

  it('hold what is wanted, and never a whole bag too many', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 1e6, noNaN: true }),
        fc.double({ min: 0.5, max: 50, noNaN: true }),
        (grams, bagKg) => {
          const { whole, fromOpenG, toOpen } = bagsFor(grams, bagKg);
          expect(Math.abs(whole * bagKg * 1000 + fromOpenG - grams)).toBeLessThan(0.51);
          expect(toOpen * bagKg * 1000).toBeGreaterThan(grams - 0.51);
          expect((toOpen - 1) * bagKg * 1000).toBeLessThanOrEqual(grams + 0.51);
        },
      ),
    );
  });
});

describe('allergens', () => {
  it('come from every ingredient, each once', () => {
    expect(allergensOf(formula, pantry)).toEqual(['wheat (gluten)', 'barley (gluten)']);
  });

  it('come from old dough too', () => {
    const { additions: _, ...lean } = formula;
    const oldDough = { name: 'trim', percent: 10, formula };
    expect(allergensOf({ ...lean, oldDough }, pantry)).toContain('barley (gluten)');
    expect(allergensOf(lean, [])).toEqual([]);
  });
});
