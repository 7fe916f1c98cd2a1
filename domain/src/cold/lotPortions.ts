import { HOUR_MS, type DoughRoute, type DoughStage } from '@calm/core';
import type { Service, HouseBook, LotRecord, Place } from '@calm/contract';
import { asDecided } from '../advise/decided';
import { routeOfDocument } from '../formulas/simulateDough';
import { factorsSeen, routeAsSeen, type AirRead } from '../learn/doughAsSeen';
import type { BoardLot } from '../lots/lotBoard';
import { doughInProgress, type DoughInProgress } from '../lots/lotHistory';
import type { ColdPortion } from './coldQuestion';
import type { Leg, Stack } from './stacks';

/** Lots that come into the cold later than this change nothing that anybody asks now, h. */
const AHEAD_H = 60;

/** A part with its dough, as it is simulated. */
export interface LotPortion {
  readonly part: ColdPortion;
  readonly route: DoughRoute;
  readonly doughKg: number;
}

/** A lot's balls by product and zone; none of a lot that is over, or that never comes into the cold. */
export function lotPortions(
  lot: BoardLot,
  book: HouseBook,
  stacks: readonly Stack[],
  cooled: readonly Place[],
  {
    nowMs,
    doorsMs,
    isAsSet,
    records,
    airRead,
  }: {
    readonly nowMs: number;
    readonly doorsMs: number | null;
    readonly isAsSet: boolean;
    /** Of that lot. */
    readonly records: readonly LotRecord[];
    readonly airRead: AirRead;
  },
  prefermentC: number,
): LotPortion[] {
  if (lot.closeMs < nowMs) return [];
  return lot.items.flatMap((item): LotPortion[] => {
    const product = book.products.find(({ id }) => id === item.productId);
    const way = product && doughInProgress(lot, product, prefermentC, nowMs);
    if (!product || !way || way.mixedMs > nowMs + AHEAD_H * HOUR_MS) return [];
    const bowl = routeOfDocument(way.document);
    if (!bowl.ok) return [];
    const dough = routeAsSeen(bowl.value, factorsSeen(way, records, airRead));
    const coldOf = ({ places }: DoughInProgress) =>
      places.map((name) => cooled.find((place) => place.name === name) ?? null);
    const inCold = coldOf(way);
    const standingHere = stacks.filter(
      (stack) => stack.lotId === lot.lot?.id && stack.productId === product.id,
    );
    // What no route has in the cold may be there all the same, once somebody has put it there.
    const visited = cooled.find(({ id }) => standingHere.some(({ spot }) => spot.placeId === id));
    const everIn = [...inCold, ...coldOf(asDecided(way, records, 'cold'))];
    const place = everIn.find((each) => each !== null) ?? visited;
    if (!place) return [];
    const standing = groupsOf(standingHere);
    const trays = Math.max(
      1,
      Math.ceil(item.count / product.ballsPerTray),
      standingHere.reduce((sum, stack) => sum + stack.trays, 0),
    );
    const kg = (item.count * item.ballWeightG) / 1000;
    const placed = standing.reduce((sum, group) => sum + group.trays, 0);
    const groups = [
      ...standing,
      ...(trays > placed ? [{ legs: [] as readonly Leg[], trays: trays - placed }] : []),
    ];
    const key = lot.lot?.id ?? `${lot.code}/${lot.date}`;
    return groups.map(({ legs, trays: some }, i) => {
      const spot = legs.at(-1)?.spot ?? null;
      const kept = spot ? keptCold(dough.stages, inCold, way.mixedMs, nowMs, doorsMs) : null;
      // What was decided holds from where these trays stand, not from where others of their lot are by now.
      const stages = kept ?? dough.stages;
      const standingWay = { ...way, document: { ...way.document, stages } };
      const decided = asDecided(standingWay, records, kept ? 'cold' : 'all');
      return {
        doughKg: (kg * some) / trays,
        route: {
          ...dough,
          stages: stagesIn(
            decided.document.stages,
            coldOf(decided),
            isAsSet ? [] : legs,
            way.mixedMs,
            cooled,
          ),
        },
        part: {
          lot,
          product,
          placeId: spot?.placeId ?? place.id,
          zone: spot?.zone ?? null,
          mixedMs: way.mixedMs,
          name: `${key}/${product.id}/${i}`,
        },
      };
    });
  });
}

