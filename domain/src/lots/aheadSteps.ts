import type { Recipe } from '@calm/contract';
import { amountsBySteps, type AmountsBySteps, type Load } from '@calm/core';
import type { MethodStep } from '@calm/contract';

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
 * What of a pre-ferment goes in at which of its steps.
 *
 * @param preferment as scaled
 */
export const aheadAmounts = (recipe: Recipe, preferment: Load): AmountsBySteps =>
  amountsBySteps(
    preferment.ingredients,
    aheadSteps(recipe).map(({ adds = [] }) => adds),
    ({ kind }) => recipe.settings.scaleReadabilityG[kind === 'yeast' ? 'yeast' : 'default'],
  );
