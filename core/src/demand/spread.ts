import type { Backtested } from './backtest';
import { wantedOn } from './wanted';
import { type DemandSpread, STANDARD_SPREAD } from './distribution';

/** The starting value counts like this many services. */
const STANDARD_WEIGHT = 6;

/** A day beyond this many standard deviations is a story, not a scatter: it counts no further. */
const FARTHEST = 3.5;

/** What ran out is read by the scatter that is looked for: it takes some rounds. */
const ROUNDS = 8;

/**
 * The scatter of a series, from how far its backtest was off; the starting value fades with services. Evenings that
 * ran out count with the second moment of what they may have been (Tobin 1958): left out, the rest would scatter less
 * than all of them do.
 */
export function spreadOf(told: readonly Backtested[]): DemandSpread {
  const used = told.filter(({ expected }) => expected > 0);
  if (used.length === 0) return STANDARD_SPREAD;
  const meanSquare = used.reduce((sum, { expected }) => sum + expected ** 2, 0) / used.length;
  let { cv } = STANDARD_SPREAD;
  for (let round = 0; round < ROUNDS; round += 1) {
    let excess = STANDARD_WEIGHT * STANDARD_SPREAD.cv ** 2 * meanSquare;
    for (const each of used) {
      const { expected } = each;
      const most = FARTHEST * Math.sqrt(expected + (cv * expected) ** 2);
      const { mean, variance } = wantedOn(each, expected, { cv });
      excess += Math.min(Math.abs(mean - expected), most) ** 2 + variance - expected;
    }
    cv = Math.sqrt(Math.max(0, excess / ((STANDARD_WEIGHT + used.length) * meanSquare)));
  }
  return { cv };
}
