import { DAY_MIN } from '@calm/core';

const HALF_DAY_MIN = DAY_MIN / 2;

/**
 * Minutes after midnight of a time as people type it: `14:40`, `14.40`, `1440`, `9`, `2:40 pm`.
 *
 * @returns null when it is no time of day
 */
export function readClockTime(text: string): number | null {
  const plain = text
    .trim()
    .toLowerCase()
    .replace(/[\s\u202f\u00a0]+/g, ' ');
  const [, hours = '', minutes = '0', half = ''] =
    /^(\d{1,2})(?:[:.h]?(\d{2}))?\s?([apصم]?)\.?\s?(?:m\.?)?$/.exec(plain) ?? [];
  if (hours === '') return null;
  const [hour, minute] = [Number(hours), Number(minutes)];
  if (minute > 59) return null;
  if (half === '') return hour < 24 ? hour * 60 + minute : null;
  if (hour < 1 || hour > 12) return null;
  const isAfternoon = half === 'p' || half === 'م';
  return (hour % 12) * 60 + minute + (isAfternoon ? HALF_DAY_MIN : 0);
}

/** The minute on or after another at which the clock shows this: 02:00 after 18:00 is 26:00. */
export const onOrAfter = (minute: number, start: number): number =>
  minute > start ? minute : minute + DAY_MIN;
