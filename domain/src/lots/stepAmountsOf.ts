import type { Recipe } from '@calm/contract';
import { amountsBySteps, type AmountsBySteps, type LineKind, type Load } from '@calm/core';

/** What the scale shows that a line is weighed on, g: yeast has one of its own. */
export const scaleStepG = (
  { scaleReadabilityG }: Pick<Recipe['settings'], 'scaleReadabilityG'>,
  kind: LineKind,
): number => scaleReadabilityG[kind === 'yeast' ? 'yeast' : 'default'];

/** What of a load goes in at which step of its method; null where nobody has said what goes in when. */
export function stepAmountsOf(
  { method, settings }: Pick<Recipe, 'method' | 'settings'>,
  load: Load,
): AmountsBySteps | null {
  if (method.steps.every(({ adds }) => adds === undefined)) return null;
  return amountsBySteps(
    load.ingredients,
    method.steps.map(({ adds = [] }) => adds),
    ({ kind }) => scaleStepG(settings, kind),
  );
}
