import type { NamedGrams } from '../pantry';

/** What is in the store of one thing. */
export interface InStore {
  readonly name: string;
  readonly grams: number;
  /** Local date after which it is no longer used. */
  readonly goodUntil?: string;
  readonly bagKg?: number;
}

/** One line of what a week takes. */
export interface ShoppingLine {
  readonly name: string;
  readonly needG: number;
  /** In the store and still good when it is last needed. */
  readonly haveG: number;
  /** To be bought, in whole bags where the bag is known. */
  readonly buyG: number;
  readonly bags: number | null;
  /** In the store but past its date before the last day it is needed. */
  readonly expiresG: number;
}

/**
 * What a week takes against what is in the store. Water comes from the tap.
 *
 * @param needs every ingredient of every lot; names may come more than once
 * @param lastDate local date it is last needed
 */
export function shoppingList(
  needs: readonly NamedGrams[],
  store: readonly InStore[],
  lastDate: string,
): ShoppingLine[] {
  const sums = new Map<string, number>();
  for (const { name, grams } of needs) {
    if (name !== 'water') sums.set(name, (sums.get(name) ?? 0) + grams);
  }
  return [...sums].map(([name, needG]) => {
    const there = store.filter((each) => each.name === name);
    const isGood = ({ goodUntil }: InStore) => goodUntil === undefined || goodUntil >= lastDate;
    const sum = (list: readonly InStore[]) => list.reduce((total, { grams }) => total + grams, 0);
    const haveG = sum(there.filter(isGood));
    const missingG = Math.max(0, needG - haveG);
    const bagKg = there.find((each) => each.bagKg !== undefined)?.bagKg;
    const bags =
      bagKg === undefined ? null : Math.max(0, Math.ceil(missingG / (bagKg * 1000) - 1e-9));
    return {
      name,
      needG,
      haveG,
      buyG: bags === null || bagKg === undefined ? missingG : bags * bagKg * 1000,
      bags,
      expiresG: sum(there) - haveG,
    };
  });
}
