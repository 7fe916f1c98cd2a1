import type { Evening } from '@calm/core';
import type { Formats } from '@calm/domain';

/** Doors of every evening that is practised, minutes of the day. */
const DOORS_AT = 18 * 60;
const DAY_MIN = 24 * 60;

/** What the clock shows at a minute of an evening. */
export const timeOfEvening = (f: Formats, { doorsMin }: Evening, minute: number): string =>
  f.timeOfDay((DOORS_AT - doorsMin + minute) % DAY_MIN);
