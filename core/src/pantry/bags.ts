/** How an amount comes out of bags. */
export interface BagCount {
  /** Bags used up. */
  readonly whole: number;
  /** Taken from one more bag, g. */
  readonly fromOpenG: number;
  /** Bags to have at hand. */
  readonly toOpen: number;
}

/** Less than this is what clings to the bag, g. */
const CLINGS_G = 0.5;

/**
 * Bags for an amount.
 *
 * @param grams wanted, at least 0
 * @param bagKg kilograms in a bag, more than 0
 * @throws RangeError when a bag holds nothing
 */
export function bagsFor(grams: number, bagKg: number): BagCount {
  if (!(bagKg > 0)) throw new RangeError('a bag must hold something');
  const bagG = bagKg * 1000;
  const whole = Math.floor((grams + CLINGS_G) / bagG);
  const fromOpenG = Math.max(0, grams - whole * bagG);
  const isOpen = fromOpenG > CLINGS_G;
  return { whole, fromOpenG: isOpen ? fromOpenG : 0, toOpen: whole + (isOpen ? 1 : 0) };
}
