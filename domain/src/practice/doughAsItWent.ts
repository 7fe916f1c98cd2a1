import type { HouseBook, LotLog, Product } from '@calm/contract';
import { freshEquivalentPercent, HOUR_MS } from '@calm/core';
import { factorsSeen, type AirRead } from '../learn/doughAsSeen';
import { doughAsItWas, doughAsPlanned } from '../lots/lotHistory';
import { loggedLot } from '../lots/loggedLot';

/** How one dough of a past evening was otherwise than planned. */
export interface DoughAsItWent {
  readonly productId: string;
  /** How much older it was than planned as its evening began, h. */
  readonly olderH: number;
  /** How much warmer it came off the mixer, °C. */
  readonly doughBy: number;
  /** Its yeast by what was weighed and by what was seen of it, and how long its flour held: 1 as written. */
  readonly yeast: number;
  readonly strength: number;
  /** How warm the room was that it was mixed in, °C; null where nobody read it. */
  readonly roomC: number | null;
}

/**
 * How a lot's balls of one product went, by its record.
 *
 * @param coldBy how much warmer the cold was than it is set to, °C: what that did is not the yeast's doing
 * @returns null for a lot that the house has no product of, or that is not mixed by its route
 */
export function doughAsItWent(
  { lot, planned, records }: LotLog,
  product: Product,
  book: HouseBook,
  coldBy: number,
): DoughAsItWent | null {
  const logged = loggedLot(lot, planned, book);
  const prefermentC = book.house.settings.usualTempsC.preferment;
  const plan = logged && doughAsPlanned(logged, product, prefermentC);
  const went = logged && doughAsItWas(logged, product, prefermentC);
  if (!plan || !went) return null;
  const airRead: AirRead = (name) => {
    const room = book.places.find((place) => place.name === name)?.room;
    return room ? room.setC + coldBy : null;
  };
  const seen = factorsSeen(went, records, airRead);
  const yeastOf = ({ document }: typeof went) => freshEquivalentPercent(document.formula.yeast);
  const weighed = yeastOf(plan) > 0 ? yeastOf(went) / yeastOf(plan) : 1;
  return {
    productId: product.id,
    olderH: (plan.mixedMs - went.mixedMs) / HOUR_MS,
    doughBy: went.document.doughTempC - plan.document.doughTempC,
    yeast: weighed * (seen?.yeast ?? 1),
    strength: seen?.endurance ?? 1,
    roomC: meanOf(lot.loads.map(({ roomTempC }) => roomTempC)),
  };
}

const meanOf = (numbers: readonly number[]): number | null =>
  numbers.length === 0 ? null : numbers.reduce((sum, each) => sum + each, 0) / numbers.length;
