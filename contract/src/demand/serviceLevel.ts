/** What running out weighs against throwing away, as a house says it. */
export type ServiceLevelTarget =
  /** Enough this often, percent. */
  | { readonly kind: 'often'; readonly enoughPercent: number }
  /**
   * What a missing ball and a left one cost, in the house's own money; and one that is kept for a later service, where
   * that costs less.
   */
  | {
      readonly kind: 'money';
      readonly short: number;
      readonly left: number;
      readonly carried?: number;
    };

/** Enough four times in five. Starting value. */
export const STANDARD_SERVICE_LEVEL: ServiceLevelTarget = { kind: 'often', enoughPercent: 80 };
