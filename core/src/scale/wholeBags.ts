import { scaleLot, type ScaleRequest } from './scale';

/** A count of balls that uses an ingredient up to the bag. */
export interface WholeBags {
  readonly bags: number;
  /** Balls of the product whose count may change. */
  readonly count: number;
  /** Of the ingredient, before rounding, g. */
  readonly grams: number;
}

const MOST_BALLS = 20_000;

/**
 * The counts nearest to what is asked that use an ingredient in whole bags: as many balls as the bags
 * below it, and the bags above it, give.
 *
 * @param request as asked
 * @param item index of the product whose count may change
 * @param key of the ingredient, as in `formulaLines`
 * @param bagKg kilograms in a bag, more than 0
 * @returns none, one or two answers, fewer bags first; none where the lot cannot be made as asked
 */
export function wholeBagCounts(
  request: ScaleRequest,
  item: number,
  key: string,
  bagKg: number,
): WholeBags[] {
  const asked = gramsFor(request, item, key, request.items[item]?.count ?? 0);
  if (asked === null || !(bagKg > 0)) return [];
  const below = Math.floor(asked / (bagKg * 1000) + 1e-9);
  return [below, below + 1].flatMap((bags) => {
    const answer = mostBallsOf(request, item, key, bags * bagKg * 1000);
    return bags > 0 && answer ? [{ bags, ...answer }] : [];
  });
}

/** An ingredient over all loads at a count of one item, g; null where it cannot be made. */
function gramsFor(request: ScaleRequest, item: number, key: string, count: number): number | null {
  const items = request.items.map((order, i) => (i === item ? { ...order, count } : order));
  const scaled = scaleLot({ ...request, items });
  if (!scaled.ok) return null;
  const lines = [
    ...scaled.value.totals.ingredients,
    ...(scaled.value.preferment?.ingredients ?? []),
  ];
  return lines.reduce((sum, line) => sum + (line.key === key ? line.exactG : 0), 0);
}

/**
 * The most balls of one product that so much of an ingredient gives: "17 kg of flour: how many balls?"
 *
 * @param request as asked
 * @param item index of the product whose count may change
 * @param key of the ingredient, as in `formulaLines`
 * @param limitG what there is of it, g
 * @returns the count and what it needs, g; null where not one load can be made of it
 * @example
 * mostBallsOf(request, 0, 'flour:strong white', 17_000); // { count: 108, grams: 16_954 }
 */
export function mostBallsOf(
  request: ScaleRequest,
  item: number,
  key: string,
  limitG: number,
): { readonly count: number; readonly grams: number } | null {
  let [low, high] = [0, MOST_BALLS];
  while (low < high) {
    const middle = Math.ceil((low + high) / 2);
    const grams = gramsFor(request, item, key, middle);
    if (grams !== null ? grams <= limitG + 1e-6 : isTooFew(request, item, middle)) low = middle;
    else high = middle - 1;
  }
  const grams = gramsFor(request, item, key, low);
  return low > 0 && grams !== null && grams <= limitG + 1e-6 ? { count: low, grams } : null;
}

/** A count that cannot be made because its loads are too small; otherwise it is too many. */
function isTooFew(request: ScaleRequest, item: number, count: number): boolean {
  const items = request.items.map((order, i) => (i === item ? { ...order, count } : order));
  const scaled = scaleLot({ ...request, items });
  return (
    !scaled.ok &&
    scaled.reasons.some(({ kind }) => kind === 'load-below-least' || kind === 'nothing-to-make')
  );
}