/** When the next service begins that a lot is for, epoch ms; null when none does any more. */
export function nextDoors(
  lot: BoardLot,
  services: readonly Service[],
  nowMs: number,
): number | null {
  const starts = services
    .filter(({ date, startsAt }) => date === lot.date && Date.parse(startsAt) > nowMs)
    .map(({ startsAt }) => Date.parse(startsAt));
  return starts.length === 0 ? null : Math.min(...starts);
}

/**
 * The stages of trays that still stand in the cold though others of their lot have been pulled: they stay there
 * until they are to be pulled for the next service, or until now.
 *
 * @returns null where the lot is in the cold as it is
 */
export function keptCold(
  stages: readonly DoughStage[],
  inCold: readonly (Place | null)[],
  mixedMs: number,
  nowMs: number,
  doorsMs: number | null,
): DoughStage[] | null {
  const last = inCold.findLastIndex((place) => place !== null);
  const hoursTo = (count: number) =>
    stages.slice(0, count).reduce((sum, { hours }) => sum + hours, 0);
  const endMs = mixedMs + hoursTo(last + 1) * HOUR_MS;
  if (last < 0 || endMs > nowMs) return null;
  const temperMs = stages.slice(last + 1).reduce((sum, { hours }) => sum + hours, 0) * HOUR_MS;
  const untilMs = Math.max(nowMs, (doorsMs ?? nowMs) - temperMs);
  return stages.map((stage, i) =>
    i === last ? { ...stage, hours: stage.hours + (untilMs - endMs) / HOUR_MS } : stage,
  );
}

/** Stacks that stand in the same air, and have come there by the same way. */
function groupsOf(stacks: readonly Stack[]): { legs: readonly Leg[]; trays: number }[] {
  const byWay = new Map<string, { legs: readonly Leg[]; trays: number }>();
  for (const { legs, trays } of stacks) {
    const way = legs
      .map(
        ({ spot, fromMs }) => `${spot.placeId}/${spot.zone}/${Math.round(fromMs / SAME_TIME_MS)}`,
      )
      .join();
    byWay.set(way, { legs, trays: (byWay.get(way)?.trays ?? 0) + trays });
  }
  return [...byWay.values()];
}

/** Trays that were put somewhere within these minutes were put there together. */
const SAME_TIME_MS = 10 * 60_000;

/** A dough's stages with the rooms they are in; a stage in the cold is cut where its trays were moved. */
function stagesIn(
  stages: readonly DoughStage[],
  inCold: readonly (Place | null)[],
  legs: readonly Leg[],
  mixedMs: number,
  cooled: readonly Place[],
): DoughStage[] {
  // A route without a cold stage: in the cold for as long as somebody has put it there.
  const isVisitor = inCold.every((place) => place === null);
  let startMs = mixedMs;
  return stages.flatMap((stage, i): DoughStage[] => {
    const [fromMs, toMs] = [startMs, startMs + stage.hours * HOUR_MS];
    startMs = toMs;
    const home = inCold[i] ?? null;
    const isInCold = home !== null || (isVisitor && legs.some((leg) => leg.fromMs < toMs));
    if (!isInCold) return [stage];
    const cuts = legs
      .map(({ fromMs: at }) => at)
      .filter((at) => at > fromMs && at < toMs)
      .filter((at, j, all) => all.indexOf(at) === j);
    const ends = [...cuts, toMs];
    return ends.map((endMs, j) => {
      const beginMs = j === 0 ? fromMs : (ends[j - 1] as number);
      const begun = legs.findLast((each) => each.fromMs <= beginMs + 1);
      const leg = begun ?? (home ? legs[0] : undefined);
      const place = cooled.find(({ id }) => id === leg?.spot.placeId) ?? home;
      const { shaping: _, ...later } = stage;
      const part = { ...(j === 0 ? stage : later), hours: (endMs - beginMs) / HOUR_MS };
      if (!place) return part;
      return {
        ...part,
        room: place.name,
        ...(leg && leg.spot.placeId === place.id && { zone: leg.spot.zone }),
      };
    });
  });
}
