import {
  STANDARD_ENOUGH,
  type Forecast,
  type ForecastAnswer,
  type House,
  type HouseEvent,
  type Sale,
  type SeriesRecord,
} from '@calm/contract';
import {
  ballsToHave,
  demandQuantile,
  errorOf,
  expectAt,
  forecastSeries,
  type Backtested,
  type SeriesForecast,
  type SoldDay,
} from '@calm/core';
import { readUsual } from '../store/counts';
import { readEvents } from '../store/events';
import { readProductIds } from '../store/products';
import { readSales } from '../store/sales';
import type { Scope } from '../store/scope';
import { readServicePatterns } from '../store/week';
import { addDays, datesFrom, localDateOf, weekdayOf } from './wallClock';

/** Older days say nothing about next week. */
const DAYS_BACK = 400;

type Pattern = Awaited<ReturnType<typeof readServicePatterns>>[number];

/** One product at one kind of service: what was sold, and how it is forecast. */
export interface Series {
  readonly service: string;
  readonly productId: string;
  readonly days: readonly SoldDay[];
  readonly forecast: SeriesForecast;
}

/** Everything that forecasts of a house are made from. */
export interface ForecastBasis {
  readonly patterns: readonly Pattern[];
  readonly events: readonly HouseEvent[];
  readonly sales: readonly Sale[];
  readonly series: readonly Series[];
}

/** Reads a house's history up to today and chooses how each series is forecast. */
export async function forecastBasis(scope: Scope, house: House, now: Date): Promise<ForecastBasis> {
  const today = localDateOf(now, house.timeZone);
  const [patterns, events, productIds, sales] = await Promise.all([
    readServicePatterns(scope),
    readEvents(scope),
    readProductIds(scope),
    readSales(scope, addDays(today, -DAYS_BACK), today),
  ]);
  const nameOf = new Map(patterns.map(({ id, name }) => [id, name]));
  const expected = expectedOf(events);
  const series = [...new Set(patterns.map(({ name }) => name))].flatMap((service) =>
    productIds.map((productId): Series => {
      const days = sales
        .filter((sale) => sale.productId === productId && nameOf.get(sale.patternId) === service)
        .map(({ date, patternId, sold, soldOutMin }): SoldDay => {
          const event = eventAt(events, date, patternId);
          return {
            date,
            sold,
            ...(soldOutMin !== null && { isSoldOut: true }),
            ...(event && { event: event.name }),
          };
        });
      return { service, productId, days, forecast: forecastSeries(days, expected) };
    }),
  );
  return { patterns, events, sales, series };
}

/** Forecasts of every product at every service over some days. */
export async function forecastsBetween(
  scope: Scope,
  house: House,
  { from, days }: { readonly from: string; readonly days: number },
  now: Date,
): Promise<ForecastAnswer> {
  const { patterns, events, series } = await forecastBasis(scope, house, now);
  const usual = await readUsual(scope);
  const enoughPercent = house.settings.enoughPercent ?? STANDARD_ENOUGH;
  const forecasts = datesFrom(from, days).flatMap((date) =>
    patterns
      .filter(({ weekday }) => weekday === weekdayOf(date))
      .flatMap(({ id: patternId, name }) =>
        series
          .filter(({ service }) => service === name)
          .map(({ productId, forecast }): Forecast => {
            const event = eventAt(events, date, patternId);
            const usually =
              usual.find((row) => row.patternId === patternId && row.productId === productId)
                ?.count ?? 0;
            const guess = event && {
              name: event.name,
              expectedFactor: event.expectedPercent / 100,
            };
            const { mean, spread, parts } = expectAt(forecast, date, usually, guess ?? undefined);
            return {
              date,
              patternId,
              productId,
              mean,
              cv: spread.cv,
              p10: demandQuantile(mean, spread, 0.1),
              p90: demandQuantile(mean, spread, 0.9),
              ready: ballsToHave(mean, spread, enoughPercent / 100),
              parts,
            };
          }),
      ),
  );
  const told = series.flatMap(({ forecast }) => toldOf(forecast));
  return {
    forecasts,
    series: series.map(seriesRecord),
    error: errorOf(told, 'expected'),
    naive: errorOf(told, 'naive'),
    enoughPercent,
    events: events.filter(({ date }) => date >= from && date < addDays(from, days)),
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
function expectedOf(events: readonly HouseEvent[]): (name: string) => number {
  const factors = new Map(events.map(({ name, expectedPercent }) => [name, expectedPercent / 100]));
  return (name) => factors.get(name) ?? 1;
}
