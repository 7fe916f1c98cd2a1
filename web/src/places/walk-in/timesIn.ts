import { readClockTime } from '../../parts/fields/clockTime';

/** Times of day with commas between them, as minutes after midnight; null when one of them is none. */
export function timesIn(text: string): number[] | null {
  const parts = text
    .split(/[,;،]/)
    .map((part) => part.trim())
    .filter((part) => part !== '');
  const times = parts.map(readClockTime);
  return times.every((time) => time !== null) ? [...new Set(times)] : null;
}
