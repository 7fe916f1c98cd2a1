import type { ClockReading } from '@calm/contract';

/*
 * The house's one clock. The server says what time it is; a device only measures how long ago that
 * was. A wall tablet with a wrong clock plans right, and tests and pictures can fix the time.
 */

let offsetMs = 0;
let fixedMs: number | null = null;

/** Sets the clock by what the server answered. */
export function setClock(reading: ClockReading): void {
  const serverMs = Date.parse(reading.now);
  fixedMs = reading.isFixed ? serverMs : null;
  offsetMs = serverMs - Date.now();
}

/** The present, epoch ms. The only place in the application that asks. */
export function nowMs(): number {
  return fixedMs ?? Date.now() + offsetMs;
}
