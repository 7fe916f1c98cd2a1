import type { ClockReading } from '@calm/contract';

/*
 * The house's one clock. The server says what time it is; a device only measures how long ago that
 * was. A wall tablet with a wrong clock plans right, and tests and pictures can fix the time.
 */

const STORAGE_KEY = 'calm-tray.clock';

let reading = { serverMs: 0, deviceMs: 0, speed: 1 };

/** Sets the clock by what the server answered. */
export function setClock({ now, speed }: ClockReading): void {
  reading = { serverMs: Date.parse(now), deviceMs: Date.now(), speed };
  try {
    localStorage.setItem(STORAGE_KEY, JSON.stringify(reading));
  } catch {
    // A device without storage asks again the next time.
  }
}

/** Goes by what the server said last: for a device that cannot reach it. */
export function setClockFromLastTime(): void {
  try {
    const last = JSON.parse(localStorage.getItem(STORAGE_KEY) ?? 'null') as typeof reading | null;
    if (last) reading = last;
  } catch {
    // The device's own clock has to do.
  }
}

/** How many times as fast as the device's own clock it goes; 0 stands still. */
export const clockSpeed = (): number => reading.speed;

/** The present, epoch ms. The only place in the application that asks. */
export function nowMs(): number {
  const { serverMs, deviceMs, speed } = reading;
  return serverMs + (Date.now() - deviceMs) * speed;
}
