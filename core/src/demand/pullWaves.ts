import { nextPulls, type PullWave } from './serving';
import type { UsageCurve } from './usage';

/** A service's balls of one product, and how they warm. */
export interface Pulling {
  readonly curve: UsageCurve;
  /** Balls that the service is going to take. */
  readonly balls: number;
  readonly ballsPerTray: number;
  /** From the pull until a ball opens well, minutes. */
  readonly temperMin: number;
  /** From then until it is over-proofed, minutes; at least a quarter of an hour. */
  readonly keepMin: number;
}

/**
 * When to pull how many trays of what was made for a service, before anything is out: see `nextPulls`.
 *
 * @throws RangeError when trays hold nothing, or balls keep less than a quarter of an hour
 */
export function pullWaves({ curve, balls, ballsPerTray, temperMin, keepMin }: Pulling): PullWave[] {
  const made = Math.ceil(balls - 1e-9);
  const serving = {
    curve,
    need: balls,
    made,
    pulled: [],
    temperMin,
    keepMin,
    ripeFromMin: -Infinity,
    coldUntilMin: Infinity,
  };
  return nextPulls(serving, ballsPerTray, -Infinity);
}
