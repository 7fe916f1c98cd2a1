import {
  isExceptionOn,
  isOneDay,
  keepsOnH,
  serviceLevelPercent,
  servicesOn,
  addDays,
  datesFrom,
  localDateOf,
} from '@calm/domain';
import type {
  Booking,
  Forecast,
  ForecastAnswer,
  House,
  HouseCalendar,
  HouseEvent,
  Sale,
  ServicePattern,
  SeriesRecord,
} from '@calm/contract';
import {
  DAY_MIN,
  ballsToHave,
  demandQuantile,
  errorOf,
  expectAt,
  forecastSeries,
  goneBy,
  together,
  type Backtested,
  type SeriesForecast,
  type SoldDay,
} from '@calm/core';
import { readBookings } from '../../store/demand/bookings';
import { readUsual } from '../../store/demand/counts';
import { readEvents } from '../../store/demand/events';
import { readProductIds } from '../../store/book/products';
import { readBook } from '../../store/house/houses';
import { readSales } from '../../store/demand/sales';
import type { Scope } from '../../database/scope';
import { readCalendar } from '../../store/demand/calendar';
import { fittedSeries } from './fittedSeries';
import { usageOf } from './usage';

/** Older days say nothing about next week. */
const DAYS_BACK = 400;

/** One product at one kind of service: what was sold, and how it is forecast. */
interface Series {
  readonly service: string;
  readonly productId: string;
  readonly days: readonly SoldDay[];
  readonly forecast: SeriesForecast;
}

/** Everything that forecasts of a house are made from. */
export interface ForecastBasis {
  readonly calendar: HouseCalendar;
  readonly bookings: readonly Booking[];
  readonly events: readonly HouseEvent[];
  readonly sales: readonly Sale[];
  readonly series: readonly Series[];
}

/** Reads a house's history up to today and chooses how each series is forecast. */
export async function forecastBasis(scope: Scope, house: House, now: Date): Promise<ForecastBasis> {
  const today = localDateOf(now, house.timeZone);
  const [calendar, events, bookings, productIds, sales] = await Promise.all([
    readCalendar(scope),
    readEvents(scope),
    readBookings(scope, addDays(today, -DAYS_BACK), addDays(today, DAYS_BACK)),
    readProductIds(scope),
    readSales(scope, addDays(today, -DAYS_BACK), today),
  ]);
  const { patterns } = calendar;
  const weekly = patterns.filter((pattern) => !isOneDay(pattern));
  const nameOf = new Map(weekly.map(({ id, name }) => [id, name]));
  const expected = expectedOf(events);
  const usage = await usageOf(scope, calendar, today);
  /** How far an evening that ran out had got. */
  const soldOut = (patternId: string, productId: string, minute: number | null) => {
    if (minute === null) return {};
    const pattern = patterns.find(({ id }) => id === patternId);
    const curve = usage.find(
      (each) => each.service === pattern?.name && each.productId === productId,
    )?.curve;
    if (!pattern || !curve || curve.length === 0) return { isSoldOut: true };
    return { isSoldOut: true, goneShare: goneBy(curve, minute - pattern.startMin) };
  };
  const isJoined = joinedDays(calendar);
  const kinds = [...new Set(weekly.map(({ name }) => name))];
  const asked = kinds.flatMap((service) => productIds.map((productId) => ({ service, productId })));
  const series = await Promise.all(
    asked.map(async ({ service, productId }): Promise<Series> => {
      const days = sales
        .filter((sale) => sale.productId === productId && nameOf.get(sale.patternId) === service)
        // What two services sold as one says nothing about either alone.
        .filter(({ date, patternId }) => !isJoined(date, patternId))
        .map(({ date, patternId, sold, soldOutMin }): SoldDay => {
          const event = eventAt(events, date, patternId);
          return {
            date,
            // What a party took on top says nothing about an ordinary day.
            sold: Math.max(0, sold - bookedAt(bookings, { date, patternId, productId })),
            ...soldOut(patternId, productId, soldOutMin),
            ...(event && { event: event.name }),
          };
        });
      const forecast = await fittedSeries({ days, expected });
      return { service, productId, days, forecast };
    }),
  );
  return { calendar, bookings, events, sales, series };
}

/** Days that are looked ahead for a service that may take what another leaves. */
const LOOK_AHEAD_DAYS = 3;

/** What is known of an order: nothing but what it says itself. */
const UNHEARD_OF = forecastSeries([]);

/** Hours from one service's doors to the next one's; null where none is near. @param startMin of the first */
function hoursToNext(calendar: HouseCalendar, date: string, startMin: number): number | null {
  const next = datesFrom(date, LOOK_AHEAD_DAYS)
    .flatMap((day, i) => servicesOn(calendar, day).map((service) => service.startMin + i * DAY_MIN))
    .filter((minute) => minute > startMin);
  return next.length === 0 ? null : (Math.min(...next) - startMin) / 60;
}

