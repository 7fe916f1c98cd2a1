import type { DisplayPreferences } from '@calm/contract';
import { cToF, deltaCToF, gToOz } from '@calm/core';
import { symbolsOf, type UnitSymbols } from './symbols';

/** How one person reads, in one house. */
export interface FormatPreferences extends DisplayPreferences {
  /** The house's, IANA. */
  readonly timeZone: string;
  /** The house's, ISO 4217. */
  readonly currency: string;
}

/** Every number, unit, date and list that is read is written by one of these. */
export interface Formats {
  readonly preferences: FormatPreferences;
  /** What `Intl` knows the language by, for parts that write dates themselves. */
  readonly locale: string;
  /** Order and marks of a date as it is typed: `dd/MM/yyyy` (Unicode date field symbols). */
  readonly datePattern: string;
  /** How units are written, for fields that stand before them. */
  readonly symbols: UnitSymbols;
  /** A bare number, as it is shown in a field: no groups, no unit. */
  plain(value: number, mostDecimals: number): string;
  /** `14:40`, `2:40 pm` */
  time(ms: number): string;
  /** `14:40` of minutes after midnight; past midnight goes on counting. */
  timeOfDay(minutes: number): string;
  /** `Wed 25 Nov` */
  day(ms: number): string;
  /** `Wed 25 Nov` of a local date. */
  date(localDate: string): string;
  /** `25 Nov 2026` of a local date. */
  fullDate(localDate: string): string;
  /** `Wed` */
  weekday(ms: number): string;
  /** `Wed` of a local date. */
  weekdayOf(localDate: string): string;
  /** The days of a week, 1 is Monday, in the order in which it is read. */
  readonly weekdays: readonly number[];
  /** Hour of the day in the house's zone, 0–23. */
  hour(ms: number): number;
  /** `Wed 14:40` */
  moment(ms: number): string;
  /** `12 571 g`, decimals as the scale shows. */
  grams(g: number, decimals?: number): string;
  /** `33.4 kg` of grams. */
  kilograms(g: number, decimals?: number): string;
  /** `24.0 °C` */
  temperature(c: number, decimals?: number): string;
  /** A difference of temperatures, with its sign. */
  warmer(deltaC: number, decimals?: number): string;
  /** A difference of temperatures, however it lies. */
  apart(deltaC: number, decimals?: number): string;
  /** `2 h 50 min` */
  duration(minutes: number): string;
  /** `1.80×`: a rise, volume over volume. */
  times(ratio: number, decimals?: number): string;
  /** `18.6 h`: ripeness at 20 °C, and stretches that `duration` would round to days. */
  hours(h: number, decimals?: number): string;
  count(n: number): string;
  percent(p: number, decimals?: number): string;
  /** `0.12 L` of gas */
  litres(l: number, decimals?: number): string;
  /** `14.2 cm` */
  centimetres(cm: number, decimals?: number): string;
  /** `84 kJ` */
  energy(kJ: number, decimals?: number): string;
  /** `€12.40`, in the house's currency. */
  money(amount: number, decimals?: number): string;
  /** `Dinner, Wed 25 Nov`: things that stand beside each other, not a list of one kind. */
  joined(...parts: readonly string[]): string;
  /** `Maro, Ines, Tomi` */
  list(items: readonly string[]): string;
}

/** Narrow no-break space: groups digits without being read as a decimal point anywhere. */
const THIN = '\u202f';
const UNIT_GAP = '\u00a0';
const MINUS = '\u2212';
/** A sign stays before its number where words run from the right. */
const LEFT_TO_RIGHT = '\u2066';
const END_OF_ISOLATE = '\u2069';

/** As many decimals as the number has, up to a most: 62 %, 2.6 %, 0.25 %. */
function fewest(value: number, most: number): number {
  const decimals = String(Number(value.toFixed(most))).split('.')[1] ?? '';
  return decimals.length;
}

/** What `Intl` knows a language by. Digits are those of scales and thermometers everywhere. */
const localeOf = ({ language }: DisplayPreferences): string =>
  ({ en: 'en-GB', 'en-US': 'en-US', it: 'it', es: 'es', ar: 'ar-u-nu-latn' })[language];

