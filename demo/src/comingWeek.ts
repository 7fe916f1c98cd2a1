import { MINUTE_MS, optimizeWeek, weekWithout, type PlannedLot } from '@calm/core';
import {
  paths,
  type ForecastAnswer,
  type HouseBook,
  type Lot,
  type ProductCount,
  type PublishedPlan,
  type Service,
  type Shift,
} from '@calm/contract';
import {
  datesFrom,
  forecastAt,
  instantOf,
  localDateOf,
  problemOfWeek,
  startedLots,
  weekdayOf,
  weekOfHouse,
} from '@calm/domain';
import type { ChangingLine, Line } from './line';

/** Looks of the search; the plan is the same each time, and near its best after so many. */
const LOOKS = 40;
const SUNDAY = 7;

/**
 * A manager's evening: has what the forecast says ready for the coming services, and plans and publishes their lots
 * until the end of next week.
 *
 * @param line of somebody who may change counts and publish
 * @param looks how long the plan is searched for
 */
export async function planComingWeek(
  line: ChangingLine,
  house: string,
  now: Date,
  looks = LOOKS,
): Promise<void> {
  const range = comingDays(await bookOf(line, house), now);
  const lots = await line.get<Lot[]>(paths.lots(house, range));
  const forecast = await line.get<ForecastAnswer>(paths.forecast(house, range));
  const before = await line.get<Service[]>(paths.services(house, range));
  const counts = before.flatMap((service) => asForecast(service, forecast, lots));
  await line.post<ProductCount[]>(paths.changeCounts(house), { counts });

  const { book, published, document } = await comingWeek(line, house, now);
  const problem = problemOfWeek(document);
  const underWay = startedLots(problem, book, lots, published.content);
  const planned = bestPlan(weekWithout(problem, underWay), looks);
  const content = { lots: [...underWay, ...planned], pins: [], assumptions: [] };
  await line.put<PublishedPlan>(paths.plan(house), { version: published.version, content });
}

/** The coming days of a house as a week to be planned. */
export async function comingWeek(line: Pick<Line, 'get'>, house: string, now: Date) {
  const book = await bookOf(line, house);
  const { timeZone } = book.house;
  const range = comingDays(book, now);
  const { usage, forecasts } = await line.get<ForecastAnswer>(paths.forecast(house, range));
  const published = await line.get<PublishedPlan>(paths.plan(house));
  const document = weekOfHouse({
    book,
    services: await line.get<Service[]>(paths.services(house, range)),
    shifts: await line.get<Shift[]>(paths.shifts(house, range)),
    usage,
    forecasts,
    nowMin: Math.floor(now.getTime() / MINUTE_MS),
    midnights: datesFrom(range.from, range.days).map((date) =>
      instantOf(date, 0, timeZone).toISOString(),
    ),
    published: published.content,
  });
  return { book, published, document };
}

const bookOf = (line: Pick<Line, 'get'>, house: string) => line.get<HouseBook>(paths.book(house));

/** Today and what is left of this week, and all of the next. */
function comingDays({ house: { timeZone } }: HouseBook, now: Date) {
  const from = localDateOf(now, timeZone);
  return { from, days: SUNDAY - weekdayOf(from) + 1 + SUNDAY };
}

/** What the forecast says to have ready, for each product of a service that no lot is under way for. */
const asForecast = (service: Service, { forecasts }: ForecastAnswer, lots: readonly Lot[]) =>
  service.counts.flatMap(({ productId, version }) => {
    const { date, patternId } = service;
    const isMade = lots.some(
      ({ serviceDate, items }) =>
        serviceDate === date && items.some((item) => item.productId === productId),
    );
    const expected = forecastAt(forecasts, service, productId);
    return isMade || !expected
      ? []
      : [{ date, patternId, productId, version, count: expected.ready }];
  });

/** The best of a bounded search: no clock decides it, so that it is the same on every machine. */
function bestPlan(
  problem: Parameters<typeof optimizeWeek>[0],
  looks: number,
): readonly PlannedLot[] {
  const search = optimizeWeek(problem);
  let solved = search.next().value;
  for (let look = 1; look < looks; look += 1) solved = search.next().value;
  return solved.plan.lots;
}
