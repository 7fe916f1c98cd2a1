import type { DoseDocument, HouseBook } from '@calm/contract';
import { nearestFlours, withFlour, type KnownFlour } from '@calm/core';
import { documentOfLot } from '../lots/lotHistory';
import type { BoardLot } from '../lots/lotBoard';

/** A lot that nobody has begun, and the flour it wants. */
export interface FlourNeed {
  readonly lot: BoardLot;
  readonly needG: number;
  /** Of what is left once the lots before it have theirs. */
  readonly hasG: number;
}

/** A flour in the place of one that is short, and the dough it makes. */
export interface FlourSwap {
  readonly flour: KnownFlour;
  /** Of what is missing that there is not of this one either. */
  readonly lacksG: number;
  /** Water of the changed formula, and what that is more than before, percent. */
  readonly waterPercent: number;
  readonly moreWaterPercent: number;
  /** The changed dough, to be dosed so that it opens best when the dough as written would. */
  readonly document: Omit<DoseDocument, 'peakHour'>;
}

/** Flours of a house that some formula takes. */
export const floursInUse = ({ formulas }: Pick<HouseBook, 'formulas'>): string[] =>
  [...new Set(formulas.flatMap(({ formula }) => formula.flours.map(({ name }) => name)))].sort();

/** What each lot that nobody has begun takes of a flour, the first to be mixed first. @param leftG in the store */
export function flourNeeds(lots: readonly BoardLot[], flour: string, leftG: number): FlourNeed[] {
  let left = leftG;
  return lots
    .filter(({ lot }) => !lot)
    .sort((a, b) => (a.stages[0]?.startMs ?? 0) - (b.stages[0]?.startMs ?? 0))
    .flatMap((lot): FlourNeed[] => {
      const needG = gramsOf(lot, flour);
      if (needG === 0) return [];
      const hasG = Math.min(left, needG);
      left -= hasG;
      return [{ lot, needG, hasG }];
    });
}

function gramsOf({ scaled }: BoardLot, flour: string): number {
  if (!scaled.ok) return 0;
  const { totals, preferment } = scaled.value;
  return [...totals.ingredients, ...(preferment?.ingredients ?? [])]
    .filter(({ name }) => name === flour)
    .reduce((sum, { grams }) => sum + grams, 0);
}

/** Flours looked at in the place of one that is short. */
const MOST_SWAPS = 3;

/** What could take the place of what a lot lacks: the nearest flours of the house, with what changes by them. */
export function flourSwaps(
  { lot, needG, hasG }: FlourNeed,
  flour: string,
  { pantry, house }: Pick<HouseBook, 'pantry' | 'house'>,
): FlourSwap[] {
  const was = lot.recipe.formula.flours.find(({ name }) => name === flour);
  const usual = documentOfLot(lot, lot.product, house.settings.usualTempsC.preferment);
  if (!was || !usual || needG === 0) return [];
  const shelf = pantry.filter(
    ({ strengthW, proteinPercent, storeKg = 0 }) =>
      (strengthW ?? proteinPercent) !== undefined && storeKg > 0,
  );
  return nearestFlours(shelf, was)
    .slice(0, MOST_SWAPS)
    .map((other): FlourSwap => {
      const { name, strengthW, proteinPercent, branPercent, storeKg = 0 } = other;
      const taken = Math.min(needG - hasG, storeKg * 1000);
      const known = {
        name,
        ...(strengthW !== undefined && { strengthW }),
        ...(proteinPercent !== undefined && { proteinPercent }),
        ...(branPercent !== undefined && { branPercent }),
      };
      const formula = withFlour(usual.formula, flour, known, taken / (hasG + taken));
      return {
        flour: known,
        lacksG: needG - hasG - taken,
        waterPercent: formula.waterPercent,
        moreWaterPercent: formula.waterPercent - usual.formula.waterPercent,
        document: { ...usual, formula },
      };
    });
}
