import { shoppingList, type ShoppingLine } from '@calm/core';
import type { HouseBook } from '@calm/contract';
import type { BoardLot } from '@calm/domain';

/** What some lots still take, and which of them cannot be made as they stand. */
export interface Shopping {
  readonly lines: readonly ShoppingLine[];
  readonly cannot: readonly BoardLot[];
}

/**
 * What the lots of some days take, against what is in the store. A lot under way has been weighed.
 *
 * @param lots of the days
 * @param lastDate local date of the last of them
 */
export function shoppingOf(
  lots: readonly BoardLot[],
  { pantry }: Pick<HouseBook, 'pantry'>,
  lastDate: string,
): Shopping {
  const ahead = lots.filter(({ lot }) => !lot);
  const needs = ahead.flatMap(({ scaled }) =>
    scaled.ok
      ? [...scaled.value.totals.ingredients, ...(scaled.value.preferment?.ingredients ?? [])]
          // The pre-ferment's own ingredients are counted, not the mass they make.
          .filter(({ kind }) => kind !== 'preferment' && kind !== 'old-dough')
          .map(({ name, grams }) => ({ name, grams }))
      : [],
  );
  const store = pantry.map(({ name, storeKg = 0, goodUntil, bagKg }) => ({
    name,
    grams: storeKg * 1000,
    ...(goodUntil !== undefined && { goodUntil }),
    ...(bagKg !== undefined && { bagKg }),
  }));
  return {
    lines: shoppingList(needs, store, lastDate),
    cannot: ahead.filter(({ scaled }) => !scaled.ok),
  };
}
