import { doughStageOf, doughStagesOfRoute, type LotSize, type Target } from '@calm/core';
import type { DoughDocument, Recipe } from '@calm/contract';

/** Balls of a recipe, as far as the engine needs to know them. */
export interface RecipeBalls {
  readonly size: LotSize;
  readonly ballWeightG: number;
  readonly target: Target;
  /** A pre-ferment's temperature when it is mixed, °C. */
  readonly prefermentTempC: number;
  /** Hours the balls stay in the cold beyond what the route prefers. */
  readonly heldH?: number;
}

/**
 * What the engine is asked about a recipe's balls.
 *
 * @returns null when they shall be held and the route has no cold stage to hold them in
 */
export function documentOfRecipe(
  recipe: Recipe,
  { size, ballWeightG, target, prefermentTempC, heldH = 0 }: RecipeBalls,
): DoughDocument | null {
  const way = doughStagesOfRoute(recipe.route, size);
  const cold = way.stages.findLastIndex(({ rest, kind }) => rest.key === 'cold' && kind === 'ball');
  if (heldH > 0 && cold < 0) return null;
  const preferments = way.preferments.map((stage) => doughStageOf(stage));
  return {
    formula: recipe.formula,
    ballWeightG,
    doughTempC: recipe.doughTempC,
    stages: way.stages.map((stage, i) =>
      doughStageOf(stage, i === cold ? { hours: stage.rest.hours.preferred + heldH } : {}),
    ),
    histories:
      preferments.length > 0
        ? { preferment: { doughTempC: prefermentTempC, stages: preferments } }
        : {},
    target,
  };
}
