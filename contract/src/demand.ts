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
  /** Of these, balls that are made already and still good, oldest first; the rest is to be made. */
  readonly carried?: readonly CarriedBalls[];
}

/** Balls of an earlier lot that a service can use. */
export interface CarriedBalls {
  readonly lotCode: string;
  readonly count: number;
}

/** Balls that somebody still has to make for a service. */
export const ballsToMake = ({ count, carried = [] }: Pick<ProductCount, 'count' | 'carried'>) =>
  carried.reduce((left, lot) => left - lot.count, count);

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

/** A service that comes every week. */
export interface ServicePatternContent {
  /** Services of one name are one kind: they are forecast together. */
  readonly name: string;
  /** 1 = Monday … 7 = Sunday. */
  readonly weekday: number;
  /** Minutes from local midnight; past 1440 is the next day. */
  readonly startMin: number;
  readonly endMin: number;
  /** Local dates between which it comes, both included; null is for ever. */
  readonly firstDate: string | null;
  readonly lastDate: string | null;
}

/** A kept service pattern. */
export interface ServicePattern extends ServicePatternContent {
  readonly id: string;
  readonly version: number;
}

/** A day on which a service is closed or keeps other hours. */
export interface ServiceExceptionContent {
  /** Local date. */
  readonly date: string;
  /** Null is every service of the day. */
  readonly patternId: string | null;
  /** Other hours, as in the pattern; null is closed. */
  readonly hours: { readonly startMin: number; readonly endMin: number } | null;
  readonly note: string;
}

/** A kept exception. */
export interface ServiceException extends ServiceExceptionContent {
  readonly id: string;
  readonly version: number;
}

/** Balls of one product that a party takes. */
export interface BookedBalls {
  readonly productId: string;
  readonly count: number;
}

/** A party that comes on top of an ordinary service. */
export interface BookingContent {
  readonly date: string;
  readonly patternId: string;
  readonly name: string;
  readonly guests: number;
  /** What it takes beyond what an ordinary service sells. */
  readonly balls: readonly BookedBalls[];
  readonly note: string;
}

/** A kept booking. */
export interface Booking extends BookingContent {
  readonly id: string;
  readonly version: number;
}

/** When a house sells: its week, and the days that differ. */
export interface HouseCalendar {
  readonly patterns: readonly ServicePattern[];
  readonly exceptions: readonly ServiceException[];
}

/** What one service sold of one product. */
export interface SoldBalls {
  readonly sold: number;
  /** Minutes from local midnight when the last ball went; null when they lasted. */
  readonly soldOutMin: number | null;
  /** Balls counted at the end that are kept; null when nobody counted. */
  readonly leftBalls: number | null;
}

/** What one service sold of one product, where and when. */
export interface Sale extends SoldBalls {
  readonly date: string;
  readonly patternId: string;
  readonly productId: string;
  readonly version: number;
}

/** A new record of a sale. Null takes it out. */
export interface SaleChange {
  readonly sale: SoldBalls | null;
  readonly version: number;
}

/** A sale as a file tells it; what the file does not tell is undefined. */
export interface BroughtSale {
  readonly date: string;
  readonly patternId: string;
  readonly productId: string;
  readonly sold: number;
  readonly soldOutMin?: number;
  readonly leftBalls?: number;
  /** Balls of each quarter hour, `[quarter, balls]`, where the file has times. */
  readonly quarters?: readonly (readonly [quarter: number, balls: number])[];
}

/** Services × products in one request of a file that is brought in. */
export const SALES_A_REQUEST = 4000;

/** History from a file, some rows at a time. The same rows twice are there once. */
export interface BroughtSales {
  readonly sales: readonly BroughtSale[];
  /** What is done where the house has another number. */
  readonly over: 'keep' | 'replace';
  /** Only says what would change. */
  readonly isTrial: boolean;
}

/** What bringing in came to, services × products. */
export interface SalesBroughtIn {
  readonly added: number;
  readonly same: number;
  readonly different: number;
}

/** One sale as a till posts it. */
export interface TillSale {
  /** The till's own number: the same number twice is one sale. */
  readonly number: string;
  /** ISO 8601, UTC. */
  readonly at: string;
  readonly productId: string;
  /** Less than none takes a sale back. */
  readonly balls: number;
}

/** What became of a till's sales. */
export interface TillAnswer {
  readonly added: number;
  /** Posted before. */
  readonly known: number;
  /** Outside every service, with their numbers: they are not counted anywhere. */
  readonly outside: readonly string[];
}

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
  readonly bookings: readonly Booking[];
  readonly usage: readonly Usage[];
}
