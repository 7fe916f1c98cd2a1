import { backtest, errorOf, type Backtested, type ForecastError } from './backtest';
import {
  bestSmoothing,
  eventFactor,
  expectedOn,
  filterDemand,
  levelAt,
  START_SERVICES,
  type DemandModel,
  type EventGuess,
} from './model';
import { dayNumber, weekdayIndex, type SoldDay } from './soldDay';
import { spreadOf } from './spread';
import { STANDARD_SPREAD, type DemandSpread } from './distribution';
import { grossedUp } from './wanted';

/** How a series is forecast from here on. */
export type SeriesForecast =
  /** Smoothing by weekday, with events and a trend that fades. */
  | {
      readonly kind: 'smoothed';
      readonly model: DemandModel;
      readonly told: readonly Backtested[];
      readonly error: ForecastError | null;
      readonly naive: ForecastError | null;
      readonly spread: DemandSpread;
    }
  /** The last one of the same weekday: where that was nearer in the backtest. */
  | {
      readonly kind: 'naive';
      readonly model: DemandModel;
      readonly days: readonly SoldDay[];
      readonly told: readonly Backtested[];
      readonly error: ForecastError | null;
      readonly naive: ForecastError | null;
      readonly spread: DemandSpread;
    }
  /** Too little history: the house's usual counts, moved by what there is. */
  | { readonly kind: 'short'; readonly days: readonly SoldDay[]; readonly spread: DemandSpread };

/** What moved a number, in the order it is said. */
export type ForecastPart =
  | { readonly kind: 'level'; readonly balls: number }
  | { readonly kind: 'weekday'; readonly factor: number }
  | { readonly kind: 'trend'; readonly balls: number }
  | { readonly kind: 'event'; readonly name: string; readonly factor: number }
  | { readonly kind: 'booked'; readonly balls: number }
  | { readonly kind: 'last'; readonly balls: number }
  | { readonly kind: 'usual'; readonly balls: number; readonly services: number };

/** Balls to expect at one service, and why. */
export interface Expectation {
  readonly mean: number;
  readonly spread: DemandSpread;
  readonly parts: readonly ForecastPart[];
}

/**
 * Looks at a series and chooses how to forecast it: by the better one of the backtest.
 *
 * @param days one product at one kind of service, in time's order
 * @param expectedFactor what the house expected of an event by its name
 */
export function forecastSeries(
  days: readonly SoldDay[],
  expectedFactor: (event: string) => number = () => 1,
): SeriesForecast {
  const model =
    days.length >= START_SERVICES ? filterDemand(days, bestSmoothing(days)).at(-1) : undefined;
  if (!model) return { kind: 'short', days, spread: STANDARD_SPREAD };
  const told = backtest(days, expectedFactor);
  const [error, naive] = [errorOf(told, 'expected'), errorOf(told, 'naive')];
  const isNaiveBetter = error !== null && naive !== null && naive.wapePercent < error.wapePercent;
  if (isNaiveBetter) {
    const asNaive = told.map((each) => ({ ...each, expected: each.naive }));
    return { kind: 'naive', model, days, told, error, naive, spread: spreadOf(asNaive) };
  }
  return { kind: 'smoothed', model, told, error, naive, spread: spreadOf(told) };
}

/** A usual count counts like this many services of the same weekday. */
const USUAL_WEIGHT = 2;

/**
 * Balls to expect at one service.
 *
 * @param usual what the house usually makes for it
 */
export function expectAt(
  series: SeriesForecast,
  date: string,
  usual: number,
  event?: EventGuess,
): Expectation {
  const { spread } = series;
  if (series.kind === 'short') {
    const like = series.days.filter(
      (day) => weekdayIndex(day.date) === weekdayIndex(date) && day.event === undefined,
    );
    const sum = like.reduce((total, day) => total + grossedUp(day), 0);
    const balls = (USUAL_WEIGHT * usual + sum) / (USUAL_WEIGHT + like.length);
    const factor = event?.expectedFactor ?? 1;
    return {
      mean: balls * factor,
      spread,
      parts: [
        { kind: 'usual', balls, services: like.length },
        ...(event ? [{ kind: 'event', name: event.name, factor } as const] : []),
      ],
    };
  }
  const { model } = series;
  const eventPart = event
    ? [{ kind: 'event', name: event.name, factor: eventFactor(model, event) } as const]
    : [];
  if (series.kind === 'naive') {
    const last = series.days.findLast(
      (day) => weekdayIndex(day.date) === weekdayIndex(date) && day.event === undefined,
    );
    const balls = last ? grossedUp(last) : expectedOn(model, date);
    const factor = eventPart[0]?.factor ?? 1;
    return { mean: balls * factor, spread, parts: [{ kind: 'last', balls }, ...eventPart] };
  }
  const later = levelAt(model, dayNumber(date)) - model.level;
  return {
    mean: expectedOn(model, date, event),
    spread,
    parts: [
      { kind: 'level', balls: model.level },
      ...(Math.abs(later) >= 0.5 ? [{ kind: 'trend', balls: later } as const] : []),
      { kind: 'weekday', factor: model.weekdays[weekdayIndex(date)] ?? 1 },
      ...eventPart,
    ],
  };
}

/**
 * Balls to expect at one service that is held for several: their means add up, and so do the variances of what scatters
 * apart.
 *
 * @param several at least one
 * @throws RangeError for none
 * @example
 * together([
 *   { mean: 100, spread: { cv: 0.3 }, parts: [] },
 *   { mean: 100, spread: { cv: 0.4 }, parts: [] },
 * ]); // mean 200, cv 0.25
 */
export function together(several: readonly Expectation[]): Expectation {
  const [only, ...others] = several;
  if (!only) throw new RangeError('nothing to add up');
  if (others.length === 0) return only;
  const mean = several.reduce((sum, each) => sum + each.mean, 0);
  const deviation = Math.hypot(...several.map((each) => each.spread.cv * each.mean));
  return {
    mean,
    spread: { cv: mean > 0 ? deviation / mean : only.spread.cv },
    parts: several.flatMap(({ parts }) => parts),
  };
}