const PATTERN_OF_PART: Readonly<Partial<Record<Intl.DateTimeFormatPartTypes, string>>> = {
  day: 'dd',
  month: 'MM',
  year: 'yyyy',
};

/** Marks that set the direction of writing, which no one types. */
const DIRECTION_MARKS = /[\u200e\u200f]/g;

function datePatternOf(locale: string): string {
  const parts = new Intl.DateTimeFormat(locale, {
    day: '2-digit',
    month: '2-digit',
    year: 'numeric',
  }).formatToParts(0);
  return parts
    .map(({ type, value }) => PATTERN_OF_PART[type] ?? value.replace(DIRECTION_MARKS, ''))
    .join('');
}

const WEEKS: Readonly<Record<DisplayPreferences['week'], readonly number[]>> = {
  monday: [1, 2, 3, 4, 5, 6, 7],
  sunday: [7, 1, 2, 3, 4, 5, 6],
  saturday: [6, 7, 1, 2, 3, 4, 5],
};

/** Makes the formats of one way of reading. */
export function makeFormats(preferences: FormatPreferences): Formats {
  return {
    preferences,
    locale: localeOf(preferences),
    datePattern: datePatternOf(localeOf(preferences)),
    symbols: symbolsOf(preferences.language),
    weekdays: WEEKS[preferences.week],
    ...makeNumbers(preferences),
    ...makeDates(preferences),
  };
}

type DateKey =
  'time' | 'timeOfDay' | 'day' | 'date' | 'fullDate' | 'weekday' | 'weekdayOf' | 'hour' | 'moment';

function makeDates(preferences: FormatPreferences): Pick<Formats, DateKey> {
  const locale = localeOf(preferences);
  const of = (timeZone: string, options: Intl.DateTimeFormatOptions) => {
    const formatter = new Intl.DateTimeFormat(locale, { timeZone, ...options });
    return (ms: number) => formatter.format(ms);
  };
  const { timeZone } = preferences;
  const clock: Intl.DateTimeFormatOptions =
    preferences.clock === '12h'
      ? { hour: 'numeric', minute: '2-digit', hourCycle: 'h12' }
      : { hour: '2-digit', minute: '2-digit', hourCycle: 'h23' };
  const DAY = { weekday: 'short', day: 'numeric', month: 'short' } as const;
  const [time, utcTime] = [onOneLine(of(timeZone, clock)), onOneLine(of('UTC', clock))];
  const hour = new Intl.DateTimeFormat('en-GB', { timeZone, hour: '2-digit', hourCycle: 'h23' });
  const weekday = of(timeZone, { weekday: 'short' });
  const utcWeekday = of('UTC', { weekday: 'short' });
  const [day, utcDay] = [of(timeZone, DAY), of('UTC', DAY)];
  const fullDay = of('UTC', { day: 'numeric', month: 'short', year: 'numeric' });
  const noon = (localDate: string) => Date.parse(`${localDate}T12:00:00Z`);
  const withoutComma = (text: string) => text.replace(/[,،]/, '');
  return {
    time,
    timeOfDay: (minutes) => utcTime(minutes * 60_000),
    day: (ms) => withoutComma(day(ms)),
    date: (localDate) => withoutComma(utcDay(noon(localDate))),
    fullDate: (localDate) => fullDay(noon(localDate)),
    weekday,
    weekdayOf: (localDate) => utcWeekday(noon(localDate)),
    hour: (ms) => Number(hour.format(ms)),
    moment: (ms) => `${weekday(ms)} ${time(ms)}`,
  };
}

/** What comes after the hour, such as "p. m.", never stands in a line of its own. */
const onOneLine =
  (format: (ms: number) => string) =>
  (ms: number): string =>
    format(ms).replaceAll(' ', UNIT_GAP);

/** One formatter per count of decimals: making one takes longer than hundreds of uses of it. */
function keptFormatters(locale: string, options: Intl.NumberFormatOptions) {
  const kept = new Map<number, Intl.NumberFormat>();
  return (decimals: number): Intl.NumberFormat => {
    let formatter = kept.get(decimals);
    if (formatter === undefined) {
      formatter = new Intl.NumberFormat(locale, {
        minimumFractionDigits: decimals,
        maximumFractionDigits: decimals,
        ...options,
      });
      kept.set(decimals, formatter);
    }
    return formatter;
  };
}

