import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import {
  convertYeast,
  effective,
  flourForDoughG,
  formulaLines,
  freshEquivalentPercent,
  fromPerLitre,
  splitMix,
  sumPercent,
  toPerLitre,
  totalPercent,
  YEAST_FORMS,
  type Formula,
} from './index';
import { anyFormula, leanDough } from '../test-support/arbitraries';

describe('total percent', () => {
  it('counts flour as 100 and everything else on it', () => {
    expect(totalPercent(leanDough)).toBeCloseTo(164.7, 9);
    expect(flourForDoughG(leanDough, 16470)).toBeCloseTo(10000, 6);
  });

  it('leaves out what is not in the dough', () => {
    expect(formulaLines(leanDough).map((line) => line.key)).toEqual([
      'flour:strong white',
      'water',
      'salt',
      'yeast',
    ]);
  });
});

describe('per litre of water', () => {
  it('reads 62 % water as 1612.9 g of flour to the litre', () => {
    expect(toPerLitre(leanDough).flours[0]?.gPerLitre).toBeCloseTo(1612.9032, 4);
  });

  it('loses no digits either way', () => {
    fc.assert(
      fc.property(anyFormula, (formula) => {
        const back = fromPerLitre(toPerLitre(formula));
        const before = formulaLines(formula);
        formulaLines(back).forEach((line, i) => {
          const was = before[i]?.percent ?? NaN;
          expect(Math.abs(line.percent - was)).toBeLessThanOrEqual(1e-12 * Math.max(1, was));
        });
        expect(back.preferment).toEqual(formula.preferment);
      }),
    );
  });

  it('keeps names, strengths and compositions', () => {
    const rich: Formula = {
      ...leanDough,
      additions: [
        {
          name: 'malt syrup',
          percent: 1,
          composition: { waterPercent: 20, saltPercent: 0, fatPercent: 0, sugarPercent: 60 },
        },
      ],
    };
    const back = fromPerLitre(toPerLitre(rich));
    expect(back.flours[0]).toMatchObject({ name: 'strong white', strengthW: 300 });
    expect(back.additions?.[0]?.composition).toEqual(rich.additions?.[0]?.composition);
  });

  it('refuses a formula with nothing to count on', () => {
    expect(() => toPerLitre({ ...leanDough, waterPercent: 0 })).toThrow(RangeError);
    expect(() => fromPerLitre({ ...toPerLitre(leanDough), flours: [] })).toThrow(RangeError);
  });
});

describe('effective formula', () => {
  it('counts the water, salt and fat that ingredients bring', () => {
    const milk = { waterPercent: 88, saltPercent: 0, fatPercent: 3.5, sugarPercent: 5 };
    const butter = { waterPercent: 16, saltPercent: 1.5, fatPercent: 82, sugarPercent: 0 };
    const formula = {
      ...leanDough,
      oilPercent: 2,
      additions: [
        { name: 'milk', percent: 10, composition: milk },
        { name: 'butter', percent: 4, composition: butter },
        { name: 'seeds', percent: 5 },
      ],
    };
    expect(effective(formula)).toEqual({
      hydrationPercent: expect.closeTo(62 + 8.8 + 0.64, 9),
      saltPercent: expect.closeTo(2.46, 9),
      fatPercent: expect.closeTo(2 + 0.35 + 3.28, 9),
      sugarPercent: expect.closeTo(0.5, 9),
    });
  });
});

describe('yeast forms', () => {
  it('uses the starting conversion', () => {
    expect(convertYeast(10, 'fresh', 'instant')).toBeCloseTo(3.3, 9);
    expect(convertYeast(3.5, 'active-dry', 'fresh')).toBeCloseTo(10, 9);
    expect(freshEquivalentPercent({ form: 'instant', percent: 0.33 }, 0.9)).toBeCloseTo(0.9, 9);
  });

  it('comes back unchanged through any other form', () => {
    const form = fc.constantFrom(...YEAST_FORMS);
    fc.assert(
      fc.property(fc.double({ min: 0.001, max: 50, noNaN: true }), form, form, (g, a, b) => {
        expect(convertYeast(convertYeast(g, a, b), b, a)).toBeCloseTo(g, 9);
      }),
    );
  });
});

describe('final mix', () => {
  const withPoolish: Formula = {
    ...leanDough,
    preferment: {
      name: 'poolish-type',
      flourSharePercent: 30,
      waterPercent: 100,
      yeast: { form: 'fresh', percent: 0.2 },
    },
  };

  it('is overall less pre-ferment', () => {
    const split = splitMix(withPoolish);
    if (!split.ok) throw new Error('should split');
    const percent = Object.fromEntries(split.value.finalMix.map((l) => [l.key, l.percent]));
    expect(percent['flour:strong white']).toBeCloseTo(70, 9);
    expect(percent['water']).toBeCloseTo(32, 9);
    expect(percent['yeast']).toBeCloseTo(0.24, 9);
    expect(percent['preferment']).toBeCloseTo(60.06, 9);
  });

  it('conserves the whole formula', () => {
    fc.assert(
      fc.property(anyFormula, (formula) => {
        const split = splitMix(formula);
        if (!split.ok) return;
        expect(split.value.bowlPercent).toBeCloseTo(totalPercent(formula), 8);
        expect(sumPercent(split.value.finalMix)).toBe(split.value.bowlPercent);
      }),
    );
  });

  it('subtracts old dough by its own formula', () => {
    const old = { name: 'yesterday', percent: 16.47, formula: leanDough };
    const split = splitMix({ ...leanDough, oldDough: old });
    if (!split.ok) throw new Error('should split');
    const flour = split.value.finalMix.find((line) => line.kind === 'flour');
    expect(flour?.percent).toBeCloseTo(90, 9);
    expect(split.value.bowlPercent).toBeCloseTo(164.7, 9);
  });

  it('counts a pre-ferment yeast of another form as the same raising power', () => {
    const split = splitMix({
      ...withPoolish,
      preferment: {
        name: 'p',
        flourSharePercent: 30,
        waterPercent: 100,
        yeast: { form: 'instant', percent: 0.066 },
      },
    });
    if (!split.ok) throw new Error('should split');
    expect(split.value.finalMix.find((line) => line.kind === 'yeast')?.percent).toBeCloseTo(
      0.24,
      9,
    );
  });

  it('says what a pre-ferment takes too much of', () => {
    const greedy = { name: 'p', flourSharePercent: 80, waterPercent: 100 };
    const split = splitMix({
      ...leanDough,
      preferment: { ...greedy, yeast: { form: 'fresh', percent: 1 } },
    });
    expect(split).toEqual({
      ok: false,
      reasons: [
        { kind: 'takes-too-much', ingredient: 'water', overallPercent: 62, takenPercent: 80 },
        {
          kind: 'takes-too-much',
          ingredient: 'fresh yeast',
          overallPercent: 0.3,
          takenPercent: 0.8,
        },
      ],
    });
  });
});
