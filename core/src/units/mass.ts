/** Grams in an international avoirdupois ounce; exact by definition (1959 agreement). */
export const G_PER_OZ = 28.349523125;
/** Grams in an international avoirdupois pound; exact by definition (1959 agreement). */
export const G_PER_LB = 453.59237;

/** Ounces to grams. */
export const ozToG = (oz: number): number => oz * G_PER_OZ;
/** Grams to ounces. */
export const gToOz = (g: number): number => g / G_PER_OZ;
/** Pounds to grams. */
export const lbToG = (lb: number): number => lb * G_PER_LB;
/** Grams to pounds. */
export const gToLb = (g: number): number => g / G_PER_LB;