/** Forecasts of every product at every service over some days. */
export async function forecastsBetween(
  scope: Scope,
  house: House,
  { from, days }: { readonly from: string; readonly days: number },
  now: Date,
): Promise<ForecastAnswer> {
  const { calendar, bookings, events, series } = await forecastBasis(scope, house, now);
  const [usual, usage] = await Promise.all([
    readUsual(scope),
    usageOf(scope, calendar, localDateOf(now, house.timeZone)),
  ]);
  const enoughPercent = serviceLevelPercent(house.settings);
  const { products, routes } = await readBook(scope, house);
  const keepsH = new Map(
    products.map(({ id, routeId }) => {
      const route = routes.find((each) => each.id === routeId);
      return [id, route ? keepsOnH(route.stages) : 0] as const;
    }),
  );
  const productIds = [...new Set(series.map(({ productId }) => productId))];
  const forecastOf = (pattern: ServicePattern, productId: string) =>
    (!isOneDay(pattern) &&
      series.find((each) => each.service === pattern.name && each.productId === productId)
        ?.forecast) ||
    UNHEARD_OF;
  const forecasts = datesFrom(from, days).flatMap((date) =>
    servicesOn(calendar, date).flatMap(({ pattern, joined, startMin }) => {
      const { id: patternId } = pattern;
      const held = [pattern, ...joined];
      const nextH = hoursToNext(calendar, date, startMin);
      return productIds.map((productId): Forecast => {
        const { mean, spread, parts } = together(
          held.map((each) => {
            const { id } = each;
            const event = eventAt(events, date, id);
            const usually =
              usual.find((row) => row.patternId === id && row.productId === productId)?.count ?? 0;
            const guess = event && {
              name: event.name,
              expectedFactor: event.expectedPercent / 100,
            };
            return expectAt(forecastOf(each, productId), date, usually, guess ?? undefined);
          }),
        );
        const booked = held.reduce(
          (sum, { id }) => sum + bookedAt(bookings, { date, patternId: id, productId }),
          0,
        );
        const isCarried = nextH !== null && nextH <= (keepsH.get(productId) ?? 0);
        const ownPercent = serviceLevelPercent(house.settings, isCarried);
        return {
          date,
          patternId,
          productId,
          mean: mean + booked,
          booked,
          cv: spread.cv,
          p10: demandQuantile(mean, spread, 0.1) + booked,
          p90: demandQuantile(mean, spread, 0.9) + booked,
          ready: ballsToHave(mean, spread, ownPercent / 100) + booked,
          enoughPercent: ownPercent,
          parts: booked > 0 ? [...parts, { kind: 'booked', balls: booked }] : parts,
        };
      });
    }),
  );
  const isIn = ({ date }: { readonly date: string }) => date >= from && date < addDays(from, days);
  const told = series.flatMap(({ forecast }) => toldOf(forecast));
  return {
    forecasts,
    series: series.map(seriesRecord),
    error: errorOf(told, 'expected'),
    naive: errorOf(told, 'naive'),
    enoughPercent,
    events: events.filter(isIn),
    bookings: bookings.filter(isIn),
    usage,
  };
}

/** What a series' own way of forecasting told of the last weeks. */
export function toldOf(forecast: SeriesForecast): readonly Backtested[] {
  if (forecast.kind === 'short') return [];
  if (forecast.kind === 'smoothed') return forecast.told;
  return forecast.told.map((each) => ({ ...each, expected: each.naive }));
}

function seriesRecord({ service, productId, days, forecast }: Series): SeriesRecord {
  const isShort = forecast.kind === 'short';
  return {
    service,
    productId,
    kind: forecast.kind,
    services: days.length,
    error: isShort ? null : errorOf(toldOf(forecast), 'expected'),
    naive: isShort ? null : forecast.naive,
  };
}

/** Whether a service was held for others, too, on a date. */
function joinedDays(calendar: HouseCalendar): (date: string, patternId: string) => boolean {
  const joins = calendar.exceptions.filter(({ joinsId }) => joinsId !== null);
  return (date, patternId) =>
    joins.some((each) => each.joinsId === patternId && isExceptionOn(each, date));
}

/** Balls of one product that parties take at a service. */
function bookedAt(
  bookings: readonly Booking[],
  at: { readonly date: string; readonly patternId: string; readonly productId: string },
): number {
  return bookings
    .filter(({ date, patternId }) => date === at.date && patternId === at.patternId)
    .flatMap(({ balls }) => balls)
    .reduce((sum, { productId, count }) => sum + (productId === at.productId ? count : 0), 0);
}

/** What is on at a service: its own event before one of the whole day. */
function eventAt(
  events: readonly HouseEvent[],
  date: string,
  patternId: string,
): HouseEvent | null {
  const ofDay = events.filter((event) => event.date === date);
  return (
    ofDay.find((event) => event.patternId === patternId) ??
    ofDay.find((event) => event.patternId === null) ??
    null
  );
}

/** What the house expected of each kind of event, as it last said. */
const expectedOf = (events: readonly HouseEvent[]): Readonly<Record<string, number>> =>
  Object.fromEntries(events.map(({ name, expectedPercent }) => [name, expectedPercent / 100]));
