/** The three forms yeast is sold in. */
export type YeastForm = (typeof YEAST_FORMS)[number];

/** Every yeast form, in the trade's order. */
export const YEAST_FORMS = ['fresh', 'active-dry', 'instant'] as const;

/** An amount of yeast as percent of the flour it is counted on. */
export interface YeastDose {
  readonly form: YeastForm;
  readonly percent: number;
  /** 1 = new; less when aged, or as a proof test shows it. */
  readonly activity?: number;
  /** Dry yeast that was woken in water before it went in. */
  readonly isPreWetted?: boolean;
}

/** Grams of each form that raise dough like one gram of fresh yeast. A house may edit its own. */
export type YeastConversion = Readonly<Record<YeastForm, number>>;

/**
 * Starting values by mass, fresh : active dry : instant = 1 : 0.35 : 0.33. The pack's 0.40 for active dry counts in the
 * time it takes to wake up, which the engine lets pass by itself.
 * Plausible range 0.33–0.50 for active dry, 0.30–0.40 for instant.
 */
export const STANDARD_YEAST_CONVERSION: YeastConversion = {
  fresh: 1,
  'active-dry': 0.35,
  instant: 0.33,
};

/**
 * The same raising power in another form.
 *
 * @param amount grams or percent of one form
 * @param from the form it is given in
 * @param to the form wanted
 * @param conversion the house's grams of each form per gram of fresh
 * @returns the amount in the unit it came in
 * @example convertYeast(10, 'fresh', 'instant') // 3.3
 */
export function convertYeast(
  amount: number,
  from: YeastForm,
  to: YeastForm,
  conversion: YeastConversion = STANDARD_YEAST_CONVERSION,
): number {
  return from === to ? amount : (amount / conversion[from]) * conversion[to];
}

/**
 * Fresh-yeast-equivalent dose, as the dough feels it.
 *
 * @param dose yeast as percent of flour
 * @param activity 1.0 for new yeast, less when aged or when a proof test shows it, 0–1.5
 * @returns percent of flour as fresh yeast of activity 1
 */
export function freshEquivalentPercent(
  dose: YeastDose,
  activity = 1,
  conversion: YeastConversion = STANDARD_YEAST_CONVERSION,
): number {
  return (
    convertYeast(dose.percent, dose.form, 'fresh', conversion) * activity * (dose.activity ?? 1)
  );
}
