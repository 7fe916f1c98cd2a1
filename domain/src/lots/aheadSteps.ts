import type { MethodStep, Recipe } from '@calm/contract';
import type { AmountsBySteps, Load } from '@calm/core';
import { stepAmountsOf } from './stepAmountsOf';

/** How a pre-ferment is made where a house has not written its own steps; they have words of their own. */
const USUAL: readonly MethodStep[] = [
  {
    key: 'water-yeast',
    title: '',
    detail: '',
    adds: [
      { kind: 'water', percent: 100 },
      { kind: 'yeast', percent: 100 },
    ],
  },
  { key: 'flour', title: '', detail: '', adds: [{ kind: 'flour', percent: 100 }], speed: 'hand' },
  { key: 'cover', title: '', detail: '' },
];

/** What is done ahead for a recipe's pre-ferment, in order; none where it has no pre-ferment. */
export const aheadSteps = ({
  formula,
  method,
}: Pick<Recipe, 'formula' | 'method'>): readonly MethodStep[] =>
  formula.preferment ? (method.ahead ?? USUAL) : [];

/** Whether a recipe's pre-ferment is made by the steps that everybody uses. */
export const isUsualAhead = ({ method }: Pick<Recipe, 'method'>): boolean =>
  method.ahead === undefined;

/**
 * What of a pre-ferment goes in at which of its steps; null where none of them says.
 *
 * @param preferment as scaled
 */
export const aheadAmounts = (recipe: Recipe, preferment: Load): AmountsBySteps | null =>
  stepAmountsOf({ ...recipe, method: { ...recipe.method, steps: aheadSteps(recipe) } }, preferment);
