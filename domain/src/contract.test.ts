import { exampleBook } from '@calm/demo';
import { describe, expect, it } from '@jest/globals';
import { adviseLoad } from './lots/adviseLoad';
import { lotItem, productsOfDough, recipeFor, scaleRecipe } from './lots/recipe';
import { paths, problemKind, type LoadTemps } from '@calm/contract';

const book = exampleBook();
const product = (slug: string) => {
  const found = book.products.find((p) => p.slug === slug);
  if (!found) throw new Error(slug);
  return found;
};
const temps: LoadTemps = { roomTempC: 22, flourTempC: 21, tapTempC: 14, prefermentTempC: null };

describe('a recipe', () => {
  it('is all that a lot is made by', () => {
    const recipe = recipeFor(book, product('slab'));
    expect(recipe).toMatchObject({
      formulaName: 'Slab dough',
      formulaVersion: 1,
      doughTempC: 25,
      mixer: { name: '40 kg spiral', maxDoughKg: 40 },
      settings: { residuePercent: 0.8, baseSumC: 57, pourBy: 'learned' },
    });
  });

  it('takes another mixer when one is chosen', () => {
    const planetary = book.mixers.find((m) => m.kind === 'planetary');
    expect(recipeFor(book, product('slab'), planetary?.id).mixer.maxDoughKg).toBe(12);
  });

  it('survives being stored', () => {
    const recipe = recipeFor(book, product('crackle'));
    expect(JSON.parse(JSON.stringify(recipe))).toEqual(recipe);
  });

  it('refuses a book that refers to something it lacks', () => {
    const torn = { ...book, routes: [] };
    expect(() => recipeFor(torn, product('slab'))).toThrow(RangeError);
  });
});

describe('a dough', () => {
  it('is shared by the products with its formula and route', () => {
    const names = productsOfDough(book, product('sprout')).map((p) => p.name);
    expect(names).toEqual(['Yard Round', 'Sprout']);
  });

  it('is scaled with residue and trim, leaving out what nobody wants', () => {
    const recipe = recipeFor(book, product('crackle'));
    const scaled = scaleRecipe(recipe, [lotItem(product('crackle'), 50)]);
    if (!scaled.ok) throw new Error(JSON.stringify(scaled.reasons));
    expect(scaled.value.balance.ballsG).toBe(50 * 190);
    expect(scaled.value.balance.trimG).toBeCloseTo((50 * 190 * 7) / 93, 6);
    expect(scaled.value.mixerRange?.deratingShare).toBeLessThan(1);
    const none = scaleRecipe(recipe, [lotItem(product('crackle'), 0)]);
    expect(none).toMatchObject({ ok: false, reasons: [{ kind: 'nothing-to-make' }] });
  });
});

describe('water for a load', () => {
  const waterOf = (slug: string, change: Partial<LoadTemps> = {}, frictionC = 14) => {
    const recipe = recipeFor(book, product(slug));
    const scaled = scaleRecipe(recipe, [lotItem(product(slug), slug === 'slab' ? 20 : 120)]);
    const load = scaled.ok ? scaled.value.loads[0] : undefined;
    if (!load) throw new Error('should scale');
    return adviseLoad(recipe, load, { ...temps, ...change }, frictionC);
  };

  it('follows the flour by the heat it holds: less than degree for degree', () => {
    const cool = waterOf('yard-round').pourTempC;
    const { pourTempC } = waterOf('yard-round', { flourTempC: 24 });
    expect(pourTempC).toBeLessThan(cool - 1.5);
    expect(pourTempC).toBeGreaterThan(cool - 3);
  });

  it('counts the pre-ferment where there is one, and only there', () => {
    expect(waterOf('yard-round').factors).toBe(3);
    const slab = waterOf('slab', { prefermentTempC: 19 });
    expect(slab.factors).toBe(4);
    expect(slab.friction.waterTempC).toBeCloseTo(4 * 25 - 22 - 21 - 19 - 14, 9);
  });

  it('uses the house’s base sum only for the doughs it was found on', () => {
    expect(waterOf('yard-round').baseSum.baseC).toBe(57);
    expect(waterOf('slab', { prefermentTempC: 19 }).baseSum.baseC).toBe(4 * 25 - 14);
  });

  it('takes the room for a pre-ferment that nobody measured', () => {
    const measured = waterOf('slab', { prefermentTempC: 22 });
    expect(waterOf('slab').pourTempC).toBeCloseTo(measured.pourTempC, 9);
  });
});

describe('addresses', () => {
  it('cannot be broken out of', () => {
    expect(paths.book('a/../b?x')).toBe('/api/v1/houses/a%2F..%2Fb%3Fx/book');
    expect(paths.changeMark('yard', 'id', 1, 'a/b')).toBe(
      '/api/v1/houses/yard/lots/id/marks/1/a%2Fb',
    );
  });

  it('carry the kind of a problem', () => {
    expect(problemKind({ type: '/problems/stale' })).toBe('stale');
  });
});
