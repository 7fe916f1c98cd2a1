import { HOUR_MS, fToC } from '@calm/core';
import type { ReadingColumns } from '@calm/contract';
import { dateOrdersOf, likelyOrder, readDateText, type DateOrder } from './dateText';

/** A line of a logger's file that could not be read. */
export interface FaultyReading {
  /** As an editor counts them; the titles are line 1. */
  readonly line: number;
  /** What stood there. */
  readonly text: string;
}

/** Readings of one probe of the house, in time's order, each moment once. */
export interface FileReadings {
  readonly probeId: string;
  /** Seconds since the epoch. */
  readonly atS: readonly number[];
  readonly airC: readonly number[];
}

/** What a logger's file comes to. */
export interface ReadingsFile {
  readonly probes: readonly FileReadings[];
  readonly readings: number;
  /** The first of the lines that could not be read, and how many there are. */
  readonly faulty: readonly FaultyReading[];
  readonly faults: number;
  readonly leftOut: number;
  /** Stretches of more than an hour between two readings of a probe, and the longest of them, s. */
  readonly gaps: number;
  readonly longestGapS: number;
  readonly fromS: number | null;
  readonly toS: number | null;
}

const MOST_FAULTY = 20;
const GAP_S = 3600;
/** A logger's clock may be so far ahead. */
const CLOCK_AHEAD_S = 120;
/** Colder or warmer than any place dough stands in, °C. */
const RANGE_C = { least: -60, most: 80 };

/** Columns by what loggers call them. */
const TITLES = {
  time: /time|date|stamp|when/i,
  temp: /temp|°|celsius|fahrenheit|value|reading/i,
  probe: /probe|sensor|channel|name|logger|device|serial/i,
} as const;

/**
 * A first guess of which column says what.
 *
 * @param rows some of the file's rows
 * @param usualOrder of dates, where nothing in them tells it
 */
export function guessReadingColumns(
  titles: readonly string[],
  rows: readonly (readonly string[])[],
  usualOrder: DateOrder = 'day-first',
): ReadingColumns {
  const find = (key: keyof typeof TITLES) => titles.find((title) => TITLES[key].test(title));
  const time = find('time') ?? titles[0] ?? '';
  const temp = titles.find((title) => title !== time && TITLES.temp.test(title)) ?? titles[1] ?? '';
  const probe = titles.find(
    (title) => title !== time && title !== temp && TITLES.probe.test(title),
  );
  const cells = rows.map((row) => row[titles.indexOf(time)] ?? '');
  return {
    time,
    temp,
    ...(probe !== undefined && { probe }),
    unit: /°?\s*F\b|fahrenheit/i.test(temp) ? 'F' : 'C',
    dateOrder: likelyOrder(dateOrdersOf(cells), usualOrder),
    clock: 'house',
    probes: {},
  };
}

/** The name under which a file without a column of probes is known. */
export const ONLY_PROBE = '';

interface Growing {
  readonly atS: number[];
  readonly airC: number[];
}

/**
 * Reads a logger's file line by line. Lines that cannot be read are told and left out. Times are by the
 * house's clock or UTC, as the columns say, unless a line names its own offset.
 *
 * @param timeZone IANA zone of the house
 * @param nowS seconds since the epoch: what is later cannot have been read yet
 */
