import {
  effective,
  freshEquivalentPercent,
  STANDARD_YEAST_CONVERSION,
  totalPercent,
  type PlainFormula,
  type YeastConversion,
  type YeastForm,
} from '../../formula';
import { STARTING } from './constants';
import { flourLimits, mostRise, type FlourLimits } from './flour';

/** What about a formula matters to fermentation. */
export interface DoughTraits {
  /** Fresh-yeast-equivalent, g per kg flour. */
  readonly yeastGPerKg: number;
  readonly yeastForm: YeastForm;
  readonly saltPercent: number;
  readonly sugarPercent: number;
  /** Water, L per kg flour. */
  readonly waterLPerKg: number;
  /** Dough, kg per kg flour. */
  readonly doughKgPerKg: number;
  readonly limits: FlourLimits;
  readonly mostRise: number;
}

/** A formula's traits. @param activity of the yeast, 1 = new */
export function doughTraits(
  formula: PlainFormula,
  activity = 1,
  conversion: YeastConversion = STANDARD_YEAST_CONVERSION,
  constants = STARTING,
): DoughTraits {
  const { hydrationPercent, saltPercent, sugarPercent } = effective(formula);
  const limits = flourLimits(formula.flours);
  return {
    yeastGPerKg: freshEquivalentPercent(formula.yeast, activity, conversion) * 10,
    yeastForm: formula.yeast.form,
    saltPercent,
    sugarPercent,
    waterLPerKg: hydrationPercent / 100,
    doughKgPerKg: totalPercent(formula) / 100,
    limits,
    mostRise: mostRise(limits.strengthW, hydrationPercent, constants),
  };
}
