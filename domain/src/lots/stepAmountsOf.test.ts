import { exampleBook, exampleLot } from '@calm/demo';
import { describe, expect, it } from '@jest/globals';
import { loggedLot } from './loggedLot';
import { stepAmountsOf } from './stepAmountsOf';

const book = exampleBook();

describe('a load by the steps of its method', () => {
  it('is all weighed at some step, for every dough of the house', () => {
    for (const product of book.products) {
      const board = loggedLot(exampleLot(book, product), null, book);
      if (!board?.scaled.ok) throw new Error('the demo makes it');
      for (const load of board.scaled.value.loads) {
        const amounts = stepAmountsOf(board.recipe, load);
        if (!amounts) throw new Error('the house says what goes in when');
        const sum = amounts.steps.flat().reduce((all, { grams }) => all + grams, 0);
        const left = amounts.rest.map(({ name }) => name);
        expect([product.slug, left, Math.round(sum)]).toEqual([
          product.slug,
          [],
          Math.round(load.ingredients.reduce((all, { grams }) => all + grams, 0)),
        ]);
      }
    }
  });

  it('is not told of a method that does not say', () => {
    const [product] = book.products;
    const board = product && loggedLot(exampleLot(book, product), null, book);
    if (!board?.scaled.ok) throw new Error('the demo makes it');
    const { method, settings } = board.recipe;
    const steps = method.steps.map(({ adds: _, ...step }) => step);
    const [load] = board.scaled.value.loads;
    expect(load && stepAmountsOf({ settings, method: { ...method, steps } }, load)).toBeNull();
  });
});
