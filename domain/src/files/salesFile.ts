import { DAY_MIN, QUARTER_MIN } from '@calm/core';
import { servicesOn, type HeldService } from '../demand/calendar';
import type { ImportedSale, HouseCalendar, SalesColumns } from '@calm/contract';
import { readDateText, readTimeText } from './dateText';
import { wholeNumber } from './wholeNumber';

/** Why a line of a sales file could not be read. */
export type SalesFault =
  'no-date' | 'to-come' | 'no-count' | 'no-product' | 'no-service' | 'which-service' | 'twice';

/** A line that could not be read. */
export interface FaultyLine {
  /** As an editor counts them; the titles are line 1. */
  readonly line: number;
  readonly fault: SalesFault;
  /** What stood there. */
  readonly text: string;
}

/** What a sales file comes to, services × products. */
export interface SalesFile {
  readonly sales: readonly ImportedSale[];
  /** The first of the lines that could not be read, and how many there are. */
  readonly faulty: readonly FaultyLine[];
  readonly faults: number;
  /** Lines of products that the house leaves out, and lines that were there already. */
  readonly leftOut: number;
  readonly repeated: number;
}

const MOST_FAULTY = 100;
/** Orders are taken a little before doors and typed a little after the last of them. */
const EARLY_MIN = 15;
const LATE_MIN = 45;

interface Sum {
  readonly date: string;
  readonly held: HeldService;
  readonly productId: string;
  sold: number;
  soldOutMin: number | undefined;
  leftBalls: number | undefined;
  readonly quarters: Map<number, number>;
}

/**
 * Reads a sales file line by line and adds it up by service and product. Lines that cannot be read are
 * told and left out; what they would have said is not guessed.
 *
 * A file with times or line numbers is one of single sales: lines add up. One with neither is of totals:
 * the same service and product again is a repetition, or a fault when it says another number.
 *
 * @param today the house's; nothing was sold after it
 */
export function salesReader(
  titles: readonly string[],
  columns: SalesColumns,
  calendar: HouseCalendar,
  today: string,
) {
  const at = (title: string | undefined) => (title === undefined ? -1 : titles.indexOf(title));
  const place = {
    date: at(columns.date),
    product: at(columns.product),
    sold: at(columns.sold),
    time: at(columns.time),
    service: at(columns.service),
    soldOut: at(columns.soldOut),
    left: at(columns.left),
    number: at(columns.number),
  };
  const sums = new Map<string, Sum>();
  const numbers = new Set<string>();
  const faulty: FaultyLine[] = [];
  const count = { faults: 0, leftOut: 0, repeated: 0 };
  const heldOn = remember((date: string) => servicesOn(calendar, date));
  let hasTimes = place.time >= 0;

  /** Takes a row in. @returns what is wrong with it, with the text that is */
  const takeRow = (row: readonly string[]): { fault: SalesFault; text: string } | null => {
    const cell = (key: keyof typeof place) => (row[place[key]] ?? '').trim();
    const productId = columns.products[cell('product')];
    if (productId === null) {
      count.leftOut += 1;
      return null;
    }
    if (productId === undefined) return { fault: 'no-product', text: cell('product') };
    const when = readDateText(cell('date'), columns.dateOrder);
    if (!when) return { fault: 'no-date', text: cell('date') };
    if (when.date > today) return { fault: 'to-come', text: cell('date') };
    const minute = when.minute ?? (place.time >= 0 ? readTimeText(cell('time')) : null);
    if (place.time >= 0 && minute === null) return { fault: 'no-date', text: cell('time') };
    if (when.minute !== null) hasTimes = true;
    const sold = place.sold >= 0 ? wholeNumber(cell('sold')) : 1;
    if (sold === null) return { fault: 'no-count', text: cell('sold') };
    const left = place.left >= 0 && cell('left') !== '' ? wholeNumber(cell('left')) : undefined;
    if (left === null || (left ?? 0) < 0) return { fault: 'no-count', text: cell('left') };

    const named = place.service >= 0 ? cell('service') : null;
    const found = placeOf(heldOn, when.date, minute, named);
    if (typeof found === 'string') return { fault: found, text: named ?? cell('date') };
    if (place.number >= 0) {
      const number = cell('number');
      if (numbers.has(number)) {
        count.repeated += 1;
        return null;
      }
      numbers.add(number);
    }
    const { date, held } = found;
    const key = `${date}/${held.pattern.id}/${productId}`;
    const sum = sums.get(key);
    const out = place.soldOut >= 0 ? outMinute(cell('soldOut'), held) : undefined;
    if (sum && !hasTimes && place.number < 0) {
      if (sum.sold !== sold) return { fault: 'twice', text: cell('product') };
      count.repeated += 1;
      return null;
    }
    const to = sum ?? {
      date,
      held,
      productId,
      sold: 0,
      soldOutMin: undefined,
      leftBalls: undefined,
      quarters: new Map<number, number>(),
    };
    to.sold += sold;
    to.soldOutMin ??= out;
    to.leftBalls ??= left;
    if (found.minute !== null) {
      const last = Math.ceil((held.endMin - held.startMin) / QUARTER_MIN) - 1;
      const quarter = Math.floor((found.minute - held.startMin) / QUARTER_MIN);
      const kept = Math.min(last, Math.max(0, quarter));
      to.quarters.set(kept, (to.quarters.get(kept) ?? 0) + sold);
    }
    if (!sum) sums.set(key, to);
    return null;
  };

  return {
    /** Takes rows in the file's order. @param firstLine the line that the first of them stands on */
    take(rows: readonly (readonly string[])[], firstLine: number): void {
      rows.forEach((row, i) => {
        if (row.every((text) => text.trim() === '')) return;
        const wrong = takeRow(row);
        if (!wrong) return;
        count.faults += 1;
        if (faulty.length < MOST_FAULTY) faulty.push({ line: firstLine + i, ...wrong });
      });
    },
    result(): SalesFile {
      return { sales: [...sums.values()].map(saleOf), faulty, ...count };
    },
  };
}