function makeNumbers(
  preferences: FormatPreferences,
): Omit<Formats, DateKey | 'preferences' | 'weekdays' | 'symbols' | 'locale' | 'datePattern'> {
  const { mass, temp, decimal, language, currency } = preferences;
  const locale = localeOf(preferences);
  const symbols = symbolsOf(language);
  const mark = { language: null, point: '.', comma: ',' }[decimal];
  const written = (part: Intl.NumberFormatPart): string => {
    if (part.type === 'group') return THIN;
    if (part.type === 'minusSign') return MINUS;
    return part.type === 'decimal' && mark ? mark : part.value;
  };
  const write = (value: number, formatter: Intl.NumberFormat, decimals: number) =>
    formatter
      .formatToParts(Number(value.toFixed(decimals)) === 0 ? 0 : value)
      .map(written)
      .join('');
  const number = keptFormatters(locale, {});
  const currencyAmount = keptFormatters(locale, { style: 'currency', currency });
  const digits = (value: number, decimals: number) => write(value, number(decimals), decimals);
  const isolated = (text: string) =>
    symbols.isRightToLeft ? `${LEFT_TO_RIGHT}${text}${END_OF_ISOLATE}` : text;
  const withUnit = (value: number, decimals: number, unit: string) =>
    `${digits(value, decimals)}${UNIT_GAP}${unit}`;
  const [isUs, isF] = [mass === 'us', temp === 'fahrenheit'];
  const degree = isF ? symbols.f : symbols.c;
  const decimalMark = mark ?? digits(0.5, 1).charAt(1);
  const days = new Intl.NumberFormat(locale, { style: 'unit', unit: 'day', unitDisplay: 'long' });
  const list = new Intl.ListFormat(locale, { type: 'unit', style: 'short' });
  return {
    plain: (value, mostDecimals) =>
      String(Number(value.toFixed(mostDecimals))).replace('.', decimalMark),
    grams: (g, decimals = 0) =>
      isUs ? withUnit(gToOz(g), 2, symbols.oz) : withUnit(g, decimals, symbols.g),
    kilograms: (g, decimals = 1) =>
      isUs
        ? withUnit(gToOz(g) / 16, decimals, symbols.lb)
        : withUnit(g / 1000, decimals, symbols.kg),
    temperature: (c, decimals = 1) =>
      isF ? withUnit(cToF(c), 0, degree) : withUnit(c, decimals, degree),
    warmer: (deltaC, decimals = 1) => {
      const value = isF ? deltaCToF(deltaC) : deltaC;
      return isolated(`${value > 0 ? '+' : ''}${withUnit(value, decimals, degree)}`);
    },
    apart: (deltaC, decimals = 1) =>
      withUnit(Math.abs(isF ? deltaCToF(deltaC) : deltaC), decimals, degree),
    duration: (minutes) => {
      const whole = Math.max(0, Math.round(minutes));
      const [h, min] = [Math.floor(whole / 60), whole % 60];
      if (h >= 48) return days.format(Math.round(h / 24));
      const [hours, rest] = [`${h}${UNIT_GAP}${symbols.h}`, `${min}${UNIT_GAP}${symbols.min}`];
      if (h === 0) return rest;
      return min === 0 ? hours : `${hours} ${rest}`;
    },
    times: (ratio, decimals = 2) => `${digits(ratio, decimals)}×`,
    hours: (h, decimals = 1) => withUnit(h, decimals, symbols.h),
    count: (n) => digits(n, 0),
    percent: (p, decimals = 1) => {
      const shown = digits(Number(p.toFixed(decimals)), fewest(p, decimals));
      return `${shown}${symbols.percent}`;
    },
    litres: (l, decimals = 2) => withUnit(l, decimals, symbols.l),
    centimetres: (cm, decimals = 1) => withUnit(cm, decimals, symbols.cm),
    energy: (kJ, decimals = 0) => withUnit(kJ, decimals, symbols.kj),
    money: (amount, decimals = 2) => write(amount, currencyAmount(decimals), decimals),
    joined: (...parts) => parts.join(symbols.comma),
    list: (items) => list.format(items),
  };
}
