import type { AlarmCallRules, QuietHours } from '@calm/contract';
import { MINUTE_MS } from '@calm/core';

/** Minutes of a day. */
const DAY_MIN = 1440;

/** Somebody who was told, and when, epoch ms. */
export interface Told {
  readonly personId: string;
  readonly atMs: number;
}

/**
 * Whether a minute of the day lies in somebody's quiet hours; their end is no part of them.
 *
 * @example
 * isQuietAt({ fromMin: 22 * 60, untilMin: 6 * 60 }, 190); // true: ten past three
 */
export function isQuietAt(quiet: QuietHours | null, minute: number): boolean {
  if (quiet === null) return false;
  const { fromMin, untilMin } = quiet;
  return fromMin <= untilMin
    ? minute >= fromMin && minute < untilMin
    : minute >= fromMin || minute < untilMin;
}

/**
 * Who is to be told of an open alarm now: the first who can be, at once; each next one when nobody has acknowledged it
 * for so long after the last. Who has quiet hours is passed over, and told once they are over if it still goes on.
 *
 * @param reached those who can be told at all, by id, with their quiet hours
 * @param told who was told of this alarm already
 * @param minute of the day in the house, from midnight
 * @returns nobody while the last who was told has time left, or when all have been told
 * @example
 * const reached = new Map([['mira', null], ['sol', null]]);
 * const rules = { order: ['mira', 'sol'], nextAfterMin: 15 };
 * nextToTell(rules, reached, [], 0, 190); // 'mira'
 * nextToTell(rules, reached, [{ personId: 'mira', atMs: 0 }], 14 * 60_000, 204); // null
 * nextToTell(rules, reached, [{ personId: 'mira', atMs: 0 }], 15 * 60_000, 205); // 'sol'
 */
export function nextToTell(
  { order, nextAfterMin }: AlarmCallRules,
  reached: ReadonlyMap<string, QuietHours | null>,
  told: readonly Told[],
  nowMs: number,
  minute: number,
): string | null {
  const lastMs = Math.max(...told.map(({ atMs }) => atMs));
  if (told.length > 0 && nowMs < lastMs + nextAfterMin * MINUTE_MS) return null;
  const next = order.find((personId) => {
    const quiet = reached.get(personId);
    if (quiet === undefined || told.some((each) => each.personId === personId)) return false;
    return !isQuietAt(quiet, minute);
  });
  return next ?? null;
}

/**
 * Hours of a day in which nobody could be told.
 *
 * @param reached quiet hours of all who can be told at all
 * @returns none when somebody always can; minutes from midnight, the end on the next day where it is before the start
 * @example
 * untoldHours([{ fromMin: 1320, untilMin: 360 }, { fromMin: 0, untilMin: 300 }]);
 * // [{ fromMin: 0, untilMin: 300 }]
 */
export function untoldHours(reached: readonly (QuietHours | null)[]): QuietHours[] {
  const isUntold = (minute: number) => reached.every((quiet) => isQuietAt(quiet, minute));
  const starts = [];
  for (let minute = 0; minute < DAY_MIN; minute += 1) {
    if (isUntold(minute) && !isUntold((minute + DAY_MIN - 1) % DAY_MIN)) starts.push(minute);
  }
  return starts.map((fromMin) => {
    let length = 1;
    while (isUntold((fromMin + length) % DAY_MIN)) length += 1;
    return { fromMin, untilMin: (fromMin + length) % DAY_MIN };
  });
}
