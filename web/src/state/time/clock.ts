import type { ClockReading } from '@calm/contract';
import { deviceStorage, isFiniteNumber, isObject } from '../storage';

/*
 * The house's one clock. The server says what time it is; a device only measures how long ago that
 * was. A wall tablet with a wrong clock plans right, and tests and pictures can fix the time.
 */

/** What the server's clock showed, what this device's clock showed then, and how fast the server's goes. */
interface ClockSetting {
  readonly serverMs: number;
  readonly deviceMs: number;
  readonly speed: number;
}

const storage = deviceStorage<ClockSetting | null>('calm-tray.clock', null, (stored) => {
  if (!isObject(stored)) return null;
  const { serverMs, deviceMs, speed } = stored;
  return isFiniteNumber(serverMs) && isFiniteNumber(deviceMs) && isFiniteNumber(speed)
    ? { serverMs, deviceMs, speed }
    : null;
});

let reading: ClockSetting = { serverMs: 0, deviceMs: 0, speed: 1 };

/** Sets the clock by what the server answered. */
export function setClock({ now, speed }: ClockReading): void {
  reading = { serverMs: Date.parse(now), deviceMs: Date.now(), speed };
  storage.write(reading);
}

/** Goes by what the server said last: for a device that cannot reach it. */
export function setClockFromLastTime(): void {
  reading = storage.read() ?? reading;
}

/** How many times as fast as the device's own clock it goes; 0 stands still. */
export const clockSpeed = (): number => reading.speed;

/** The present, epoch ms. The only place in the application that asks. */
export function nowMs(): number {
  const { serverMs, deviceMs, speed } = reading;
  return serverMs + (Date.now() - deviceMs) * speed;
}
