import { lotItem, productsOfDough, recipeFor } from '@calm/domain';
import type { HouseBook, Lot, Product, Service } from '@calm/contract';

/*
 * A lot and its services for tests: as a house would have them on a Thursday, without a database.
 */

const DATE = '2026-11-26';
const at = (time: string) => `${DATE}T${time}:00.000Z`;

/** Lunch and dinner that want a product. */
export function exampleServices(product: Product, count = 60): Service[] {
  return [['lunch', '11:00', '14:00'] as const, ['dinner', '16:30', '21:30'] as const].map(
    ([name, from, to]) => ({
      patternId: name,
      name,
      date: DATE,
      startsAt: at(from),
      endsAt: at(to),
      counts: [{ productId: product.id, count, usual: count, origin: 'usual', version: 0 }],
    }),
  );
}

/** A lot of a product's dough for both. */
export function exampleLot(book: HouseBook, product: Product, change: Partial<Lot> = {}): Lot {
  return {
    id: '11111111-1111-4111-8111-111111111111',
    code: 'YR-1124-A',
    serviceDate: DATE,
    version: 1,
    startedAt: '2026-11-24T09:00:00.000Z',
    doorsAt: at('11:00'),
    closeAt: at('21:30'),
    note: '',
    leftG: null,
    trimG: null,
    recipe: recipeFor(book, product),
    items: productsOfDough(book, product)
      .filter(({ isFromRemainders }) => !isFromRemainders)
      .map((each) => lotItem(each, 120)),
    loads: [],
    marks: [],
    weighed: [],
    ...change,
  };
}
