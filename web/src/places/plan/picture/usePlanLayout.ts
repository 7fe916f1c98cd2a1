import { MINUTE_MS } from '@calm/core';
import type { Climate } from '@calm/domain';
import { useMemo } from 'react';
import type { PlanWeek } from '../editing/usePlanWeek';
import { lanesOf, spanOfLot, stacked, timeScale, type Lane } from './planLayout';
import { stripsOf } from './Strips';

const LABELS_PX = 140;
const NARROW_LABELS_PX = 60;
/** Below this, names are short. */
const NARROW_PX = 600;
/** Room above the lanes for hours and services' names, px. */
export const HEAD_PX = 44;
const GAP_PX = 20;
const LANE_GAP_PX = 6;
/** Shorter stretches have words under their beads. */
const NEAR_MS = 24 * 3_600_000;
/** Longer ones are drawn with thinner lanes. */
const FAR_MS = 5 * 24 * 3_600_000;

/** Where the picture has its hours, lots and strips. */
export type PlanLayout = ReturnType<typeof usePlanLayout>;

/** Lays a stretch of the week out in a picture that is so wide, px. */
export function usePlanLayout(
  week: PlanWeek,
  climate: Climate | undefined,
  { fromMs, toMs, width }: { fromMs: number; toMs: number; width: number },
) {
  const isNarrow = width < NARROW_PX;
  const labels = isNarrow ? NARROW_LABELS_PX : LABELS_PX;
  const scale = useMemo(
    () => timeScale(fromMs, toMs, labels, Math.max(labels, width)),
    [fromMs, toMs, labels, width],
  );
  const endOf = useMemo(() => {
    const ends = new Map(
      week.services.map(({ date, patternId, endsAt }) => [
        `${date}/${patternId}`,
        Date.parse(endsAt) / MINUTE_MS,
      ]),
    );
    return (serviceId: string) => ends.get(serviceId) ?? 0;
  }, [week.services]);
  // Lanes stay as they are while a bead is in hand: nothing jumps under it.
  const lanes = useMemo(() => {
    const inView = week.lots.filter((lot) => {
      const span = spanOfLot(lot, endOf);
      return span.endMin * MINUTE_MS > fromMs && span.startMin * MINUTE_MS < toMs;
    });
    const doughIds = week.problem.doughs.map(({ id }) => id);
    const [main, side] = laneHeights(toMs - fromMs);
    const heightOf = ({ services }: Lane) => main + side * (services - 1) + LANE_GAP_PX;
    return stacked(lanesOf(inView, doughIds, endOf), heightOf, HEAD_PX).map(({ item, y }) => ({
      lane: item,
      y,
      main,
      side,
    }));
  }, [week.lots, week.problem.doughs, endOf, fromMs, toMs]);
  const lanesEnd = lanes.reduce(
    (end, { lane, y, main, side }) => Math.max(end, y + main + side * (lane.services - 1)),
    HEAD_PX,
  );
  const strips = useMemo(
    () =>
      stacked(stripsOf(week, climate), ({ height }) => height, lanesEnd + GAP_PX).map(
        ({ item, y }) => ({ strip: item, y }),
      ),
    [week, climate, lanesEnd],
  );
  const last = strips.at(-1);
  const height = last ? last.y + last.strip.height + 6 : lanesEnd;
  return { isNarrow, labels, scale, endOf, lanes, strips, width, height };
}

/** Of a lot's ribbon and of each further service's under it, px. */
function laneHeights(ms: number): readonly [main: number, side: number] {
  if (ms > FAR_MS) return [34, 12];
  return ms < NEAR_MS ? [64, 26] : [44, 22];
}
