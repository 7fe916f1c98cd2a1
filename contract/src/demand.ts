import type { ForecastError, ForecastPart } from '@calm/core';

/** Where a count comes from: the weekday's usual, or somebody's choice. */
export type CountOrigin = 'usual' | 'chosen';

/** Balls of one product wanted at one service. */
export interface ProductCount {
  readonly productId: string;
  readonly count: number;
  readonly origin: CountOrigin;
  /** The weekday's usual, to go back to. */
  readonly usual: number;
  /** 0 until somebody chooses; a write carries the version it read. */
  readonly version: number;
}

/** One period of selling. */
export interface Service {
  /** The service's place in the week pattern. */
  readonly patternId: string;
  /** `lunch`, `dinner`, or the house's own name. */
  readonly name: string;
  /** Local date it belongs to, `YYYY-MM-DD`, also when it ends past midnight. */
  readonly date: string;
  /** ISO 8601, UTC. */
  readonly startsAt: string;
  readonly endsAt: string;
  readonly counts: readonly ProductCount[];
}

/** A new count. Null goes back to the usual. */
export interface CountChange {
  readonly count: number | null;
  readonly version: number;
}

/** One of several counts that are changed together. */
export interface CountOfMany extends CountChange {
  readonly date: string;
  readonly patternId: string;
  readonly productId: string;
}

/** Several counts at once: all of them, or none. */
export interface CountsChange {
  readonly counts: readonly CountOfMany[];
}

/** Everything about an event that a person edits. */
export interface EventContent {
  /** Local date. */
  readonly date: string;
  /** One service of the day; null is all of them. */
  readonly patternId: string | null;
  /** The same name is the same kind of event. */
  readonly name: string;
  /** What the house expects of it, percent of an ordinary day. */
  readonly expectedPercent: number;
  readonly note: string;
}

/** Something that moves demand on a day. */
export interface HouseEvent extends EventContent {
  readonly id: string;
  readonly version: number;
}

/** What one service sold of one product. */
export interface Sale {
  readonly date: string;
  readonly patternId: string;
  readonly productId: string;
  readonly sold: number;
  /** Minutes from local midnight when the last ball went; null when they lasted. */
  readonly soldOutMin: number | null;
}

/** What is expected of one product at one service. */
export interface Forecast {
  readonly date: string;
  readonly patternId: string;
  readonly productId: string;
  /** Balls on average, and the middle eight in ten. */
  readonly mean: number;
  /** How it scatters, share of the mean, beyond chance. */
  readonly cv: number;
  readonly p10: number;
  readonly p90: number;
  /** Balls that are enough as often as the house wants. */
  readonly ready: number;
  /** What made the number, in the order it is said. */
  readonly parts: readonly ForecastPart[];
}

/** How one product at one kind of service is forecast, and how far off that was. */
export interface SeriesRecord {
  /** The services' name. */
  readonly service: string;
  readonly productId: string;
  readonly kind: 'smoothed' | 'naive' | 'short';
  /** Services it is made of. */
  readonly services: number;
  /** Of the last weeks, as forecast on each Monday; null where nothing could be looked back on. */
  readonly error: ForecastError | null;
  /** Of the last one of the same weekday, for comparison. */
  readonly naive: ForecastError | null;
}

/** Some days' forecasts, with how sure they are. */
export interface ForecastAnswer {
  readonly forecasts: readonly Forecast[];
  readonly series: readonly SeriesRecord[];
  /** All series together; null where nothing could be looked back on. */
  readonly error: ForecastError | null;
  readonly naive: ForecastError | null;
  /** How often there shall be enough, percent. */
  readonly enoughPercent: number;
  readonly events: readonly HouseEvent[];
}
