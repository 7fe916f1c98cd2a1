import { dispatchWeek, madeUpWeek, TEN_WEEKS } from '@calm/core/test-support';
import { gapPercent, optimizeWeek, totalOf, type SolverProgress } from '@calm/core';

/** How one week was planned. */
export interface WeekTiming {
  readonly lots: number;
  readonly people: number;
  /** The first plan that leaves nothing open, ms; null when there was none. */
  readonly firstMs: number | null;
  /** When the gap was this small, or the time was up. */
  readonly endMs: number;
  readonly points: number;
  readonly bound: number;
  readonly gapPercent: number | null;
  /** Each dough of each day by itself, as late as can be. */
  readonly plainPoints: number;
  readonly plainOpen: number;
  readonly plainMs: number;
}

/** Small enough to stop. */
const NEAR_PERCENT = 0.01;

/** Plans ten made-up weeks for at most so long each. */
export function* benchWeeks(mostMs: number): Generator<WeekTiming> {
  for (const { seed, size } of TEN_WEEKS) {
    const problem = madeUpWeek(seed, size);
    const plainFrom = performance.now();
    const plain = dispatchWeek(problem);
    const plainMs = performance.now() - plainFrom;
    const from = performance.now();
    const search = optimizeWeek(problem);
    let solved: SolverProgress = search.next().value;
    let firstMs: number | null = null;
    for (;;) {
      const now = performance.now() - from;
      if (firstMs === null && solved.open === 0) firstMs = now;
      if (now > mostMs || (gapPercent(solved) ?? 100) < NEAR_PERCENT) break;
      solved = search.next().value;
    }
    yield {
      lots: solved.plan.lots.length,
      people: size.people,
      firstMs,
      endMs: performance.now() - from,
      points: solved.points,
      bound: solved.bound,
      gapPercent: gapPercent(solved),
      plainPoints: totalOf(plain.cost),
      plainOpen: plain.open.length,
      plainMs,
    };
  }
}