function saleOf({
  date,
  held,
  productId,
  sold,
  soldOutMin,
  leftBalls,
  quarters,
}: Sum): ImportedSale {
  const kept = [...quarters].filter(([, balls]) => balls > 0).sort(([a], [b]) => a - b);
  return {
    date,
    patternId: held.pattern.id,
    productId,
    sold: Math.max(0, sold),
    ...(soldOutMin !== undefined && { soldOutMin }),
    ...(leftBalls !== undefined && { leftBalls }),
    ...(kept.length > 0 && { quarters: kept }),
  };
}

/** The service a line belongs to, and its minute there; the evening before when it went past midnight. */
function placeOf(
  heldOn: (date: string) => readonly HeldService[],
  date: string,
  minute: number | null,
  named: string | null,
): { date: string; held: HeldService; minute: number | null } | SalesFault {
  if (named !== null && named !== '') {
    const held = heldOn(date).find(
      ({ pattern }) => pattern.name.toLowerCase() === named.toLowerCase(),
    );
    return held ? { date, held, minute } : 'no-service';
  }
  if (minute === null) {
    const [only, ...others] = heldOn(date);
    if (!only) return 'no-service';
    return others.length > 0 ? 'which-service' : { date, held: only, minute };
  }
  const during = (held: HeldService, at: number) =>
    at >= held.startMin - EARLY_MIN && at <= held.endMin + LATE_MIN;
  const today = heldOn(date).find((held) => during(held, minute));
  if (today) return { date, held: today, minute };
  const before = dayBefore(date);
  const late = heldOn(before).find((held) => during(held, minute + DAY_MIN));
  return late ? { date: before, held: late, minute: minute + DAY_MIN } : 'no-service';
}

const dayBefore = (date: string) =>
  new Date(Date.parse(`${date}T00:00:00Z`) - DAY_MIN * 60_000).toISOString().slice(0, 10);

/** When the last ball went, minutes from the midnight the service began after; undefined when not told. */
function outMinute(text: string, { startMin, endMin }: HeldService): number | undefined {
  const minute = readTimeText(text);
  if (minute === null) return undefined;
  const at = minute < startMin ? minute + DAY_MIN : minute;
  return at >= startMin && at <= endMin ? at : undefined;
}

function remember<Key, Value>(work: (key: Key) => Value): (key: Key) => Value {
  const known = new Map<Key, Value>();
  return (key) => {
    const there = known.get(key);
    if (there !== undefined) return there;
    const value = work(key);
    known.set(key, value);
    return value;
  };
}
