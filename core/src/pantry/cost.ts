import { inPantry, type Pantry } from './ingredient';

/** An amount of something by its pantry name, g. */
export interface NamedGrams {
  readonly name: string;
  readonly grams: number;
}

/** What some ingredients cost. */
export interface Cost {
  /** In the house's own money. */
  readonly total: number;
  /** What has no price yet: the total is without it. */
  readonly unpriced: readonly string[];
}

/**
 * Cost of some ingredients.
 *
 * @returns the sum of what has a price, and the names of what has none; water costs nothing
 */
export function costOf(lines: readonly NamedGrams[], pantry: Pantry): Cost {
  let total = 0;
  const unpriced: string[] = [];
  for (const { name, grams } of lines) {
    const price = inPantry(pantry, name)?.costPerKg;
    if (price !== undefined) total += (price * grams) / 1000;
    else if (name !== 'water' && grams > 0) unpriced.push(name);
  }
  return { total, unpriced };
}
