import type { LotRecord } from '@calm/contract';
import { HOUR_MS, narrowLot, STANDARD_TARGET, type DoughRoute, type DoughStage } from '@calm/core';
import { routeOfDocument } from '../formulas/simulateDough';
import type { DoughInProgress } from '../lots/lotHistory';
import { observedOfLot } from './observedOfLot';

/** How warm a place was between two moments, as it was read, °C; null where nobody did. */
export type AirRead = (place: string, fromMs: number, toMs: number) => number | null;

/**
 * How much stronger a lot's yeast works and how much longer its flour lasts than was assumed, by what was seen and
 * measured of it. What its places were is taken as it was read: a warm night is no strong yeast.
 *
 * @param records of that lot
 * @returns null where nothing was seen of it, or its dough cannot be simulated
 */
export function factorsSeen(
  way: DoughInProgress,
  records: readonly LotRecord[],
  airRead: AirRead,
): { readonly yeast: number; readonly endurance: number } | null {
  const observed = observedOfLot(way, records);
  const route = observed && routeOfDocument(observed.dough);
  if (!route?.ok) return null;
  const { looks = [], readings = [], marks = [], opened } = observed ?? {};
  const narrowed = narrowLot({
    id: '',
    day: '',
    route: { ...route.value, stages: stagesAsRead(route.value.stages, way, airRead) },
    target: { ...STANDARD_TARGET, ...way.document.target },
    looks,
    readings,
    marks,
    ...(opened && { opened }),
  });
  return { yeast: narrowed.yeastFactor, endurance: narrowed.enduranceFactor };
}

/** Stages in the air that was read in their places. */
export function stagesAsRead(
  stages: readonly DoughStage[],
  { mixedMs, places }: Pick<DoughInProgress, 'mixedMs' | 'places'>,
  airRead: AirRead,
): DoughStage[] {
  let endMs = mixedMs;
  return stages.map((stage, i) => {
    const fromMs = endMs;
    endMs += stage.hours * HOUR_MS;
    const airTempC = airRead(places[i] ?? '', fromMs, endMs);
    return airTempC === null ? stage : { ...stage, airTempC };
  });
}

/** A dough that works as its lot was seen to. */
export const routeAsSeen = (
  route: DoughRoute,
  seen: { readonly yeast: number; readonly endurance: number } | null,
): DoughRoute =>
  seen === null
    ? route
    : {
        ...route,
        yeastActivity: (route.yeastActivity ?? 1) * seen.yeast,
        endurance: (route.endurance ?? 1) * seen.endurance,
      };