export function readingsReader(
  titles: readonly string[],
  columns: ReadingColumns,
  timeZone: string,
  nowS: number,
) {
  const at = (title: string | undefined) => (title === undefined ? -1 : titles.indexOf(title));
  const place = { time: at(columns.time), temp: at(columns.temp), probe: at(columns.probe) };
  const offsets = new Map<number, number>();
  const byProbe = new Map<string, Growing>();
  const faulty: FaultyReading[] = [];
  const count = { faults: 0, leftOut: 0 };

  const secondOf = (text: string): number | null => {
    const named = Date.parse(text);
    if (/(?:Z|[+-]\d{2}:?\d{2})$/.test(text) && !Number.isNaN(named)) return named / 1000;
    const when = readDateText(text, columns.dateOrder);
    if (when?.minute == null) return null;
    const wallMs = Date.parse(`${when.date}T00:00:00Z`) + when.minute * 60_000 + secondsIn(text);
    if (columns.clock === 'utc') return wallMs / 1000;
    const hour = Math.floor(wallMs / HOUR_MS);
    let offsetMs = offsets.get(hour);
    if (offsetMs === undefined) {
      offsetMs = offsetAt(hour * HOUR_MS, timeZone);
      offsets.set(hour, offsetMs);
    }
    return (wallMs - offsetMs) / 1000;
  };

  const takeRow = (row: readonly string[]): string | null => {
    const name = place.probe < 0 ? ONLY_PROBE : (row[place.probe] ?? '').trim();
    const probeId = columns.probes[name];
    if (probeId === undefined || probeId === null) {
      count.leftOut += 1;
      return null;
    }
    const timeText = (row[place.time] ?? '').trim();
    const tempText = (row[place.temp] ?? '').trim();
    const atS = secondOf(timeText);
    const shown = degrees(tempText);
    if (atS === null || atS > nowS + CLOCK_AHEAD_S) return timeText;
    if (shown === null) return tempText;
    const airC = columns.unit === 'F' ? fToC(shown) : shown;
    if (airC < RANGE_C.least || airC > RANGE_C.most) return tempText;
    const own = byProbe.get(probeId) ?? { atS: [], airC: [] };
    byProbe.set(probeId, own);
    own.atS.push(Math.round(atS));
    own.airC.push(Math.round(airC * 100) / 100);
    return null;
  };

  return {
    /** Takes rows in the file's order. @param firstLine the line that the first of them stands on */
    take(rows: readonly (readonly string[])[], firstLine: number): void {
      rows.forEach((row, i) => {
        if (row.every((text) => text.trim() === '')) return;
        const wrong = takeRow(row);
        if (wrong === null) return;
        count.faults += 1;
        if (faulty.length < MOST_FAULTY) faulty.push({ line: firstLine + i, text: wrong });
      });
    },
    result(): ReadingsFile {
      const probes = [...byProbe].map(([probeId, own]) => inOrder(probeId, own));
      let [gaps, longestGapS] = [0, 0];
      let [fromS, toS] = [Infinity, -Infinity];
      for (const { atS } of probes) {
        fromS = Math.min(fromS, atS[0] ?? Infinity);
        toS = Math.max(toS, atS.at(-1) ?? -Infinity);
        for (let i = 1; i < atS.length; i += 1) {
          const gapS = (atS[i] as number) - (atS[i - 1] as number);
          if (gapS > GAP_S) gaps += 1;
          longestGapS = Math.max(longestGapS, gapS);
        }
      }
      return {
        probes,
        readings: probes.reduce((sum, { atS }) => sum + atS.length, 0),
        faulty,
        ...count,
        gaps,
        longestGapS,
        fromS: fromS === Infinity ? null : fromS,
        toS: toS === -Infinity ? null : toS,
      };
    },
  };
}

/** In time's order; of a moment that stands there twice the first one counts. */
function inOrder(probeId: string, { atS, airC }: Growing): FileReadings {
  const order = atS
    .map((_, i) => i)
    .sort((a, b) => (atS[a] as number) - (atS[b] as number) || a - b);
  const kept = order.filter((i, at) => at === 0 || atS[i] !== atS[order[at - 1] as number]);
  return {
    probeId,
    atS: kept.map((i) => atS[i] as number),
    airC: kept.map((i) => airC[i] as number),
  };
}

/** Seconds of a time of day, ms; none when it goes no further than minutes. */
function secondsIn(text: string): number {
  const seconds = /\d{1,2}[:.h]\d{2}[:.](\d{2})/.exec(text.slice(text.search(/[T ,]/) + 1))?.[1];
  return Number(seconds ?? 0) * 1000;
}

/** `3.4`, `3,4`, `−0.5 °C`; null when it is no number. */
function degrees(text: string): number | null {
  const plain = text
    .replace(/\s*°?\s*[CF]?$/i, '')
    .replace('\u2212', '-')
    .replace(',', '.');
  return /^-?\d+(\.\d+)?$/.test(plain) ? Number(plain) : null;
}

const clocks = new Map<string, Intl.DateTimeFormat>();

/** How far a zone's clock is ahead of UTC when it shows a time, ms. */
function offsetAt(wallMs: number, timeZone: string): number {
  const shown = (utcMs: number) => {
    let clock = clocks.get(timeZone);
    if (!clock) {
      clock = new Intl.DateTimeFormat('en-CA', {
        timeZone,
        hourCycle: 'h23',
        year: 'numeric',
        month: '2-digit',
        day: '2-digit',
        hour: '2-digit',
        minute: '2-digit',
      });
      clocks.set(timeZone, clock);
    }
    const part = Object.fromEntries(
      clock.formatToParts(utcMs).map(({ type, value }) => [type, Number(value)]),
    );
    const { year = 0, month = 1, day = 1, hour = 0, minute = 0 } = part;
    return Date.UTC(year, month - 1, day, hour, minute) - utcMs;
  };
  // Twice: the offset at the guess may not be the one that holds then.
  return shown(wallMs - shown(wallMs));
}
