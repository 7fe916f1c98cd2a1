import { MINUTE_MS } from '@calm/core';

/** A line that is down for as long is nothing to speak of, ms. */
const LATE_MS = 30 * MINUTE_MS;

/**
 * When something was entered, where that was well after it is said to have been so; null when it was entered at once,
 * or nobody knows.
 *
 * @example
 * enteredLate({ at: '2026-11-25T08:00:00Z', receivedAt: '2026-11-25T18:00:00Z' }); // '2026-11-25T18:00:00Z'
 */
export function enteredLate({
  at,
  receivedAt,
}: {
  readonly at: string;
  readonly receivedAt: string | null;
}): string | null {
  if (receivedAt === null) return null;
  return Date.parse(receivedAt) - Date.parse(at) > LATE_MS ? receivedAt : null;
}
