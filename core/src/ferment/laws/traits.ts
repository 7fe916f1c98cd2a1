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
import { branOf, flourLimits, holdingSteepness, mostRise, type FlourLimits } from './flour';
import { saltingOut } from './solubility';

/** What about a formula matters to fermentation. */
export interface DoughTraits {
  /** Fresh-yeast-equivalent, g per kg flour. */
  readonly yeastGPerKg: number;
  readonly yeastForm: YeastForm;
  readonly saltPercent: number;
  readonly sugarPercent: number;
  readonly yeastIsPreWetted: boolean;
  /** Diastatic malt, percent of flour. */
  readonly maltPercent: number;
  /** Water, L per kg flour. */
  readonly waterLPerKg: number;
  /** What salt leaves of the CO₂ that water holds, 0–1. */
  readonly saltingOut: number;
  /** Dough, kg per kg flour. */
  readonly doughKgPerKg: number;
  readonly limits: FlourLimits;
  /** How steeply the odds fall with age. */
  readonly steepness: number;
  readonly mostRise: number;
}

/** What a dough has beyond its formula. */
export interface DoughExtras {
  /** Of the yeast, beside what the formula says of it: 1 = as it says. */
  readonly activity?: number;
  readonly maltPercent?: number;
  readonly conversion?: YeastConversion;
}

/** A formula's traits. */
export function doughTraits(
  formula: PlainFormula,
  { activity = 1, maltPercent = 0, conversion = STANDARD_YEAST_CONVERSION }: DoughExtras = {},
  constants = STARTING,
): DoughTraits {
  const { hydrationPercent, saltPercent, sugarPercent, fatPercent } = effective(formula);
  const limits = flourLimits(formula.flours);
  return {
    yeastGPerKg: freshEquivalentPercent(formula.yeast, activity, conversion) * 10,
    yeastForm: formula.yeast.form,
    yeastIsPreWetted: formula.yeast.isPreWetted ?? false,
    maltPercent,
    saltPercent,
    sugarPercent,
    waterLPerKg: hydrationPercent / 100,
    saltingOut: saltingOut(saltPercent, hydrationPercent, constants),
    doughKgPerKg: totalPercent(formula) / 100,
    limits,
    steepness: holdingSteepness(limits.strengthW, limits.strengthOffBy),
    mostRise: mostRise(
      limits.strengthW,
      hydrationPercent,
      { fatPercent, branPercent: branOf(formula.flours) },
      constants,
    ),
  };
}
