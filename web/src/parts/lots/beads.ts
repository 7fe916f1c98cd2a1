import type { PlannedWork } from '@calm/core';

/** Pieces of work that stand so close together that they share a bead. */
export interface Bead {
  readonly x: number;
  readonly works: readonly PlannedWork[];
}

/**
 * Beads for some work along a line, left to right.
 *
 * @param works in time's order
 * @param toX places an instant in px
 * @param nearestPx beads stand at least this far apart
 */
export function beadsOf(
  works: readonly PlannedWork[],
  toX: (ms: number) => number,
  nearestPx: number,
): Bead[] {
  const beads: { firstX: number; lastX: number; works: PlannedWork[] }[] = [];
  for (const work of works) {
    const x = (toX(work.startMs) + toX(work.endMs)) / 2;
    const last = beads.at(-1);
    if (last && x - last.lastX < nearestPx) {
      last.works.push(work);
      last.lastX = x;
    } else beads.push({ firstX: x, lastX: x, works: [work] });
  }
  return beads.map((bead) => ({ x: (bead.firstX + bead.lastX) / 2, works: bead.works }));
}
