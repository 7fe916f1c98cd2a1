import type { House } from '@calm/contract';
import { weekdayIndex } from '@calm/core';

/**
 * Local calendar dates as `YYYY-MM-DD`. Instants become dates in the house's zone; dates are then
 * counted without any zone, so no clock change can bend them.
 */

const formatters = new Map<string, Intl.DateTimeFormat>();

/** The house's local date at an instant. */
export function dateAt(ms: number, timeZone: string): string {
  let formatter = formatters.get(timeZone);
  if (!formatter) {
    formatter = new Intl.DateTimeFormat('en-CA', {
      timeZone,
      year: 'numeric',
      month: '2-digit',
      day: '2-digit',
    });
    formatters.set(timeZone, formatter);
  }
  return formatter.format(ms);
}

/** A date some days on. */
export function addDays(date: string, days: number): string {
  const ms = Date.parse(`${date}T00:00:00Z`) + days * 86_400_000;
  return new Date(ms).toISOString().slice(0, 10);
}

/** The first Monday after a date. */
export const mondayAfter = (date: string): string => addDays(date, 7 - weekdayIndex(date));

/** The instant at which a local day begins, epoch ms. */
export function midnightOf(date: string, timeZone: string): number {
  const utcMs = Date.parse(`${date}T00:00:00Z`);
  // Twice: the zone's offset at the guess may not be the one at midnight.
  return [0, 1].reduce((guessMs) => {
    const isBefore = dateAt(guessMs, timeZone) < date;
    const minute = minuteAt(guessMs, timeZone);
    return guessMs - (isBefore ? minute - 1440 : minute) * 60_000;
  }, utcMs);
}

const clocks = new Map<string, Intl.DateTimeFormat>();

/** Minutes that the house's clock shows past midnight at an instant. */
export function minuteAt(ms: number, timeZone: string): number {
  let clock = clocks.get(timeZone);
  if (!clock) {
    clock = new Intl.DateTimeFormat('en-GB', {
      timeZone,
      hour: '2-digit',
      minute: '2-digit',
      hourCycle: 'h23',
    });
    clocks.set(timeZone, clock);
  }
  const [hour, minute] = clock.format(ms).split(':').map(Number);
  return (hour ?? 0) * 60 + (minute ?? 0);
}

/** In which order dates are written where a house is, as far as its language tells. */
export const usualDateOrder = ({ settings }: House): 'day-first' | 'month-first' =>
  settings.display?.language === 'en-US' ? 'month-first' : 'day-first';
