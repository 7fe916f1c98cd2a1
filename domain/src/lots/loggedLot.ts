import { countBack, type PlannedStage } from '@calm/core';
import type { HouseBook, Lot } from '@calm/contract';
import { recordOf } from '../book/recordOf';
import type { BoardLot } from './lotBoard';
import { scaleRecipe } from './recipe';

/**
 * A lot from the log as boards have it: by its own frozen recipe and plan.
 *
 * @param planned its stages when it started; counted back from its doors where they were not kept
 * @returns null where the house never had its product
 */
export function loggedLot(
  lot: Lot,
  planned: readonly PlannedStage[] | null,
  book: Pick<HouseBook, 'products' | 'retired'>,
): BoardLot | null {
  const [first] = lot.items;
  const product = recordOf(book, 'products', first?.productId);
  if (!product) return null;
  const doorsMs = Date.parse(lot.doorsAt);
  const size = {
    loads: lot.loads.length,
    balls: lot.items.reduce((sum, { count }) => sum + count, 0),
  };
  return {
    product,
    date: lot.serviceDate,
    lot,
    code: lot.code,
    recipe: lot.recipe,
    items: lot.items,
    wanted: lot.items,
    scaled: scaleRecipe(lot.recipe, lot.items),
    stages: planned ?? countBack(lot.recipe.route, doorsMs, size),
    doorsMs,
    closeMs: Date.parse(lot.closeAt),
  };
}
