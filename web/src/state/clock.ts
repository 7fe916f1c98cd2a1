import type { ClockReading } from '@calm/contract';

/*
 * The house's one clock. The server says what time it is; a device only measures how long ago that
 * was. A wall tablet with a wrong clock plans right, and tests and pictures can fix the time.
 */

let reading = { serverMs: 0, deviceMs: 0, speed: 1 };

/** Sets the clock by what the server answered. */
export function setClock({ now, speed }: ClockReading): void {
  reading = { serverMs: Date.parse(now), deviceMs: Date.now(), speed };
}

/** How many times as fast as the device's own clock it goes; 0 stands still. */
export const clockSpeed = (): number => reading.speed;

/** The present, epoch ms. The only place in the application that asks. */
export function nowMs(): number {
  const { serverMs, deviceMs, speed } = reading;
  return serverMs + (Date.now() - deviceMs) * speed;
}
