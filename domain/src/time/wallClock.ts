import { DAY_MIN } from '@calm/core';
import { DateTime } from 'luxon';

/**
 * The instant at which a wall clock in the zone shows a time on a date. Across a clock change it is
 * the shown time that counts: 18:00 is 18:00. A time that a change skips becomes the one an hour on.
 *
 * @param date local date, `YYYY-MM-DD`
 * @param minuteOfDay minutes after midnight; 1440 and more is the next day
 * @param zone IANA zone
 */
export function instantOf(date: string, minuteOfDay: number, zone: string): Date {
  const days = Math.floor(minuteOfDay / DAY_MIN);
  const minute = minuteOfDay - days * DAY_MIN;
  return DateTime.fromISO(date, { zone })
    .plus({ days })
    .set({ hour: Math.floor(minute / 60), minute: minute % 60 })
    .toJSDate();
}

/** The local date at an instant, `YYYY-MM-DD`. */
export function localDateOf(instant: Date, zone: string): string {
  return DateTime.fromJSDate(instant, { zone }).toFormat('yyyy-MM-dd');
}

/** The local date and time at an instant, `YYYY-MM-DD HH:mm`. */
export function localTimeOf(instant: Date, zone: string): string {
  return DateTime.fromJSDate(instant, { zone }).toFormat('yyyy-MM-dd HH:mm');
}

/** The minute of the local day at an instant, as clocks show it. */
export function localMinuteOf(instant: Date, zone: string): number {
  const { hour, minute } = DateTime.fromJSDate(instant, { zone });
  return hour * 60 + minute;
}

/** A local date some days on. */
export function addDays(date: string, days: number): string {
  return DateTime.fromISO(date, { zone: 'utc' }).plus({ days }).toFormat('yyyy-MM-dd');
}

/** 1 = Monday … 7 = Sunday. */
export function weekdayOf(date: string): number {
  return DateTime.fromISO(date, { zone: 'utc' }).weekday;
}

/** The dates of a stretch of days, in order. */
export function datesFrom(from: string, days: number): string[] {
  return Array.from({ length: days }, (_, i) => addDays(from, i));
}

/** Days from one local date to another. */
export function daysUntil(from: string, to: string): number {
  const day = (date: string) => DateTime.fromISO(date, { zone: 'utc' });
  return day(to).diff(day(from), 'days').days;
}
