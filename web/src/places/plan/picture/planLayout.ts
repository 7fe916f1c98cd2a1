import { MINUTE_MS, type PlannedLot, type PlannedStep } from '@calm/core';

/** Time across a picture, from px to epoch ms and back. */
export interface TimeScale {
  readonly fromMs: number;
  readonly toMs: number;
  readonly left: number;
  readonly right: number;
  readonly pxPerMin: number;
  readonly toX: (ms: number) => number;
}

export function timeScale(fromMs: number, toMs: number, left: number, right: number): TimeScale {
  const pxPerMin = Math.max(0, right - left) / ((toMs - fromMs) / MINUTE_MS);
  return {
    fromMs,
    toMs,
    left,
    right,
    pxPerMin,
    toX: (ms) => left + ((ms - fromMs) / MINUTE_MS) * pxPerMin,
  };
}

/** Lots of one dough that follow one another along one line. */
export interface Lane {
  readonly doughId: string;
  readonly lots: readonly PlannedLot[];
  /** Services side by side in the lot that has the most. */
  readonly services: number;
  readonly isFirstOfDough: boolean;
}

/** When a lot is in the picture: from its first work to when its balls are used up. Minutes since 1970. */
export function spanOfLot(
  { steps, serviceIds }: PlannedLot,
  endOf: (serviceId: string) => number,
): { readonly startMin: number; readonly endMin: number } {
  return {
    startMin: Math.min(...steps.map(({ startMin }) => startMin)),
    endMin: Math.max(...serviceIds.map(endOf)),
  };
}

/**
 * Lots on lanes: those of one dough beside each other, in as few lanes as they need.
 *
 * @param doughIds in the order they are shown
 * @param endOf when a service closes, minutes since 1970
 */
export function lanesOf(
  lots: readonly PlannedLot[],
  doughIds: readonly string[],
  endOf: (serviceId: string) => number,
): Lane[] {
  return doughIds.flatMap((doughId) => {
    const lanes: { lots: PlannedLot[]; endMin: number }[] = [];
    const own = lots
      .filter((lot) => lot.doughId === doughId)
      .map((lot) => ({ lot, ...spanOfLot(lot, endOf) }))
      .sort((a, b) => a.endMin - b.endMin);
    for (const { lot, startMin, endMin } of own) {
      const free = lanes.find((lane) => lane.endMin <= startMin);
      if (free) {
        free.lots.push(lot);
        free.endMin = endMin;
      } else lanes.push({ lots: [lot], endMin });
    }
    return lanes.map((lane, i) => ({
      doughId,
      lots: lane.lots,
      services: Math.max(...lane.lots.map(({ serviceIds }) => serviceIds.length)),
      isFirstOfDough: i === 0,
    }));
  });
}

/** Things one below the other, each with where it begins, px. */
export function stacked<Item>(
  items: readonly Item[],
  heightOf: (item: Item) => number,
  top: number,
): { readonly item: Item; readonly y: number }[] {
  return items.map((item, i) => ({
    item,
    y: items.slice(0, i).reduce((sum, before) => sum + heightOf(before), top),
  }));
}

/** Steps that stand so close together that they share a bead. */
export interface StepBead {
  readonly x: number;
  readonly steps: readonly PlannedStep[];
}

/** Beads for some steps, left to right; they stand at least so far apart, px. */
export function stepBeads(
  steps: readonly PlannedStep[],
  { toX }: Pick<TimeScale, 'toX'>,
  nearestPx: number,
): StepBead[] {
  const beads: { firstX: number; lastX: number; steps: PlannedStep[] }[] = [];
  for (const step of [...steps].sort((a, b) => a.startMin - b.startMin)) {
    const x = toX(((step.startMin + step.endMin) / 2) * MINUTE_MS);
    const last = beads.at(-1);
    if (last && x - last.lastX < nearestPx) {
      last.steps.push(step);
      last.lastX = x;
    } else beads.push({ firstX: x, lastX: x, steps: [step] });
  }
  return beads.map(({ firstX, lastX, steps: together }) => ({
    x: (firstX + lastX) / 2,
    steps: together,
  }));
}
