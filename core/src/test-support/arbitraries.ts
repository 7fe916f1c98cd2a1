import fc from 'fast-check';
import { YEAST_FORMS, type Formula, type PlainFormula, type ScaleRequest } from '..';

const percent = (min: number, max: number) => fc.double({ min, max, noNaN: true });

/** Shares that sum to 100. */
const shares = fc
  .array(percent(1, 50), { minLength: 1, maxLength: 3 })
  .map((parts) => parts.map((part) => (part * 100) / parts.reduce((sum, p) => sum + p, 0)));

const plain = fc.record({
  flours: shares.map((parts) => parts.map((p, i) => ({ name: `flour ${i + 1}`, percent: p }))),
  waterPercent: percent(45, 90),
  saltPercent: percent(0, 4),
  sugarPercent: percent(0, 6),
  oilPercent: percent(0, 8),
  yeast: fc.record({ form: fc.constantFrom(...YEAST_FORMS), percent: percent(0.05, 3) }),
}) satisfies fc.Arbitrary<PlainFormula>;

/** Any sensible formula; half of them with a pre-ferment that the formula can afford. */
export const anyFormula: fc.Arbitrary<Formula> = fc
  .tuple(plain, fc.option(percent(5, 45)))
  .map(([formula, flourSharePercent]) =>
    flourSharePercent === null
      ? formula
      : {
          ...formula,
          preferment: {
            name: 'poolish-type',
            flourSharePercent,
            waterPercent: 100,
            yeast: { form: formula.yeast.form, percent: formula.yeast.percent / 4 },
          },
        },
  );

/** A whole request whose mixer always takes it: no least load. */
export const anyScaleRequest: fc.Arbitrary<ScaleRequest> = fc.record({
  formula: anyFormula,
  items: fc.array(
    fc.record({
      count: fc.integer({ min: 1, max: 400 }),
      ballWeightG: fc.integer({ min: 80, max: 900 }),
    }),
    { minLength: 1, maxLength: 3 },
  ),
  residuePercent: percent(0, 3),
  residuePerLoadG: fc.integer({ min: 0, max: 300 }),
  trimPercent: percent(0, 15),
  mixer: fc.record({ minDoughKg: fc.constant(0), maxDoughKg: percent(8, 80) }),
  scaleReadabilityG: fc.record({
    default: fc.constantFrom(0.1, 1, 2, 5, 10),
    yeast: fc.constantFrom(0.01, 0.1, 1),
  }),
});

/** The Yard Round dough of docs/dough-science.md § 1's worked figures. */
export const leanDough: Formula = {
  flours: [{ name: 'strong white', percent: 100, strengthW: 300 }],
  waterPercent: 62,
  saltPercent: 2.4,
  yeast: { form: 'fresh', percent: 0.3 },
};
