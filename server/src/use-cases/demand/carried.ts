import {
  HOUR_MS,
  MINUTE_MS,
  carryOver,
  countBack,
  simulate,
  usageCurve,
  type Asking,
  type MadeBalls,
  type OpensWell,
} from '@calm/core';
import { discardedOf, documentOfRecipe, routeOfDocument, addDays, localDateOf } from '@calm/domain';
import type { House, Lot, LotRecord, Product, Sale, Service } from '@calm/contract';
import { LRUCache } from 'lru-cache';
import { readBook } from '../../store/house/houses';
import { readLots } from '../../store/lots/lots';
import { readRecordsOf } from '../../store/lots/records';
import { readSales } from '../../store/demand/sales';
import type { Scope } from '../../database/scope';

/** Balls are nobody's plan this many days after the services they were made for. */
const DAYS_KEPT = 4;

/** What there is of a house at a moment, for sharing out what is made. */
interface Stock {
  readonly services: readonly Service[];
  readonly lots: readonly Lot[];
  readonly sales: readonly Sale[];
  /** What was thrown away. */
  readonly discards: readonly LotRecord[];
  readonly nowMs: number;
  readonly prefermentTempC: number;
}

/**
 * Gives balls that are made already to the services ahead, oldest first, and says on each count what it
 * gets of lots that were made for another day. Balls of a past lot count as far as somebody counted them;
 * those of a lot under way as far as its own services do not take them.
 *
 * Kept balls are taken to stand in the cold and to be pulled for the service as the route says: each
 * service's window is the engine's for dough held that much longer.
 *
 * @param services in time's order, without a gap from today on
 */
export async function withCarried(
  scope: Scope,
  house: House,
  services: readonly Service[],
  now: Date,
): Promise<readonly Service[]> {
  const last = services.at(-1)?.date;
  if (last === undefined || Date.parse(services.at(-1)?.endsAt ?? '') <= now.getTime())
    return services;
  const today = localDateOf(now, house.timeZone);
  const from = addDays(today, -DAYS_KEPT);
  const [lots, sales] = await Promise.all([
    readLots(scope, from, addDays(last, 1)),
    readSales(scope, from, addDays(today, 1)),
  ]);
  if (lots.length === 0) return services;
  const ids = lots.map(({ id }) => id);
  const discards = await readRecordsOf(scope, ids, ['discarded']);
  const { products } = await readBook(scope, house);
  const stock: Stock = {
    services,
    lots,
    sales,
    discards,
    nowMs: now.getTime(),
    prefermentTempC: house.settings.usualTempsC.preferment,
  };
  const given = new Map(products.map((product) => [product.id, carriedOf(product, stock)]));
  return services.map((service, i) => ({
    ...service,
    counts: service.counts.map((count) => {
      const carried = given.get(count.productId)?.[i] ?? [];
      return carried.length > 0 ? { ...count, carried } : count;
    }),
  }));
}

/** For each service, what it gets of one product from lots of other days. */
function carriedOf(product: Product, stock: Stock) {
  const { services, lots, nowMs } = stock;
  const made = lots.flatMap((lot) => madeBalls(lot, product, stock));
  const own = new Set(lots.map(({ code, serviceDate }) => `${code}/${serviceDate}`));
  return carryOver(
    made,
    services.map((service) => askingOf(service, product.id, nowMs)),
  ).services.map(({ given }, i) =>
    given.filter(({ lotCode }) => !own.has(`${lotCode}/${services[i]?.date}`)),
  );
}

/** A service that is over asks for nothing. */
function askingOf(service: Service, productId: string, nowMs: number): Asking {
  const [startMs, endMs] = [Date.parse(service.startsAt), Date.parse(service.endsAt)];
  return {
    startMs,
    endMs,
    wanted: endMs > nowMs ? countOf(service, productId) : 0,
    curve: usageCurve([], (endMs - startMs) / MINUTE_MS),
  };
}

const countOf = ({ counts }: Service, productId: string) =>
  counts.find((count) => count.productId === productId)?.count ?? 0;

