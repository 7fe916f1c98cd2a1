import { QUARTER_MIN, type UsageCurve } from './usage';

/** A service's balls of one product, and how they warm. */
export interface Pulling {
  readonly curve: UsageCurve;
  /** Balls that the service is going to take. */
  readonly balls: number;
  readonly ballsPerTray: number;
  /** From the pull until a ball opens well, minutes. */
  readonly temperMin: number;
  /** From then until it is past it, minutes; at least a quarter of an hour. */
  readonly keepMin: number;
}

/** One pull: trays out of the cold together. Minutes from the opening of doors; before is below 0. */
export interface PullWave {
  readonly pullMin: number;
  readonly readyMin: number;
  /** Until when its balls must be used. */
  readonly goodUntilMin: number;
  readonly trays: number;
  readonly balls: number;
}

/**
 * When to pull how many trays, so that at every moment enough balls are ready and none passes its window:
 * the fewest waves there can be. Each wave is ready when the one before it is used up or past it, and
 * holds what goes while it is good (greedy cover of an interval, which is the shortest there is).
 *
 * @throws RangeError when trays hold nothing, or balls keep less than a quarter of an hour
 */
export function pullWaves(pulling: Pulling): PullWave[] {
  const { curve, balls, ballsPerTray, temperMin, keepMin } = pulling;
  if (!(ballsPerTray >= 1)) throw new RangeError('a tray holds at least a ball');
  if (!(keepMin >= QUARTER_MIN)) throw new RangeError('balls keep at least a quarter of an hour');
  const kept = Math.floor(keepMin / QUARTER_MIN);
  const waves: PullWave[] = [];
  let pulled = 0;
  let quarter = 0;
  let gone = 0;
  while (quarter < curve.length && pulled < Math.ceil(balls - 1e-9)) {
    // What goes while this wave is good, as whole balls and whole trays, beyond what is out already.
    const until = Math.min(curve.length, quarter + kept);
    let needed = gone;
    for (let i = quarter; i < until; i += 1) needed += (curve[i] ?? 0) * balls;
    const missing = Math.min(Math.ceil(balls - 1e-9), Math.ceil(needed - 1e-9)) - pulled;
    if (missing > 0) {
      const trays = Math.ceil(missing / ballsPerTray);
      const readyMin = quarter * QUARTER_MIN;
      waves.push({
        pullMin: readyMin - temperMin,
        readyMin,
        goodUntilMin: readyMin + keepMin,
        trays,
        balls: missing,
      });
      // What a tray holds beyond that stays cold: only what is needed comes out.
      pulled += missing;
    }
    gone = needed;
    quarter = until;
  }
  return waves;
}
