/** A place that was looked at, and how far it is from what is wanted. */
export interface Tried<At> {
  readonly x: number;
  /** Above 0 is past it. */
  readonly miss: number;
  readonly at: At;
}

const MOST_STEPS = 60;

/**
 * Where something that grows reaches what is wanted, between two places on either side of it: false position with
 * the older end's weight halved when it stays (Illinois; Dowell and Jarratt 1971). Converges faster than halving and
 * never leaves the bracket.
 *
 * @param look calculates it at a place
 * @param tolerance of the miss
 */
export function rootBetween<At>(
  below: Tried<At>,
  above: Tried<At>,
  look: (x: number) => Tried<At>,
  tolerance: number,
): Tried<At> {
  let [low, lowMiss] = [below.x, below.miss];
  let [high, highMiss] = [above.x, above.miss];
  let side = 0;
  let found = above;
  for (let i = 0; i < MOST_STEPS; i += 1) {
    found = look((low * highMiss - high * lowMiss) / (highMiss - lowMiss));
    if (Math.abs(found.miss) < tolerance || high - low < 1e-9) break;
    if (found.miss > 0) {
      [high, highMiss] = [found.x, found.miss];
      if (side === 1) lowMiss /= 2;
      side = 1;
    } else {
      [low, lowMiss] = [found.x, found.miss];
      if (side === -1) highMiss /= 2;
      side = -1;
    }
  }
  return found;
}
