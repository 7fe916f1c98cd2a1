import type { Composition } from '../formula';

/** How long dough with something in it may be warm, in all: the house's own numbers by its local code. */
export interface HoldingLimit {
  /** Time counts above this, °C. */
  readonly aboveC: number;
  /** In all, from the mixer on. */
  readonly mostMin: number;
}

/** What a house knows of something it buys. Formulas name it; this is what the name stands for. */
export interface Ingredient {
  readonly name: string;
  /** Of one kilogram, in the house's own money. */
  readonly costPerKg?: number;
  /** Kilograms in a bag, box or can. */
  readonly bagKg?: number;
  /** As the house words them on its labels. */
  readonly allergens: readonly string[];
  /** Flour strength W, 10⁻⁴ J. */
  readonly strengthW?: number;
  readonly proteinPercent?: number;
  /** Of a flour; white flour has none. */
  readonly branPercent?: number;
  /** How it drinks water, in the house's words. */
  readonly uptakeNote?: string;
  readonly composition?: Composition;
  /** How long dough with it may be warm; for what spoils, by the local code. */
  readonly holding?: HoldingLimit;
  /** In the store now, kg. */
  readonly storeKg?: number;
  /** Local date after which what is in the store is no longer used. */
  readonly goodUntil?: string;
}

/** Everything a house buys, by name. */
export type Pantry = readonly Ingredient[];

/** What a house knows of a name; null when it is not in the pantry. */
export function inPantry(pantry: Pantry, name: string): Ingredient | null {
  return pantry.find((ingredient) => ingredient.name === name) ?? null;
}
