import type { House, Service, Shift } from '@calm/contract';
import { productCount, readChosen, readUsual } from '../store/counts';
import { readProductIds } from '../store/products';
import type { Scope } from '../store/scope';
import { readServicePatterns, readShiftPatterns } from '../store/week';
import { addDays, datesFrom, instantOf, weekdayOf } from './wallClock';

/** A house's services over some days, with the count of every product, in time's order. */
export async function servicesBetween(
  scope: Scope,
  house: House,
  from: string,
  days: number,
): Promise<Service[]> {
  const [patterns, products, usual, chosen] = await Promise.all([
    readServicePatterns(scope),
    readProductIds(scope),
    readUsual(scope),
    readChosen(scope, from, addDays(from, days - 1)),
  ]);
  return datesFrom(from, days).flatMap((date) =>
    patterns
      .filter((pattern) => pattern.weekday === weekdayOf(date))
      .sort((a, b) => a.startMin - b.startMin)
      .map((pattern) => ({
        patternId: pattern.id,
        name: pattern.name,
        date,
        startsAt: instantOf(date, pattern.startMin, house.timeZone).toISOString(),
        endsAt: instantOf(date, pattern.endMin, house.timeZone).toISOString(),
        counts: products.map((productId) => {
          const isThis = (row: { patternId: string; productId: string }) =>
            row.patternId === pattern.id && row.productId === productId;
          return productCount(
            productId,
            usual.find(isThis)?.count ?? 0,
            chosen.find((row) => row.date === date && isThis(row)),
          );
        }),
      })),
  );
}

/** Everybody's shifts over some days, in time's order. */
export async function shiftsBetween(
  scope: Scope,
  house: House,
  from: string,
  days: number,
): Promise<Shift[]> {
  const patterns = await readShiftPatterns(scope);
  return datesFrom(from, days).flatMap((date) =>
    patterns
      .filter((pattern) => pattern.weekday === weekdayOf(date))
      .sort((a, b) => a.startMin - b.startMin)
      .map((pattern) => ({
        personId: pattern.personId,
        startsAt: instantOf(date, pattern.startMin, house.timeZone).toISOString(),
        endsAt: instantOf(date, pattern.endMin, house.timeZone).toISOString(),
      })),
  );
}
