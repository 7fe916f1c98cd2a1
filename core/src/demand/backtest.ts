import { bestSmoothing, expectedOn, filterDemand, START_SERVICES, type Smoothing } from './model';
import { dayNumber, mondayOf, type SoldDay } from './soldDay';
import { grossedUp } from './wanted';

/** One service that was forecast on the Monday morning of its week, and what came. */
export interface Backtested {
  readonly date: string;
  readonly sold: number;
  readonly isSoldOut: boolean;
  /** See `SoldDay`. */
  readonly goneShare?: number;
  readonly expected: number;
  /** The last one sold on that weekday without an event: the plainest forecast there is. */
  readonly naive: number;
  readonly event?: string;
}

/** How far off forecasts were. */
export interface ForecastError {
  /** Σ|off| ÷ Σ sold, percent. */
  readonly wapePercent: number;
  /** Σ off ÷ Σ sold, percent; above 0 is too high. */
  readonly biasPercent: number;
}

/** Weeks that are looked back on. */
export const BACKTEST_WEEKS = 8;
const WEEK = 7;

/**
 * Forecasts of the last weeks as they would have been made: each from what was known on its week's Monday
 * morning, smoothing chosen from what was known too.
 *
 * @param days in time's order
 * @param expectedFactor what the house expected of an event by its name; 1 when it said nothing
 */
export function backtest(
  days: readonly SoldDay[],
  expectedFactor: (event: string) => number = () => 1,
  weeks = BACKTEST_WEEKS,
): Backtested[] {
  const last = days.at(-1);
  if (!last) return [];
  const from = mondayOf(last.date) - (weeks - 1) * WEEK;
  const told: Backtested[] = [];
  let known = 0;
  let monday = NaN;
  let model: ReturnType<typeof modelAfter> = null;
  let smoothing: Smoothing | null = null;
  for (const day of days) {
    if (dayNumber(day.date) < from) continue;
    if (mondayOf(day.date) !== monday) {
      monday = mondayOf(day.date);
      known = days.findIndex(({ date }) => dayNumber(date) >= monday);
      const before = days.slice(0, known);
      if (before.length < START_SERVICES) continue;
      smoothing ??= bestSmoothing(before);
      model = modelAfter(before, smoothing);
    }
    const naive = lastLike(days, known, day.date);
    if (!model || naive === null) continue;
    const guess = day.event && { name: day.event, expectedFactor: expectedFactor(day.event) };
    told.push({
      date: day.date,
      sold: day.sold,
      isSoldOut: day.isSoldOut ?? false,
      expected: expectedOn(model, day.date, guess || undefined),
      naive,
      ...(day.goneShare !== undefined && { goneShare: day.goneShare }),
      ...(day.event !== undefined && { event: day.event }),
    });
  }
  return told;
}

function modelAfter(days: readonly SoldDay[], by: Smoothing) {
  return filterDemand(days, by).at(-1) ?? null;
}

/** The last sold on the same weekday, without an event, among the first `known`. */
function lastLike(days: readonly SoldDay[], known: number, date: string): number | null {
  for (let i = known - 1; i >= 0; i -= 1) {
    const day = days[i] as SoldDay;
    const isLike = (dayNumber(date) - dayNumber(day.date)) % WEEK === 0;
    if (isLike && day.event === undefined) return grossedUp(day);
  }
  return null;
}

/**
 * How far off some forecasts were. Services that ran out count only where the forecast was below what
 * was sold: above it, nobody knows.
 *
 * @returns null when nothing was sold in all of them
 */
export function errorOf(
  told: readonly Backtested[],
  by: 'expected' | 'naive',
): ForecastError | null {
  let [off, absolute, sold] = [0, 0, 0];
  for (const each of told) {
    const miss = each[by] - each.sold;
    if (each.isSoldOut && miss > 0) continue;
    off += miss;
    absolute += Math.abs(miss);
    sold += each.sold;
  }
  if (sold <= 0) return null;
  return { wapePercent: (100 * absolute) / sold, biasPercent: (100 * off) / sold };
}
