/** How the balls of a service go: shares of all of them by quarter hour from its start; they sum to 1. */
export type UsageCurve = readonly number[];

/** One sale within a service. */
export interface SaleMoment {
  /** Minutes from the start of the service. */
  readonly minute: number;
  readonly balls: number;
}

export const QUARTER_MIN = 15;
/** An even evening counts like this many balls in all: it fades with sales. */
const EVEN_BALLS = 20;

/** An evening on which there was nothing left to sell from a moment on. */
export interface RanOut {
  /** Minutes from the start of the service. */
  readonly atMin: number;
  /** Balls sold until then; they are among the sales too. */
  readonly balls: number;
}

/** Rounds in which a curve and what it says of evenings that ran out settle: each moves it a third as far. */
const TAIL_ROUNDS = 12;

/**
 * The usage curve of a service, learned from sales of its kind. An evening that ran out says nothing of what would
 * have gone after it: that is filled in by the curve of all (expectation and maximization: Dempster, Laird and Rubin
 * 1977), so that its silence does not make the curve end early.
 *
 * @param lengthMin length of the service; sales outside count at its nearest end
 * @throws RangeError when the service has no length
 */
export function usageCurve(
  sales: readonly SaleMoment[],
  lengthMin: number,
  ranOut: readonly RanOut[] = [],
): UsageCurve {
  if (!(lengthMin > 0)) throw new RangeError('a service must last');
  const quarters = Math.ceil(lengthMin / QUARTER_MIN);
  const counts = Array.from({ length: quarters }, () => EVEN_BALLS / quarters);
  for (const { minute, balls } of sales) {
    const quarter = Math.min(quarters - 1, Math.max(0, Math.floor(minute / QUARTER_MIN)));
    counts[quarter] = (counts[quarter] ?? 0) + balls;
  }
  let curve = sharesOf(counts);
  for (let round = 0; round < TAIL_ROUNDS && ranOut.length > 0; round += 1) {
    const filled = [...counts];
    for (const { atMin, balls } of ranOut) {
      const gone = goneBy(curve, atMin);
      if (gone <= 0) continue;
      curve.forEach((share, i) => {
        const after = Math.min(1, Math.max(0, ((i + 1) * QUARTER_MIN - atMin) / QUARTER_MIN));
        filled[i] = (filled[i] ?? 0) + (balls * share * after) / gone;
      });
    }
    curve = sharesOf(filled);
  }
  return curve;
}

function sharesOf(counts: readonly number[]): number[] {
  const sum = counts.reduce((a, b) => a + b, 0);
  return counts.map((count) => count / sum);
}

/** Share of a service's balls that have gone by a minute. */
export function goneBy(curve: UsageCurve, minute: number): number {
  let gone = 0;
  for (let i = 0; i < curve.length; i += 1) {
    const part = Math.min(1, Math.max(0, (minute - i * QUARTER_MIN) / QUARTER_MIN));
    gone += part * (curve[i] ?? 0);
  }
  return Math.min(1, gone);
}

/**
 * When balls run out.
 *
 * @param have balls at the start
 * @param need balls that the whole service asks for
 * @returns minutes from its start; null when they last
 */
export function runsOutAt(curve: UsageCurve, have: number, need: number): number | null {
  if (have >= need) return null;
  let left = have;
  for (let i = 0; i < curve.length; i += 1) {
    const goes = (curve[i] ?? 0) * need;
    if (goes > left) return (i + (goes > 0 ? left / goes : 0)) * QUARTER_MIN;
    left -= goes;
  }
  return curve.length * QUARTER_MIN;
}
