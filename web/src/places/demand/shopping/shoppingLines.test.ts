import { lotItem, recipeFor, scaleRecipe, type BoardLot } from '@calm/domain';
import { exampleBook } from '@calm/demo';
import { describe, expect, it } from '@jest/globals';
import { shoppingOf } from './shoppingLines';

const book = exampleBook();
const slab = book.products.find(({ slug }) => slug === 'slab');
if (!slab) throw new Error('the demo house makes slabs');
const recipe = recipeFor(book, slab);
const lotOf = (count: number): BoardLot => {
  const items = [lotItem(slab, count)];
  return {
    code: '',
    date: '2026-11-28',
    product: slab,
    recipe,
    items,
    lot: null,
    scaled: scaleRecipe(recipe, items),
    stages: [],
    doorsMs: 0,
    closeMs: 0,
  } as unknown as BoardLot;
};

describe('what lots take from the store', () => {
  it('is all of their flour, the pre-ferment’s too, once', () => {
    const lot = lotOf(40);
    const { lines, cannot } = shoppingOf([lot], book, '2026-11-28');
    if (!lot.scaled.ok) throw new Error('forty slabs can be made');
    const flour = lines
      .filter(({ name }) => name.endsWith('white'))
      .reduce((sum, { needG }) => sum + needG, 0);
    expect(Math.abs(flour - lot.scaled.value.totals.flourG)).toBeLessThan(10);
    expect(lines.map(({ name }) => name)).not.toContain('water');
    expect(lines.map(({ name }) => name)).toContain('instant yeast');
    expect(cannot).toEqual([]);
  });

  it('is less what is there and good; what is under way is weighed already', () => {
    const pantry = book.pantry.map((item) =>
      item.name === 'strong white' ? { ...item, storeKg: 500, goodUntil: '2026-11-30' } : item,
    );
    const flourIn = (lastDate: string) =>
      shoppingOf([lotOf(40)], { pantry }, lastDate).lines.find(
        ({ name }) => name === 'strong white',
      );
    expect(flourIn('2026-11-28')).toMatchObject({ buyG: 0, expiresG: 0 });
    expect(flourIn('2026-12-01')).toMatchObject({ haveG: 0, expiresG: 500_000 });
    const started = { ...lotOf(40), lot: {} } as unknown as BoardLot;
    expect(shoppingOf([started], book, '2026-11-28').lines).toEqual([]);
  });

  it('leaves out what cannot be made, and says so', () => {
    const { lines, cannot } = shoppingOf([lotOf(1)], book, '2026-11-28');
    expect(lines).toEqual([]);
    expect(cannot).toHaveLength(1);
  });
});
