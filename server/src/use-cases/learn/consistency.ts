import type {
  Consistency,
  ConsistencyChart,
  House,
  HouseBook,
  Place,
  WeekReview,
} from '@calm/contract';
import { DAY_MS, errorOf } from '@calm/core';
import {
  addDays,
  airOfPlaces,
  airReadIn,
  consistencyCharts,
  instantOf,
  localDateOf,
  lotsOfWeek,
  lotToLearn,
  probeCharts,
  weekdayOf,
  type LotToLearnFrom,
  type PlaceAir,
} from '@calm/domain';
import type { Scope } from '../../database/scope';
import { readBook } from '../../store/house/houses';
import { readFinishedLots } from '../../store/lots/finishedLots';
import { readRecordsOf } from '../../store/lots/records';
import { onThread } from '../../workers/threads';
import { forecastBasis, toldOf } from '../demand/forecast';
import { readAir } from './airSince';

/** Days that are charted. */
const DAYS_BACK = 56;
const MOST_LOTS = 400;
const WEEK_DAYS = 7;
/** What charts and a week's review are made of. */
const KINDS = [
  'piece',
  'looked',
  'risen',
  'core',
  'checked',
  'opened',
  'baked',
  'used',
  'taken-back',
] as const;

/** How steady a house's work has been over eight weeks, and what became of its last whole week. */
export async function consistencyOf(scope: Scope, house: House, now: Date): Promise<Consistency> {
  const book = await readBook(scope, house);
  const from = new Date(now.getTime() - DAYS_BACK * DAY_MS);
  const lots = await lotsSince(scope, from, now);
  const { probes, air: read, notes } = await readAir(scope, from, now);
  const air = airOfPlaces(book.places, probes, read, notes);
  const charts = [
    ...consistencyCharts(lots, book),
    ...airCharts(book.places, air, house),
    ...probeCharts(probes, read, notes),
    await windowChart(lots, book, air),
  ].filter(({ points }) => points.length > 1);
  const week = await weekReview(scope, house, lots, book, lastWeekOf(now, house), now);
  return { charts, week };
}

/** What became of a week. @param to its last day, a local date */
export async function weekReviewOf(
  scope: Scope,
  house: House,
  to: string,
  now: Date,
): Promise<WeekReview> {
  const book = await readBook(scope, house);
  const from = instantOf(addDays(to, 1 - WEEK_DAYS), 0, house.timeZone);
  return weekReview(scope, house, await lotsSince(scope, from, now), book, to, now);
}

/** @returns the last day of the last week that is over, Monday to Sunday */
export function lastWeekOf(now: Date, { timeZone }: House): string {
  const today = localDateOf(now, timeZone);
  return addDays(today, -weekdayOf(today));
}

/** Lots that are over, with what is on record of them, newest first. */
async function lotsSince(scope: Scope, from: Date, now: Date): Promise<LotToLearnFrom[]> {
  const finished = await readFinishedLots(scope, from, now, MOST_LOTS);
  const records = await readRecordsOf(
    scope,
    finished.map(({ lot }) => lot.id),
    KINDS,
  );
  return finished.map((each) => ({
    ...each,
    records: records.filter(({ lotId }) => lotId === each.lot.id),
  }));
}

/** The mean air of each cooled place, day by day. */
function airCharts(
  places: readonly Place[],
  air: readonly PlaceAir[],
  { timeZone }: House,
): ConsistencyChart[] {
  return air.map(({ placeId, probes }): ConsistencyChart => {
    const days = new Map<string, number[]>();
    for (const { zoneC, readings } of probes) {
      for (const { atS, airC } of readings) {
        const date = localDateOf(new Date(atS * 1000), timeZone);
        const day = days.get(date) ?? [];
        day.push(airC - zoneC);
        days.set(date, day);
      }
    }
    return {
      kind: 'walk-in',
      personId: null,
      productId: null,
      placeId: places.find(({ id }) => id === placeId)?.id ?? null,
      probeId: null,
      points: [...days]
        .sort(([a], [b]) => a.localeCompare(b))
        .map(([date, read]) => ({
          at: `${date}T12:00:00.000Z`,
          lot: null,
          value: read.reduce((sum, airC) => sum + airC, 0) / read.length,
        })),
    };
  });
}

/** How much later than foretold lots began to open well, by what was seen of them. */
async function windowChart(
  lots: readonly LotToLearnFrom[],
  book: Omit<HouseBook, 'losses'>,
  air: readonly PlaceAir[],
): Promise<ConsistencyChart> {
  const airRead = airReadIn(book.places, air);
  const oldestFirst = [...lots].reverse();
  const seen = oldestFirst.flatMap((each) => {
    const own = lotToLearn(each, book, each.lot.recipe.settings.learned ?? [], airRead);
    return own ? [own] : [];
  });
  const off = await onThread('windowsOff', seen);
  return {
    kind: 'window',
    personId: null,
    productId: null,
    placeId: null,
    probeId: null,
    points: oldestFirst.flatMap(({ lot: { id, code, doorsAt } }) => {
      const value = off[id];
      return value === undefined ? [] : [{ at: doorsAt, lot: code, value }];
    }),
  };
}

/** @param to the week's last day */
async function weekReview(
  scope: Scope,
  house: House,
  lots: readonly LotToLearnFrom[],
  book: Omit<HouseBook, 'losses'>,
  to: string,
  now: Date,
): Promise<WeekReview> {
  const from = addDays(to, 1 - WEEK_DAYS);
  const isIn = ({ date }: { readonly date: string }) => date >= from && date <= to;
  const { sales, series } = await forecastBasis(scope, house, now);
  const sold = sales.filter(isIn);
  const services = new Map<string, boolean>();
  for (const { date, patternId, soldOutMin } of sold) {
    const key = `${date}/${patternId}`;
    services.set(key, (services.get(key) ?? false) || soldOutMin !== null);
  }
  const told = series.flatMap(({ forecast }) => toldOf(forecast)).filter(isIn);
  return {
    ...lotsOfWeek(lots, book, { from, to }),
    short: { services: [...services.values()].filter(Boolean).length, of: services.size },
    forecastErrorPercent: errorOf(told, 'expected')?.wapePercent ?? null,
  };
}
