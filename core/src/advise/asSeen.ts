import { simulate, pointBetween, type DoughRoute, type Target } from '../ferment';
import type { DoughTrouble } from './vocabulary';

/** Gas in dough that is seen to run ahead or to lag, as a share of what was foretold; past its band by a tenth. */
const AHEAD = 1.4;
const BEHIND = 0.6;
const PAST_BAND = 1.1;
/** Yeast that is no stronger and no weaker than this. */
const LEAST = 0.15;
const MOST = 3;
const HALVINGS = 18;

/**
 * A dough of which something is seen, without a number: its yeast is as strong as makes it so by now. Ahead is taken as
 * four tenths more gas than foretold, behind as four tenths less, over-proofed as a tenth past its band.
 */
export function asSeen(
  route: DoughRoute,
  nowHour: number,
  trouble: DoughTrouble,
  target: Target,
): DoughRoute {
  const withYeast = (factor: number): DoughRoute => ({
    ...route,
    yeastActivity: (route.yeastActivity ?? 1) * factor,
  });
  const volumeOf = (factor: number): number => {
    const way = simulate(withYeast(factor), { target, stepMin: 5, beyondH: Math.max(1, nowHour) });
    return way.ok ? pointBetween(way.value.course, nowHour, target, way.value.kinds).volume : NaN;
  };
  const foretold = volumeOf(1);
  if (!Number.isFinite(foretold)) return route;
  const gas = foretold - 1;
  const wanted = {
    ahead: 1 + gas * AHEAD,
    behind: 1 + gas * BEHIND,
    'over-proofed': Math.max(1 + gas * AHEAD, target.riseMax * PAST_BAND),
  }[trouble];
  let [low, high] = [LEAST, MOST];
  for (let i = 0; i < HALVINGS; i += 1) {
    const middle = Math.sqrt(low * high);
    if (volumeOf(middle) < wanted) low = middle;
    else high = middle;
  }
  return withYeast(Math.sqrt(low * high));
}
