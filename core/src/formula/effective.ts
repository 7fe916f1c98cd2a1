import type { Composition, PlainFormula } from './formula';

/** What the dough really holds once every ingredient's own water, salt and fat are counted. */
export interface EffectiveFormula {
  /** Water from all ingredients, percent of total flour. */
  readonly hydrationPercent: number;
  readonly saltPercent: number;
  readonly fatPercent: number;
  readonly sugarPercent: number;
}

/**
 * Effective hydration, salt, fat and sugar, each as percent of total flour. An addition with no
 * composition brings none of them.
 *
 * @example a formula with 60 % water and 10 % milk of 88 % water has 68.8 % effective hydration
 */
export function effective(formula: PlainFormula): EffectiveFormula {
  const brought = (part: keyof Composition): number =>
    (formula.additions ?? []).reduce(
      (sum, extra) => sum + (extra.percent * (extra.composition?.[part] ?? 0)) / 100,
      0,
    );
  return {
    hydrationPercent: formula.waterPercent + brought('waterPercent'),
    saltPercent: formula.saltPercent + brought('saltPercent'),
    fatPercent: (formula.oilPercent ?? 0) + brought('fatPercent'),
    sugarPercent: (formula.sugarPercent ?? 0) + brought('sugarPercent'),
  };
}
