import { cToF, deltaCToF, gToOz } from '@calm/core';
import { createContext, useContext } from 'react';

/** How one person reads numbers. Stored data is always g, °C and UTC. */
export interface DisplayPreferences {
  readonly locale: string;
  readonly timeZone: string;
  readonly units: 'metric' | 'us';
  /** Between whole and part of a number; the locale's own when absent. */
  readonly decimal?: 'point' | 'comma';
}

/** Every number, unit and date of the interface is written by one of these. */
export interface Formats {
  readonly units: DisplayPreferences['units'];
  /** A bare number, as it is shown in a field: no groups, no unit. */
  plain(value: number, mostDecimals: number): string;
  /** `14:40` */
  time(ms: number): string;
  /** `Wed 25 Nov` */
  day(ms: number): string;
  /** `Wed 25 Nov` of a local date. */
  date(localDate: string): string;
  /** `25 Nov 2026` of a local date. */
  fullDate(localDate: string): string;
  /** `Wed` */
  weekday(ms: number): string;
  /** Hour of the day in the house's zone, 0–23. */
  hour(ms: number): number;
  /** `Wed 14:40` */
  moment(ms: number): string;
  /** `12 571 g`, decimals as the scale shows. */
  grams(g: number, decimals?: number): string;
  /** `33.4 kg` */
  kilograms(g: number, decimals?: number): string;
  /** `24.0 °C` */
  temperature(c: number, decimals?: number): string;
  /** A difference of temperatures, with its sign. */
  warmer(deltaC: number, decimals?: number): string;
  /** `2 h 50 min` */
  duration(minutes: number): string;
  /** `1.80×`: a rise, volume over volume. */
  times(ratio: number, decimals?: number): string;
  /** `18.6 h`: ripeness at 20 °C, and stretches that `duration` would round to days. */
  hours(h: number, decimals?: number): string;
  count(n: number): string;
  percent(p: number, decimals?: number): string;
}

/** Narrow no-break space: groups digits without being read as a decimal point anywhere. */
const THIN = '\u202f';
const UNIT_GAP = '\u00a0';

/** As many decimals as the number has, up to a most: 62 %, 2.6 %, 0.25 %. */
function fewest(value: number, most: number): number {
  const decimals = String(Number(value.toFixed(most))).split('.')[1] ?? '';
  return decimals.length;
}

/** Makes the formats of one way of reading. */
export function makeFormats({ locale, timeZone, units, decimal }: DisplayPreferences): Formats {
  const parts = (options: Intl.DateTimeFormatOptions) =>
    new Intl.DateTimeFormat(locale, { timeZone, ...options });
  const time = parts({ hour: '2-digit', minute: '2-digit', hourCycle: 'h23' });
  const hour = parts({ hour: '2-digit', hourCycle: 'h23' });
  const day = parts({ weekday: 'short', day: 'numeric', month: 'short' });
  const weekday = parts({ weekday: 'short' });
  const utcDay = parts({ weekday: 'short', day: 'numeric', month: 'short', timeZone: 'UTC' });
  const fullDay = parts({ day: 'numeric', month: 'short', year: 'numeric', timeZone: 'UTC' });
  const plainDay = (formatter: Intl.DateTimeFormat, ms: number) =>
    formatter.format(ms).replace(',', '');

  const mark = decimal && { point: '.', comma: ',' }[decimal];
  const number = (value: number, decimals: number) =>
    new Intl.NumberFormat(locale, {
      minimumFractionDigits: decimals,
      maximumFractionDigits: decimals,
    })
      .formatToParts(Number(value.toFixed(decimals)) === 0 ? 0 : value)
      .map((part) =>
        part.type === 'group'
          ? THIN
          : part.type === 'minusSign'
            ? '\u2212'
            : part.type === 'decimal' && mark
              ? mark
              : part.value,
      )
      .join('');
  const withUnit = (value: number, decimals: number, unit: string) =>
    `${number(value, decimals)}${UNIT_GAP}${unit}`;
  const isUs = units === 'us';

  return {
    units,
    plain: (value, mostDecimals) => {
      const shown = String(Number(value.toFixed(mostDecimals)));
      return mark ? shown.replace('.', mark) : shown;
    },
    time: (ms) => time.format(ms),
    day: (ms) => plainDay(day, ms),
    fullDate: (localDate) => fullDay.format(Date.parse(`${localDate}T00:00:00Z`)),
    date: (localDate) => plainDay(utcDay, Date.parse(`${localDate}T00:00:00Z`)),
    weekday: (ms) => weekday.format(ms),
    hour: (ms) => Number(hour.format(ms)),
    moment: (ms) => `${weekday.format(ms)} ${time.format(ms)}`,
    grams: (g, decimals = 0) => (isUs ? withUnit(gToOz(g), 2, 'oz') : withUnit(g, decimals, 'g')),
    kilograms: (g, decimals = 1) =>
      isUs ? withUnit(gToOz(g) / 16, decimals, 'lb') : withUnit(g / 1000, decimals, 'kg'),
    temperature: (c, decimals = 1) =>
      isUs ? withUnit(cToF(c), 0, '°F') : withUnit(c, decimals, '°C'),
    warmer: (deltaC, decimals = 1) => {
      const value = isUs ? deltaCToF(deltaC) : deltaC;
      const sign = value > 0 ? '+' : '';
      return `${sign}${withUnit(value, decimals, isUs ? '°F' : '°C')}`;
    },
    duration: (minutes) => {
      const whole = Math.max(0, Math.round(minutes));
      const [h, min] = [Math.floor(whole / 60), whole % 60];
      if (h >= 48) return `${Math.round(h / 24)}${UNIT_GAP}days`;
      if (h === 0) return `${min}${UNIT_GAP}min`;
      return min === 0 ? `${h}${UNIT_GAP}h` : `${h}${UNIT_GAP}h ${min}${UNIT_GAP}min`;
    },
    times: (ratio, decimals = 2) => `${number(ratio, decimals)}×`,
    hours: (h, decimals = 1) => withUnit(h, decimals, 'h'),
    count: (n) => number(n, 0),
    percent: (p, decimals = 1) => withUnit(Number(p.toFixed(decimals)), fewest(p, decimals), '%'),
  };
}

/** How the person at this device reads. */
export const FormatsContext = createContext<Formats>(
  makeFormats({ locale: 'en-GB', timeZone: 'UTC', units: 'metric' }),
);

/** The formats of this device. */
export const useFormats = (): Formats => useContext(FormatsContext);
