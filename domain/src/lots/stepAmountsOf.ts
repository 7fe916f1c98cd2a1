import type { Recipe } from '@calm/contract';
import { amountsBySteps, type AmountsBySteps, type Load } from '@calm/core';

/** What of a load goes in at which step of its method; null where nobody has said what goes in when. */
export function stepAmountsOf(
  { method, settings }: Pick<Recipe, 'method' | 'settings'>,
  load: Load,
): AmountsBySteps | null {
  const { scaleReadabilityG } = settings;
  if (method.steps.every(({ adds }) => adds === undefined)) return null;
  return amountsBySteps(
    load.ingredients,
    method.steps.map(({ adds = [] }) => adds),
    ({ kind }) => (kind === 'yeast' ? scaleReadabilityG.yeast : scaleReadabilityG.default),
  );
}
