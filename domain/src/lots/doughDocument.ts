import {
  doughStageOf,
  doughStagesOfRoute,
  type DoughStage,
  type Formula,
  type LotSize,
  type Target,
} from '@calm/core';
import type { AcceptedConstant, DoughDocument, Recipe } from '@calm/contract';

/** A dough and the stages it goes through, as somebody knows them. */
export interface DoughParts {
  readonly formula: Formula;
  readonly ballWeightG: number;
  /** Off the mixer, °C. */
  readonly doughTempC: number;
  readonly stages: readonly DoughStage[];
  /** Stages of what is mixed before it; none for a straight dough. */
  readonly prefermentStages: readonly DoughStage[];
  /** A pre-ferment's temperature when it is mixed, °C. */
  readonly prefermentTempC: number;
  readonly target: Partial<Target>;
  /** Height above the sea, m; at the sea when absent. */
  readonly altitudeM?: number | undefined;
  /** What the house has learned of its own numbers; as assumed when absent. */
  readonly constants?: readonly AcceptedConstant[] | undefined;
}

/**
 * What the engine is asked about a dough: the one place where a document is put together, whether the dough
 * is planned, under way, or only imagined.
 */
export const doughDocument = ({
  prefermentStages,
  prefermentTempC,
  altitudeM,
  constants,
  ...dough
}: DoughParts): DoughDocument => ({
  ...dough,
  ...(constants && constants.length > 0 && { constants }),
  ...(altitudeM !== undefined && { altitudeM }),
  histories:
    prefermentStages.length > 0
      ? { preferment: { doughTempC: prefermentTempC, stages: prefermentStages } }
      : {},
});

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
  return doughDocument({
    formula: recipe.formula,
    ballWeightG,
    doughTempC: recipe.doughTempC,
    stages: way.stages.map((stage, i) =>
      doughStageOf(stage, i === cold ? { hours: stage.rest.hours.preferred + heldH } : {}),
    ),
    prefermentStages: way.preferments.map((stage) => doughStageOf(stage)),
    prefermentTempC,
    target,
    altitudeM: recipe.settings.altitudeM,
    constants: recipe.settings.learned,
  });
}
