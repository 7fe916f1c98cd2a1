import { MINUTE_MS, ok, QUARTER_MIN } from '@calm/core';
import { servicesOn, addDays, instantOf, localDateOf } from '@calm/domain';
import type { House, TillAnswer, TillSale } from '@calm/contract';
import { readProductIds } from '../../store/book/products';
import { addToSales, noteTillSale, type SaleKey } from '../../store/demand/sales';
import type { Scope } from '../../database/scope';
import { readCalendar } from '../../store/demand/calendar';
import { badInput, type Result } from '../result';

/** Orders are taken a little before doors and typed a little after the last of them. */
const EARLY_MIN = 15;
const LATE_MIN = 45;

/** Takes a till's sales: each number once, each at the service it falls into. */
export async function takeTillSales(
  scope: Scope,
  house: House,
  sales: readonly TillSale[],
): Promise<Result<TillAnswer>> {
  const [calendar, productIds] = await Promise.all([readCalendar(scope), readProductIds(scope)]);
  const at = sales.findIndex(({ productId }) => !productIds.includes(productId));
  if (at >= 0) {
    return badInput(`sales/${at}/productId`, 'id.unknown', 'The house has no such product.');
  }
  let [added, known] = [0, 0];
  const outside: string[] = [];
  for (const sale of sales) {
    const ms = Date.parse(sale.at);
    const place = placeAt(calendar, house, ms);
    if (!place) {
      outside.push(sale.number);
      continue;
    }
    const { productId, balls, number } = sale;
    if (!(await noteTillSale(scope, { number, at: new Date(ms), productId, balls }))) {
      known += 1;
      continue;
    }
    const key: SaleKey = { date: place.date, patternId: place.patternId, productId };
    await addToSales(scope, key, place.quarter, balls);
    added += 1;
  }
  return ok({ added, known, outside });
}

/** The service a moment falls into, also the evening before when it went past midnight. */
function placeAt(calendar: Parameters<typeof servicesOn>[0], { timeZone }: House, ms: number) {
  const today = localDateOf(new Date(ms), timeZone);
  for (const date of [today, addDays(today, -1)]) {
    for (const { pattern, startMin, endMin } of servicesOn(calendar, date)) {
      const startMs = instantOf(date, startMin, timeZone).getTime();
      const endMs = instantOf(date, endMin, timeZone).getTime();
      if (ms < startMs - EARLY_MIN * MINUTE_MS || ms > endMs + LATE_MIN * MINUTE_MS) continue;
      const last = Math.ceil((endMs - startMs) / (QUARTER_MIN * MINUTE_MS)) - 1;
      const quarter = Math.floor((ms - startMs) / (QUARTER_MIN * MINUTE_MS));
      return { date, patternId: pattern.id, quarter: Math.min(last, Math.max(0, quarter)) };
    }
  }
  return null;
}
