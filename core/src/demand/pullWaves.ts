import { nextPulls, type PullWave, type Serving } from './serving';

/** A service's balls of one product, and how they warm; none of them is out yet. */
export type Pulling = Pick<Serving, 'curve' | 'temperMin' | 'keepMin' | 'spread'> & {
  /** Balls that were made for it. */
  readonly balls: number;
  /** Balls that it is expected to take; all that were made when absent. */
  readonly need?: number;
  /** Balls that are ready from doors on. */
  readonly carried?: number;
  readonly ballsPerTray: number;
};

/**
 * When to pull how many trays of what was made for a service, before anything is out: see `nextPulls`.
 *
 * @throws RangeError when trays hold nothing, or balls keep less than a quarter of an hour
 */
export function pullWaves({
  balls,
  need = balls,
  carried = 0,
  ballsPerTray,
  ...rest
}: Pulling): PullWave[] {
  const out = { atMin: -rest.temperMin, balls: carried, keepMin: Infinity };
  const serving = {
    ...rest,
    need,
    made: Math.ceil(balls - 1e-9) + carried,
    pulled: carried > 0 ? [out] : [],
    ripeFromMin: -Infinity,
    coldUntilMin: Infinity,
  };
  return nextPulls(serving, ballsPerTray, -Infinity);
}
