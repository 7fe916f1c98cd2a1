/** In which order a date's parts are written. */
export type DateOrder = (typeof DATE_ORDERS)[number];
export const DATE_ORDERS = ['year-first', 'day-first', 'month-first'] as const;

/** A column of dates in a file. */
export interface DateColumn {
  /** One of them, as it is written. */
  readonly example: string;
  /** In which orders most of them can be read; several are told apart by nothing. */
  readonly orders: readonly DateOrder[];
}

/** A moment on a wall clock. */
export interface WallMoment {
  /** `YYYY-MM-DD` */
  readonly date: string;
  /** Minutes from midnight; null when only the date was there. */
  readonly minute: number | null;
}

const DATE = /^(\d{1,4})[-./](\d{1,2})[-./](\d{1,4})(?:[T ,]+(.+))?$/;
const TIME =
  /^(\d{1,2})[:.h](\d{2})(?:[:.]\d{2}(?:[.,]\d+)?)?\s*([ap]\.?m\.?)?\s*(?:Z|[+-]\d{2}:?\d{2})?$/i;
const THIS_CENTURY = 2000;

/** A date as people and tills write it, with its time where it has one; null when it is none. */
export function readDateText(text: string, order: DateOrder): WallMoment | null {
  const parts = DATE.exec(text.trim());
  if (!parts) return null;
  const [first = '', second = '', third = '', rest] = parts.slice(1);
  const isYearFirst = order === 'year-first' || first.length === 4;
  const [year, month, day] = isYearFirst
    ? [first, second, third]
    : order === 'day-first'
      ? [third, second, first]
      : [third, first, second];
  const date = dateOf(Number(year), Number(month), Number(day));
  if (!date) return null;
  const minute = rest === undefined ? null : readTimeText(rest);
  return rest !== undefined && minute === null ? null : { date, minute };
}

/** Minutes from midnight of `19:42`, `7.42 pm`, `19h42`; null when it is no time. */
export function readTimeText(text: string): number | null {
  const parts = TIME.exec(text.trim());
  if (!parts) return null;
  const [hour, minute] = [Number(parts[1]), Number(parts[2])];
  const half = parts[3]?.[0]?.toLowerCase();
  // Midnight may end a day; later hours are another day's, and nobody knows whether that was meant.
  if (minute > 59 || hour > (half ? 12 : 24) || (hour === 24 && minute > 0)) return null;
  const full = half ? (hour % 12) + (half === 'p' ? 12 : 0) : hour;
  return full * 60 + minute;
}

/**
 * The orders in which most of some dates can be read. Several: nothing in them tells which is meant.
 *
 * @param texts dates as they are written; empty ones say nothing
 * @example
 * dateOrdersOf(['03/04/2026', '13/04/2026']); // ['day-first']
 * dateOrdersOf(['03/04/2026', '05/04/2026']); // ['day-first', 'month-first']
 */
export function dateOrdersOf(texts: readonly string[]): readonly DateOrder[] {
  const used = texts.filter((text) => text.trim() !== '');
  if (used.some((text) => /^\d{4}/.test(text.trim()))) return ['year-first'];
  const read = new Map(
    (['day-first', 'month-first'] as const).map((order) => [
      order,
      used.filter((text) => readDateText(text, order) !== null).length,
    ]),
  );
  const most = Math.max(...read.values());
  return most === 0 ? [] : [...read.keys()].filter((order) => read.get(order) === most);
}

/** Which of the orders that can be read is meant: where nothing tells, as the house writes. */
export const likelyOrder = (orders: readonly DateOrder[], usual: DateOrder): DateOrder =>
  orders.includes(usual) ? usual : (orders[0] ?? usual);

function dateOf(year: number, month: number, day: number): string | null {
  const full = year < 100 ? THIS_CENTURY + year : year;
  const at = new Date(Date.UTC(full, month - 1, day));
  const isReal = at.getUTCFullYear() === full && at.getUTCMonth() === month - 1;
  return isReal && at.getUTCDate() === day && full >= 1990 ? at.toISOString().slice(0, 10) : null;
}
