import { effective } from './effective';
import type { Formula } from './formula';
import { freshEquivalentPercent, STANDARD_YEAST_CONVERSION, type YeastConversion } from './yeast';

/** Something about a formula that is worth a second look. It never forbids anything. */
export type FormulaNote =
  | { readonly kind: 'salt-low'; readonly percent: number; readonly usual: number }
  | { readonly kind: 'salt-high'; readonly percent: number; readonly usual: number }
  | { readonly kind: 'sugar-brakes'; readonly percent: number; readonly from: number }
  | { readonly kind: 'yeast-high'; readonly freshPercent: number; readonly usual: number }
  | { readonly kind: 'yeast-none' }
  | {
      readonly kind: 'fast-yeast-long-route';
      readonly hours: number;
      readonly from: number;
    }
  | {
      readonly kind: 'stiff-for-mixer';
      readonly hydrationPercent: number;
      /** Share of its rating that the mixer may take of it, 0–1. */
      readonly share: number;
    }
  | {
      readonly kind: 'ripens-past-flour';
      readonly maturityH: number;
      readonly mostH: number;
    };

/** What is known around a formula; what is not known is not noted. */
export interface FormulaSetting {
  /** From the mixer to the oven by its route, h. */
  readonly routeHours?: number;
  /** Ripeness at the end of its route and what its flours stand, hours-at-20 °C. */
  readonly ripeness?: { readonly maturityH: number; readonly mostH: number };
  /** Share of its rating that its mixer may take of this dough, 0–1. */
  readonly mixerShare?: number;
  readonly yeastConversion?: YeastConversion;
}

/** Below this salt is bland and yeast runs fast; above that it tastes and lags (craft). */
const SALT_PERCENT = { least: 2, most: 4 } as const;
/** From here on sugar draws water from the yeast. */
const SUGAR_PERCENT = 5;
/** More fresh yeast than any ordinary pizza dough has. */
const YEAST_PERCENT = 3;
/** Fast-acting yeast shoots up early and falls: not for routes of this length, h. */
const LONG_ROUTE_H = 60;
/** A mixer that may take less than this share of its rating is strained. */
const STIFF_SHARE = 0.9;

/**
 * Notes on a formula, in the order of its ingredients.
 *
 * @param setting the route and mixer it is made by, as far as known
 */
export function formulaNotes(formula: Formula, setting: FormulaSetting = {}): FormulaNote[] {
  const { hydrationPercent, saltPercent, sugarPercent } = effective(formula);
  const { routeHours = 0, ripeness, mixerShare = 1 } = setting;
  const conversion = setting.yeastConversion ?? STANDARD_YEAST_CONVERSION;
  const freshPercent = freshEquivalentPercent(formula.yeast, 1, conversion);
  const notes: (FormulaNote | false)[] = [
    ripeness !== undefined &&
      ripeness.maturityH > ripeness.mostH && { kind: 'ripens-past-flour', ...ripeness },
    mixerShare < STIFF_SHARE && { kind: 'stiff-for-mixer', hydrationPercent, share: mixerShare },
    saltPercent < SALT_PERCENT.least && {
      kind: 'salt-low',
      percent: saltPercent,
      usual: SALT_PERCENT.least,
    },
    saltPercent > SALT_PERCENT.most && {
      kind: 'salt-high',
      percent: saltPercent,
      usual: SALT_PERCENT.most,
    },
    sugarPercent > SUGAR_PERCENT && {
      kind: 'sugar-brakes',
      percent: sugarPercent,
      from: SUGAR_PERCENT,
    },
    freshPercent === 0 && { kind: 'yeast-none' },
    freshPercent > YEAST_PERCENT && { kind: 'yeast-high', freshPercent, usual: YEAST_PERCENT },
    formula.yeast.form === 'instant' &&
      routeHours >= LONG_ROUTE_H && {
        kind: 'fast-yeast-long-route',
        hours: routeHours,
        from: LONG_ROUTE_H,
      },
  ];
  return notes.filter((note): note is FormulaNote => note !== false);
}
