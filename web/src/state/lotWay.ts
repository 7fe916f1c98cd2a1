import type { DoughDocument, Product } from '@calm/contract';
import { doughStageOf, wayOfRoute } from '@calm/core';
import type { BoardLot } from './lotBoard';

/** What the engine is asked about a lot's balls of one product, as it is planned. */
export function documentOfLot(
  lot: BoardLot,
  product: Product,
  prefermentTempC: number,
): DoughDocument {
  const { recipe } = lot;
  const way = wayOfRoute(recipe.route, {
    loads: lot.scaled.ok ? lot.scaled.value.loads.length : 1,
    balls: lot.items.reduce((sum, item) => sum + item.count, 0),
  });
  const ahead = way.ahead.map((stage) => doughStageOf(stage));
  return {
    formula: recipe.formula,
    ballWeightG: product.ballWeightG,
    doughTempC: recipe.doughTempC,
    stages: way.stages.map((stage) => doughStageOf(stage)),
    histories:
      ahead.length > 0 ? { preferment: { doughTempC: prefermentTempC, stages: ahead } } : {},
    target: product.target,
  };
}

/** When a lot's dough comes off the mixer by its plan, ms; null without a mix. */
export function mixedMsOf({ stages }: BoardLot): number | null {
  return stages.find((stage) => stage.kind === 'work' && stage.key === 'mix')?.endMs ?? null;
}
