import { documentOfRecipe, type DoughDocument, type Product } from '@calm/contract';
import type { BoardLot } from './lotBoard';

/** What the engine is asked about a lot's balls of one product, as it is planned. */
export function documentOfLot(
  lot: BoardLot,
  { ballWeightG, target }: Product,
  prefermentTempC: number,
): DoughDocument | null {
  return documentOfRecipe(lot.recipe, {
    size: {
      loads: lot.scaled.ok ? lot.scaled.value.loads.length : 1,
      balls: lot.items.reduce((sum, item) => sum + item.count, 0),
    },
    ballWeightG,
    target,
    prefermentTempC,
  });
}

/** When a lot's dough comes off the mixer by its plan, ms; null without a mix. */
export function mixedMsOf({ stages }: BoardLot): number | null {
  return stages.find((stage) => stage.kind === 'work' && stage.key === 'mix')?.endMs ?? null;
}
