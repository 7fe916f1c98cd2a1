import type { Addition, Flour, Formula, OldDough, Preferment } from './formula';
import type { YeastForm } from './yeast';

/** The trade reads a litre of formula water as 1000 g. */
export const G_PER_LITRE_OF_WATER = 1000;

/**
 * The same formula counted on a litre of water: grams of everything per 1000 g of water.
 * Pre-ferment and old dough keep their shares, which do not depend on the base.
 */
export interface PerLitreFormula {
  readonly flours: readonly (Omit<Flour, 'percent'> & { readonly gPerLitre: number })[];
  readonly saltGPerLitre: number;
  readonly sugarGPerLitre?: number;
  readonly oilGPerLitre?: number;
  readonly additions?: readonly (Omit<Addition, 'percent'> & { readonly gPerLitre: number })[];
  readonly yeast: { readonly form: YeastForm; readonly gPerLitre: number };
  readonly preferment?: Preferment;
  readonly oldDough?: OldDough;
}

/**
 * A formula per litre of water.
 *
 * @param formula with waterPercent > 0
 * @throws RangeError when the formula has no water to count on
 * @example toPerLitre({ flours: [{ name: 'white', percent: 100 }], waterPercent: 62, saltPercent: 2, yeast: { form: 'fresh', percent: 1 } }).flours[0].gPerLitre // 1612.9
 */
export function toPerLitre(formula: Formula): PerLitreFormula {
  if (!(formula.waterPercent > 0)) throw new RangeError('a formula per litre needs water');
  const gPerLitre = (percent: number) => (percent * G_PER_LITRE_OF_WATER) / formula.waterPercent;
  const { flours, saltPercent, sugarPercent, oilPercent, additions, yeast } = formula;
  return {
    flours: flours.map(({ percent, ...flour }) => ({ ...flour, gPerLitre: gPerLitre(percent) })),
    saltGPerLitre: gPerLitre(saltPercent),
    ...(sugarPercent !== undefined && { sugarGPerLitre: gPerLitre(sugarPercent) }),
    ...(oilPercent !== undefined && { oilGPerLitre: gPerLitre(oilPercent) }),
    ...(additions && {
      additions: additions.map(({ percent, ...extra }) => ({
        ...extra,
        gPerLitre: gPerLitre(percent),
      })),
    }),
    yeast: { form: yeast.form, gPerLitre: gPerLitre(yeast.percent) },
    ...(formula.preferment && { preferment: formula.preferment }),
    ...(formula.oldDough && { oldDough: formula.oldDough }),
  };
}

/**
 * Back to baker's percentages. `fromPerLitre(toPerLitre(f))` is `f` to 1e-12 relative.
 *
 * @throws RangeError when there is no flour
 */
export function fromPerLitre(perLitre: PerLitreFormula): Formula {
  const flourG = perLitre.flours.reduce((sum, flour) => sum + flour.gPerLitre, 0);
  if (!(flourG > 0)) throw new RangeError('a formula needs flour');
  const percent = (gPerLitre: number) => (gPerLitre * 100) / flourG;
  const { flours, saltGPerLitre, sugarGPerLitre, oilGPerLitre, additions, yeast } = perLitre;
  return {
    flours: flours.map(({ gPerLitre, ...flour }) => ({ ...flour, percent: percent(gPerLitre) })),
    waterPercent: percent(G_PER_LITRE_OF_WATER),
    saltPercent: percent(saltGPerLitre),
    ...(sugarGPerLitre !== undefined && { sugarPercent: percent(sugarGPerLitre) }),
    ...(oilGPerLitre !== undefined && { oilPercent: percent(oilGPerLitre) }),
    ...(additions && {
      additions: additions.map(({ gPerLitre, ...extra }) => ({
        ...extra,
        percent: percent(gPerLitre),
      })),
    }),
    yeast: { form: yeast.form, percent: percent(yeast.gPerLitre) },
    ...(perLitre.preferment && { preferment: perLitre.preferment }),
    ...(perLitre.oldDough && { oldDough: perLitre.oldDough }),
  };
}
