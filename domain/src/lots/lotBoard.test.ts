import type { Lot, Service } from '@calm/contract';
import { exampleBook } from '@calm/demo';
import { describe, expect, it } from '@jest/globals';
import { boardLots, isTooLateToMake, leadProducts, type BoardLot } from './lotBoard';

const book = exampleBook();
const DATE = '2026-11-25';
const product = (slug: string) => {
  const found = book.products.find((p) => p.slug === slug);
  if (!found) throw new Error(slug);
  return found;
};
const service = (name: string, from: string, to: string, counts: Record<string, number>) =>
  ({
    patternId: name,
    name,
    date: DATE,
    startsAt: `${DATE}T${from}:00.000Z`,
    endsAt: `${DATE}T${to}:00.000Z`,
    counts: Object.entries(counts).map(([slug, count]) => ({
      productId: product(slug).id,
      count,
      usual: count,
      origin: 'usual' as const,
      version: 0,
    })),
  }) satisfies Service;
const lunch = service('Lunch', '11:00', '14:00', { 'yard-round': 56, slab: 0, sprout: 4 });
const dinner = service('Dinner', '16:30', '21:30', { 'yard-round': 108, slab: 8, sprout: 6 });

function lotOf(slug: string, lots: readonly Lot[] = []): BoardLot {
  const found = boardLots(book, [lunch, dinner], lots).find((l) => l.product.slug === slug);
  if (!found) throw new Error(`no ${slug}`);
  return found;
}

describe('the board', () => {
  it('puts the products of one dough into one lot for the whole day', () => {
    expect(leadProducts(book).map((p) => p.slug)).toEqual(['yard-round', 'slab', 'crackle']);
    const items = lotOf('yard-round').items.map(({ name, count }) => [name, count]);
    expect(items).toEqual([
      ['Yard Round', 164],
      ['Sprout', 10],
    ]);
  });

  it('counts back from the first doors that want it', () => {
    expect(lotOf('yard-round').doorsMs).toBe(Date.parse(lunch.startsAt));
    expect(lotOf('slab').doorsMs).toBe(Date.parse(dinner.startsAt));
  });

  it('leaves out what nobody wants', () => {
    const slugs = boardLots(book, [lunch, dinner], []).map((l) => l.product.slug);
    expect(slugs).toEqual(['yard-round', 'slab']);
  });

  it('follows the lot under way, not the demand, once there is one', () => {
    const wanted = lotOf('yard-round');
    const lot: Lot = {
      id: 'x',
      code: 'YR-1123-A',
      serviceDate: DATE,
      version: 1,
      startedAt: `${DATE}T00:00:00Z`,
      doorsAt: lunch.startsAt,
      closeAt: dinner.endsAt,
      note: '',
      leftG: null,
      trimG: null,
      recipe: wanted.recipe,
      items: wanted.items.map((item) => ({ ...item, count: 100 })),
      loads: [],
      marks: [],
      weighed: [],
    };
    expect(lotOf('yard-round', [lot]).items[0]?.count).toBe(100);
    expect(lotOf('yard-round', [lot]).code).toBe('YR-1123-A');
  });
});

describe('a dough that nobody has begun', () => {
  it('can be made until its shortest way ends after the last guest', () => {
    const lot = lotOf('yard-round');
    const work = lot.stages
      .filter(({ kind }) => kind === 'work')
      .reduce((ms, { startMs, endMs }) => ms + endMs - startMs, 0);
    const rests = lot.stages.reduce(
      (hours, stage) => hours + (stage.kind === 'rest' ? stage.hours.least : 0),
      0,
    );
    const lastMs = lot.closeMs - work - rests * 3_600_000;
    expect(isTooLateToMake(lot, lastMs)).toBe(false);
    expect(isTooLateToMake(lot, lastMs + 1)).toBe(true);
    // What is under way is late at worst.
    const begun = { ...lot, lot: { id: 'begun' } as Lot };
    expect(isTooLateToMake(begun, lot.closeMs)).toBe(false);
  });
});
