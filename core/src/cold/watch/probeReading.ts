/** What a probe showed, corrected by its calibration. */
export interface ProbeReading {
  /** Seconds since the epoch. */
  readonly atS: number;
  readonly airC: number;
}

/** Readings no further apart than this stand for the time between them, s. */
const JOINED_WITHIN_S = 30 * 60;

/** How a stretch of readings was, all in all. */
export interface Summary {
  readonly readings: number;
  readonly minC: number;
  readonly maxC: number;
  /** Over time, not over readings: a probe that posts more often does not count more. */
  readonly meanC: number;
  /** Minutes above the limit. */
  readonly aboveMin: number;
  /** Minutes that no reading stands for. */
  readonly unknownMin: number;
}

/**
 * Least, greatest and mean temperature of a stretch, and how long it was above a limit. Between two readings
 * that are close enough the air is taken to go straight from one to the other; across a gap nothing is
 * claimed.
 *
 * @param readings in time's order, °C
 * @param fromS the stretch, s since the epoch; readings beyond it are left out
 * @param limitC the house's own limit, °C
 * @returns null without a reading in the stretch
 * @example summaryOf([{ atS: 0, airC: 3 }, { atS: 600, airC: 7 }], 0, 600, 5)?.aboveMin // 5
 */
export function summaryOf(
  readings: readonly ProbeReading[],
  fromS: number,
  toS: number,
  limitC: number,
): Summary | null {
  let [count, minC, maxC, knownS, degreeS, aboveS, plainSum] = [0, Infinity, -Infinity, 0, 0, 0, 0];
  let before: ProbeReading | null = null;
  for (const reading of readings) {
    if (reading.atS < fromS || reading.atS > toS) continue;
    const { atS, airC } = reading;
    count += 1;
    plainSum += airC;
    minC = Math.min(minC, airC);
    maxC = Math.max(maxC, airC);
    if (before && atS - before.atS <= JOINED_WITHIN_S) {
      const lengthS = atS - before.atS;
      knownS += lengthS;
      degreeS += (lengthS * (before.airC + airC)) / 2;
      aboveS += lengthS * shareAbove(before.airC, airC, limitC);
    }
    before = reading;
  }
  if (count === 0) return null;
  return {
    readings: count,
    minC,
    maxC,
    meanC: knownS > 0 ? degreeS / knownS : plainSum / count,
    aboveMin: aboveS / 60,
    unknownMin: Math.max(0, toS - fromS - knownS) / 60,
  };
}

/** Share of a straight line from one temperature to another that is above a limit. */
function shareAbove(fromC: number, toC: number, limitC: number): number {
  const [low, high] = fromC < toC ? [fromC, toC] : [toC, fromC];
  if (high <= limitC) return 0;
  if (low >= limitC) return 1;
  return (high - limitC) / (high - low);
}

/** A probe was found to be off by so much from some moment on. */
export interface Calibration {
  /** Seconds since the epoch; the first one also holds for all that was read before it. */
  readonly fromS: number;
  /** Added to what the probe shows, °C. */
  readonly offsetC: number;
}

/** What is added to a probe's reading at a moment, °C; 0 for one that was never checked. */
export function offsetAt(calibrations: readonly Calibration[], atS: number): number {
  let holding: Calibration | null = null;
  let first: Calibration | null = null;
  for (const each of calibrations) {
    if (!first || each.fromS < first.fromS) first = each;
    if (each.fromS <= atS && (!holding || each.fromS > holding.fromS)) holding = each;
  }
  return (holding ?? first)?.offsetC ?? 0;
}
