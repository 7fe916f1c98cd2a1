import type { HouseBook, Retirable } from '@calm/contract';

/**
 * A record of the book by its id, also once it is retired: what was made long ago keeps its names.
 *
 * @returns undefined when the house never had one of this id
 * @example
 * recordOf(book, 'products', lot.items[0].productId)?.name; // 'Yard Round'
 */
export function recordOf<Kind extends Retirable>(
  book: Pick<HouseBook, Kind | 'retired'>,
  kind: Kind,
  id: string | null | undefined,
): HouseBook[Kind][number] | undefined {
  const all: readonly HouseBook[Kind][number][] = [...book[kind], ...book.retired[kind]];
  return all.find((record) => record.id === id);
}
