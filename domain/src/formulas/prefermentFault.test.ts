import { exampleBook } from '@calm/demo';
import { describe, expect, it } from '@jest/globals';
import { likelyRoute, prefermentFault } from './prefermentFault';

const book = exampleBook();
const withOne = book.formulas.find(({ formula }) => formula.preferment);
const without = book.formulas.find(({ formula }) => !formula.preferment);
const mixes = book.routes.find(({ stages }) => stages.some(({ key }) => key === 'preferment-mix'));
const plain = book.routes.find(({ id }) => id !== mixes?.id);
if (!withOne || !without || !mixes || !plain) throw new Error('the demo has both kinds');

describe('a pre-ferment and a route', () => {
  it('belong together, or it is said which of the two is missing', () => {
    expect(prefermentFault(withOne.formula, mixes.stages)).toBeNull();
    expect(prefermentFault(without.formula, plain.stages)).toBeNull();
    expect(prefermentFault(withOne.formula, plain.stages)).toBe('no-stage');
    expect(prefermentFault(without.formula, mixes.stages)).toBe('no-preferment');
  });

  it('are brought together where there is a choice', () => {
    expect(likelyRoute(withOne, [plain, mixes])).toBe(mixes);
    expect(likelyRoute(without, [mixes, plain])).toBe(plain);
    expect(likelyRoute(withOne, [plain])).toBe(plain);
    expect(likelyRoute(withOne, [])).toBeUndefined();
  });

  it('belong together in every house that ships with the application', () => {
    const wrong = book.products.filter((product) => {
      const formula = book.formulas.find(({ id }) => id === product.formulaId)?.formula ?? {};
      const stages = book.routes.find(({ id }) => id === product.routeId)?.stages ?? [];
      return prefermentFault(formula, stages) !== null;
    });
    expect(wrong).toEqual([]);
  });
});
