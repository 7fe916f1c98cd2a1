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
 * @example effective({ flours: [], waterPercent: 60, saltPercent: 2, yeast: { form: 'fresh', percent: 1 }, additions: [{ name: 'milk', percent: 10, composition: { waterPercent: 88 } }] }) // { hydrationPercent: 68.8, saltPercent: 2 }
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
