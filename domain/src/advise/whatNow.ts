import type { AdvisedChoice, DoughProblem, LotRecord, Place } from '@calm/contract';
import {
  advise,
  backIntoCold,
  COLD_AIR_C,
  HOUR_MS,
  ok,
  pointBetween,
  simulate,
  STANDARD_TARGET,
  type AdvicePlace,
  type BackIntoCold,
  type DoughPoint,
  type Result,
} from '@calm/core';
import { airReadIn } from '../cold/airOfPlaces';
import type { PlaceAir } from '../cold/coldQuestion';
import { routeOfDocument } from '../formulas/simulateDough';
import { factorsSeen, routeAsSeen, stagesAsRead } from '../learn/doughAsSeen';
import type { DoughInProgress } from '../lots/lotHistory';
import { choiceOf } from './adviseDocument';

/** A lot that waits, with everything that is known of it. Moments are epoch ms. */
export interface WaitingLot {
  /** As it went and as it is planned, or was decided. */
  readonly way: DoughInProgress;
  /** Whether all of it is asked about, or what stands in the cold though others of it are out. */
  readonly trays: 'all' | 'cold';
  readonly records: readonly LotRecord[];
  readonly places: readonly Place[];
  readonly air: readonly PlaceAir[];
  readonly nowMs: number;
  readonly services: readonly {
    readonly startMs: number;
    readonly endMs: number;
    readonly balls: number;
  }[];
  /** Where it could stand. */
  readonly spots: readonly AdvicePlace[];
}

/** How a lot stands, and what can be done with it. Hours count from the mixer. */
export interface WhatNow {
  readonly now: DoughPoint;
  readonly choices: readonly AdvisedChoice[];
  /** Null where there is no cold place. */
  readonly back: BackIntoCold | null;
}

/** What can be done with a lot: its dough as it was seen, in air as it was read. */
export function whatNow(lot: WaitingLot): Result<WhatNow, DoughProblem> {
  const { way, records, places, air, nowMs, services, spots } = lot;
  const bowl = routeOfDocument(way.document);
  if (!bowl.ok) return bowl;
  const airRead = airReadIn(places, air);
  const seen = routeAsSeen(bowl.value, factorsSeen(way, records, airRead));
  const route = { ...seen, stages: stagesAsRead(seen.stages, way, airRead) };
  const target = { ...STANDARD_TARGET, ...way.document.target };
  const hourOf = (ms: number) => Math.max(0, (ms - way.mixedMs) / HOUR_MS);
  const nowHour = hourOf(nowMs);
  const told = advise({
    route,
    nowHour,
    target,
    services: services.map(({ startMs, endMs, balls }) => ({
      startHour: hourOf(startMs),
      endHour: hourOf(endMs),
      balls,
    })),
    places: spots,
  });
  if (!told.ok) return told;
  const asIs = simulate(route, { target });
  if (!asIs.ok) return asIs;
  const { course, kinds } = asIs.value;
  const cold = spots.find(({ airTempC }) => airTempC <= COLD_AIR_C);
  const warmest = Math.max(...spots.map(({ airTempC }) => airTempC));
  const back = cold && backIntoCold(route, nowHour, cold, warmest, target);
  return ok({
    now: pointBetween(course, nowHour, target, kinds),
    choices: told.value.map(choiceOf),
    back: back?.ok ? back.value : null,
  });
}
