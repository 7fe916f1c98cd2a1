import type { ClockReading } from '@calm/contract';

/** The house's one clock. Nothing else on the server asks what time it is. */
export interface Clock {
  now(): Date;
  reading(): ClockReading;
}

/** The machine's clock. */
export const systemClock: Clock = {
  now: () => new Date(),
  reading: () => ({ now: new Date().toISOString(), speed: 1 }),
};

/**
 * A clock of its own, for tests, pictures and practice: it stands at a moment, or goes on from there faster
 * than the machine's.
 *
 * @param iso ISO 8601 instant
 * @param speed how many times as fast as the machine's; 0 stands still
 * @throws RangeError when the instant is none
 */
export function ownClock(iso: string, speed = 0): Clock {
  const at = new Date(iso);
  if (Number.isNaN(at.getTime())) throw new RangeError(`CALM_NOW is not a time: ${iso}`);
  const startedMs = Date.now();
  const now = () => new Date(at.getTime() + (Date.now() - startedMs) * speed);
  return { now, reading: () => ({ now: now().toISOString(), speed }) };
}
