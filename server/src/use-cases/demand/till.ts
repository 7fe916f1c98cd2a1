import { DAY_MS, MINUTE_MS, ok, QUARTER_MIN } from '@calm/core';
import { servicesOn, addDays, instantOf, localDateOf } from '@calm/domain';
import type { House, TillAnswer, TillSale } from '@calm/contract';
import { readProductIdsEver } from '../../store/book/products';
import {
  addToSales,
  isTillSaleKnown,
  noteTillSale,
  sumTillSales,
  type SaleKey,
} from '../../store/demand/sales';
import type { Scope } from '../../database/scope';
import { readCalendar } from '../../store/demand/calendar';
import type { KnownMachine } from '../access/machines';
import { badInput, type Result } from '../result';

/** Orders are taken a little before doors and typed a little after the last of them. */
const EARLY_MIN = 15;
const LATE_MIN = 45;
/** A till's clock may be ahead by this much, and a till away from its line for so long, ms. */
const AHEAD_MS = 2 * MINUTE_MS;
const BACK_MS = 31 * DAY_MS;

/**
 * Takes a till's sales: each number once, each at the service it falls into. What takes sales back takes back no more
 * than the till has sold there: what people counted is not a till's to undo.
 */
export async function takeTillSales(
  scope: Scope,
  house: House,
  sales: readonly TillSale[],
  now: Date,
  machine: KnownMachine | null = null,
): Promise<Result<TillAnswer>> {
  const [calendar, productIds] = await Promise.all([
    readCalendar(scope),
    readProductIdsEver(scope),
  ]);
  const nowMs = now.getTime();
  const today = localDateOf(now, house.timeZone);
  const at = sales.findIndex(({ productId }) => !productIds.includes(productId));
  if (at >= 0) {
    return badInput(`sales/${at}/productId`, 'id.unknown', 'The house has no such product.');
  }
  const early = sales.findIndex(({ at: soldAt }) => {
    const ms = Date.parse(soldAt);
    return ms > nowMs + AHEAD_MS || ms < nowMs - BACK_MS;
  });
  if (early >= 0)
    return badInput(`sales/${early}/at`, 'at.outside', 'That is to come, or too long ago.');
  let [added, known] = [0, 0];
  const [outside, overdrawn]: [string[], string[]] = [[], []];
  for (const sale of sales) {
    const ms = Date.parse(sale.at);
    const place = placeAt(calendar, house, ms);
    if (!place) {
      outside.push(sale.number);
      continue;
    }
    const { productId, balls, number } = sale;
    if (balls < 0 && balls + (await sumTillSales(scope, productId, place)) < 0) {
      if (await isTillSaleKnown(scope, number)) known += 1;
      else overdrawn.push(number);
      continue;
    }
    const source = { receivedAt: now, machineId: machine?.id ?? null };
    if (!(await noteTillSale(scope, { number, at: new Date(ms), productId, balls, ...source }))) {
      known += 1;
      continue;
    }
    const key: SaleKey = { date: place.date, patternId: place.patternId, productId };
    // What is of a day gone by is history by now: forecasts hang on it.
    if (place.date < today) scope.alsoWritten?.add('demand');
    await addToSales(scope, key, place.quarter, balls);
    added += 1;
  }
  return ok({ added, known, outside, overdrawn });
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
      const [from, until] = [
        new Date(startMs - EARLY_MIN * MINUTE_MS),
        new Date(endMs + LATE_MIN * MINUTE_MS),
      ];
      return {
        date,
        patternId: pattern.id,
        quarter: Math.min(last, Math.max(0, quarter)),
        from,
        until,
      };
    }
  }
  return null;
}