function madeBalls(lot: Lot, product: Product, stock: Stock): MadeBalls[] {
  const count = ballsThere(lot, product.id, stock);
  if (count <= 0) return [];
  const doorsMs = Date.parse(lot.doorsAt);
  const size = sizeOf(lot);
  const mixedMs =
    countBack(lot.recipe.route, doorsMs, size).find(({ key }) => key === 'mix')?.endMs ?? doorsMs;
  const window = (at: number): OpensWell | null => {
    const service = stock.services[at];
    if (!service) return null;
    const [startMs, endMs] = [Date.parse(service.startsAt), Date.parse(service.endsAt)];
    if (service.date === lot.serviceDate) return { fromMs: startMs, toMs: endMs };
    if (service.date < lot.serviceDate || service.date > addDays(lot.serviceDate, DAYS_KEPT))
      return null;
    return heldWindow(lot, product, (startMs - doorsMs) / HOUR_MS, mixedMs, stock);
  };
  return [{ lotCode: lot.code, count, madeMs: mixedMs, window }];
}

const sizeOf = ({ loads, items }: Lot) => ({
  loads: Math.max(1, loads.length),
  balls: items.reduce((sum, item) => sum + item.count, 0),
});

/** Nobody plans on balls that open well less often than this. */
const SURE_ENOUGH = 0.8;

/** Windows of held balls that stay known: some lots, products and hours ahead of each of many houses. */
const MOST_WINDOWS = 5000;
const windows = new LRUCache<string, { readonly opensWell: OpensWell | null }>({
  max: MOST_WINDOWS,
});

/** The same, known from before where lot, product and hours are the same: a lot's recipe is fixed from its start. */
function heldWindow(
  lot: Lot,
  product: Product,
  heldH: number,
  mixedMs: number,
  stock: Stock,
): OpensWell | null {
  const { id, startedAt, version } = lot;
  const { ballWeightG, target } = product;
  const { prefermentTempC } = stock;
  const of = [id, startedAt, version, mixedMs, product.id, ballWeightG, target, heldH];
  const key = JSON.stringify([...of, prefermentTempC]);
  const known = windows.get(key);
  if (known) return known.opensWell;
  const opensWell = simulatedWindow(lot, product, heldH, mixedMs, stock);
  windows.set(key, { opensWell });
  return opensWell;
}

/** When balls of a lot open well that stay in the cold some hours longer than planned; null is never. */
function simulatedWindow(
  lot: Lot,
  { ballWeightG, target }: Product,
  heldH: number,
  mixedMs: number,
  { prefermentTempC }: Stock,
): OpensWell | null {
  const size = sizeOf(lot);
  const balls = { size, ballWeightG, target, prefermentTempC, heldH };
  const document = documentOfRecipe(lot.recipe, balls);
  const route = document && routeOfDocument(document);
  if (!route?.ok) return null;
  const way = simulate(route.value, { target });
  if (!way.ok || way.value.window.kind === 'never') return null;
  const { earliestHour, latestHour, odds } = way.value.window;
  if (odds < SURE_ENOUGH) return null;
  return {
    fromMs: mixedMs + earliestHour * HOUR_MS,
    toMs: mixedMs + latestHour * HOUR_MS,
  };
}

/** Balls of a lot that are there: counted after its last service, or not yet taken by those that were. */
function ballsThere(
  lot: Lot,
  productId: string,
  { services, sales, discards, nowMs }: Stock,
): number {
  const ofLot = (each: { date: string }) => each.date === lot.serviceDate;
  const sold = sales.filter((sale) => ofLot(sale) && sale.productId === productId);
  if (Date.parse(lot.closeAt) <= nowMs) {
    return sold.find(({ leftBalls }) => leftBalls !== null)?.leftBalls ?? 0;
  }
  const made = lot.items.find((item) => item.productId === productId)?.count ?? 0;
  const gone = services
    .filter((service) => ofLot(service) && Date.parse(service.endsAt) <= nowMs)
    .reduce((sum, service) => {
      const sale = sold.find(({ patternId }) => patternId === service.patternId);
      return sum + (sale?.sold ?? countOf(service, productId));
    }, 0);
  return made - discardedOf(discards, lot.id, productId) - gone;
}
