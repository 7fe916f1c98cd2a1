import type { ClockReading } from '@calm/contract';

/** The house's one clock. Nothing else on the server asks what time it is. */
export interface Clock {
  now(): Date;
  reading(): ClockReading;
}

/** The machine's clock. */
export const systemClock: Clock = {
  now: () => new Date(),
  reading: () => ({ now: new Date().toISOString(), isFixed: false }),
};

/**
 * A clock that stands still, for tests and pictures.
 *
 * @param iso ISO 8601 instant
 * @throws RangeError when it is none
 */
export function fixedClock(iso: string): Clock {
  const at = new Date(iso);
  if (Number.isNaN(at.getTime())) throw new RangeError(`CALM_NOW is not a time: ${iso}`);
  return {
    now: () => new Date(at),
    reading: () => ({ now: at.toISOString(), isFixed: true }),
  };
}
