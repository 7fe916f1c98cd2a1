import type { ForecastError, ForecastPart } from '@calm/core';
import type { HouseEvent } from './events';
import type { Booking } from './bookings';

/** How the balls of one product go through one kind of service. */
export interface Usage {
  readonly service: string;
  readonly productId: string;
  /** Shares by quarter hour from its start; they sum to 1. */
  readonly curve: readonly number[];
  /** Balls that were seen going; 0 is an even evening, for want of anything else. */
  readonly balls: number;
}

/** What is expected of one product at one service. */
export interface Forecast {
  readonly date: string;
  readonly patternId: string;
  readonly productId: string;
  /** Balls on average, those booked included, and the middle eight in ten. */
  readonly mean: number;
  /** Balls of parties that come on top; they do not scatter. */
  readonly booked: number;
  /** How what is not booked scatters, share of its mean, beyond chance. */
  readonly cv: number;
  readonly p10: number;
  readonly p90: number;
  /** Balls that are enough as often as the house wants … */
  readonly ready: number;
  /** … of this product at this service, percent: what is left may keep for a later one. */
  readonly enoughPercent: number;
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
  readonly bookings: readonly Booking[];
  readonly usage: readonly Usage[];
}
