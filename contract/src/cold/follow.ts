import {
  airOfRoom,
  AIR_EVERY_S,
  cannot,
  done,
  simulateTogether,
  USUAL_SETTING,
  type DoughRoute,
  type DoughStage,
  type House,
  type HouseFault,
  type LotOfHouse,
  type Outcome,
  type ProbeInRoom,
  type ReadyWindow,
  type Room,
  type RoomEvent,
  type RoomOfHouse,
} from '@calm/core';
import { routeOfDocument } from '../dough';
import type { Service } from '../demand';
import type { HouseBook, Product } from '../house';
import type { Place } from '../kitchen';
import type { BoardLot } from '../lotBoard';
import { doughOnItsWay, doughOutOf, stagesAsTheyAre } from '../lotWay';
import type { LotRecord } from '../record';
import { stacksAt, type Leg, type Stack } from './spot';

/** Probes of a place with what they read, corrected. */
export interface PlaceAir {
  readonly placeId: string;
  readonly probes: readonly ProbeInRoom[];
}

/** What is known of a house's cold at a moment. */
export interface ColdQuestion {
  readonly book: HouseBook;
  readonly services: readonly Service[];
  readonly lots: readonly BoardLot[];
  readonly records: readonly LotRecord[];
  readonly air: readonly PlaceAir[];
  /** s since the epoch: what is read before is past. */
  readonly nowS: number;
}

/** What might happen to the cold. Everything begins now. */
export type ColdAsIf =
  | { readonly kind: 'power-cut'; readonly hours: number; readonly isDoorOpen: boolean }
  | { readonly kind: 'set-point'; readonly placeId: string; readonly byC: number }
  | { readonly kind: 'heatwave'; readonly hours: number; readonly warmerC: number }
  | {
      readonly kind: 'weak';
      readonly placeId: string;
      readonly hours: number;
      readonly share: number;
    };

/** Balls of one product of a lot in one zone: they share their air. */
export interface ColdPart {
  readonly lot: BoardLot;
  readonly product: Product;
  readonly placeId: string;
  readonly zone: string | null;
  readonly mixedMs: number;
  /** As the simulation names it. */
  readonly name: string;
}

/** A house as it is simulated, and whose lots are which. */
export interface ColdHouse {
  readonly house: House;
  readonly fromS: number;
  readonly hours: number;
  readonly parts: readonly ColdPart[];
}

/** How a part goes on. */
export interface FollowedPart extends ColdPart {
  readonly window: ReadyWindow;
  /** At the moment of the question; null before it is mixed. */
  readonly coreC: number | null;
  readonly rise: number | null;
}

/** A room's air over time, as read and then as foretold. */
export interface FollowedRoom {
  readonly placeId: string;
  readonly fromS: number;
  readonly stepS: number;
  readonly airC: Float64Array;
}

/** What comes of a house's cold. */
export interface FollowedCold {
  readonly rooms: readonly FollowedRoom[];
  readonly parts: readonly FollowedPart[];
}

const S_PER_H = 3600;
/** Windows are looked for so long past the last stage, h. */
const BEYOND_H = 12;
/** Lots that come into the cold later than this change nothing that anybody asks now, h. */
const AHEAD_H = 60;
/** As long as a line of readings: what was read is what a step goes by. */
const STEP_MIN = AIR_EVERY_S / 60;

/**
 * A house's cold rooms with everything that stands in them or is to come: rooms by their fitted numbers and
 * by what was read, lots by what is on record of them, each in the zones in which its trays stood.
 *
 * @param asIfs what might happen from now on
 * @param isAsSet as everything would be had every room kept its set temperature, and nobody moved a tray
 */
export function coldHouse(
  { book, services, lots, records, air, nowS }: ColdQuestion,
  asIfs: readonly ColdAsIf[] = [],
  isAsSet = false,
): ColdHouse {
  const nowMs = nowS * 1000;
  const prefermentC = book.house.settings.usualTempsC.preferment;
  const stacks = stacksAt(records, nowMs);
  const cooled = book.places.filter(isCold);
  const found = lots.flatMap((lot) =>
    partsOf(
      lot,
      book,
      stacks,
      cooled,
      { nowMs, doorsMs: nextDoors(lot, services, nowMs), isAsSet },
      prefermentC,
    ),
  );
  const firstS = Math.min(nowS, ...found.map(({ part }) => part.mixedMs / 1000));
  const fromS = Math.floor(firstS / AIR_EVERY_S) * AIR_EVERY_S;
  const hourOf = (ms: number) => Math.max(0, (ms / 1000 - fromS) / S_PER_H);
  const house: House = {
    rooms: cooled.map((place) =>
      roomOf(place, air, {
        fromS,
        nowS,
        outsideC: book.house.settings.usualTempsC.room,
        asIfs,
        isAsSet,
      }),
    ),
    lots: found.map(({ part, route, doughKg }): LotOfHouse => ({
      name: part.name,
      startHour: hourOf(part.mixedMs),
      doughKg,
      route,
      target: part.product.target,
    })),
  };
  const endHours = found.map(
    ({ part, route }) =>
      hourOf(part.mixedMs) + route.stages.reduce((sum, { hours }) => sum + hours, 0) + BEYOND_H,
  );
  return {
    house,
    fromS,
    hours: Math.max((nowS - fromS) / S_PER_H + BEYOND_H, ...endHours),
    parts: found.map(({ part }) => part),
  };
}

/** Simulates a cold house. */
export function followCold(
  question: ColdQuestion,
  asIfs: readonly ColdAsIf[] = [],
  isAsSet = false,
): Outcome<FollowedCold, HouseFault> {
  const { house, fromS, hours, parts } = coldHouse(question, asIfs, isAsSet);
  const run = simulateTogether(house, { hours, stepMin: STEP_MIN, beyondH: BEYOND_H });
  if (!run.ok) return cannot(...run.reasons);
  const { places } = question.book;
  return done({
    rooms: run.value.rooms.map(({ name, airC }) => ({
      placeId: places.find((place) => place.name === name)?.id ?? '',
      fromS,
      stepS: STEP_MIN * 60,
      airC,
    })),
    parts: parts.map((part, i) => {
      const lot = run.value.lots[i];
      const hour = (question.nowS * 1000 - part.mixedMs) / (S_PER_H * 1000);
      const at = lot && hour >= 0 ? lastBefore(lot.course.hours, lot.course.length, hour) : -1;
      return {
        ...part,
        window: lot?.window ?? NEVER,
        coreC: at < 0 ? null : (lot?.course.coreTempsC[at] ?? null),
        rise: at < 0 ? null : (lot?.course.rises[at] ?? null),
      };
    }),
  });
}

const NEVER: ReadyWindow = { kind: 'never', why: 'too-young' };

/** Index of the last moment that is not after an hour; −1 when all are. */
function lastBefore(hours: Float64Array, length: number, hour: number): number {
  let [low, high] = [0, length];
  while (low < high) {
    const middle = (low + high) >> 1;
    if ((hours[middle] as number) <= hour) low = middle + 1;
    else high = middle;
  }
  return low - 1;
}

/** A place with a thermostat of its own. */
type ColdPlace = Place & { readonly room: Room };
const isCold = (place: Place): place is ColdPlace => place.room !== null;

interface FoundPart {
  readonly part: ColdPart;
  readonly route: DoughRoute;
  readonly doughKg: number;
}

/** A lot's balls by product and zone; none of a lot that is over, or that never comes into the cold. */
function partsOf(
  lot: BoardLot,
  book: HouseBook,
  stacks: readonly Stack[],
  cooled: readonly Place[],
  {
    nowMs,
    doorsMs,
    isAsSet,
  }: { readonly nowMs: number; readonly doorsMs: number | null; readonly isAsSet: boolean },
  prefermentC: number,
): FoundPart[] {
  if (lot.closeMs < nowMs) return [];
  const stages = stagesAsTheyAre(lot, nowMs);
  return lot.items.flatMap((item): FoundPart[] => {
    const product = book.products.find(({ id }) => id === item.productId);
    const way =
      product && doughOnItsWay(lot, product, prefermentC, stages, doughOutOf(lot) ?? undefined);
    if (!product || !way || way.mixedMs > nowMs + AHEAD_H * S_PER_H * 1000) return [];
    const bowl = routeOfDocument(way.document);
    if (!bowl.ok) return [];
    const inCold = way.places.map((name) => cooled.find((place) => place.name === name) ?? null);
    const place = inCold.find((each) => each !== null);
    if (!place) return [];
    const own = stacks.filter(
      (stack) => stack.lotId === lot.lot?.id && stack.productId === product.id,
    );
    const standing = groupsOf(own);
    const trays = Math.max(
      1,
      Math.ceil(item.count / product.ballsPerTray),
      own.reduce((sum, stack) => sum + stack.trays, 0),
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
      const kept = spot ? keptCold(bowl.value.stages, inCold, way.mixedMs, nowMs, doorsMs) : null;
      return {
        doughKg: (kg * some) / trays,
        route: {
          ...bowl.value,
          stages: stagesIn(
            kept ?? bowl.value.stages,
            inCold,
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
function nextDoors(lot: BoardLot, services: readonly Service[], nowMs: number): number | null {
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
function keptCold(
  stages: readonly DoughStage[],
  inCold: readonly (Place | null)[],
  mixedMs: number,
  nowMs: number,
  doorsMs: number | null,
): DoughStage[] | null {
  const last = inCold.findLastIndex((place) => place !== null);
  const hoursTo = (count: number) =>
    stages.slice(0, count).reduce((sum, { hours }) => sum + hours, 0);
  const endMs = mixedMs + hoursTo(last + 1) * S_PER_H * 1000;
  if (last < 0 || endMs > nowMs) return null;
  const temperMs =
    stages.slice(last + 1).reduce((sum, { hours }) => sum + hours, 0) * S_PER_H * 1000;
  const untilMs = Math.max(nowMs, (doorsMs ?? nowMs) - temperMs);
  return stages.map((stage, i) =>
    i === last ? { ...stage, hours: stage.hours + (untilMs - endMs) / (S_PER_H * 1000) } : stage,
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
  let startMs = mixedMs;
  return stages.flatMap((stage, i): DoughStage[] => {
    const [fromMs, toMs] = [startMs, startMs + stage.hours * S_PER_H * 1000];
    startMs = toMs;
    const home = inCold[i];
    if (!home) return [stage];
    const cuts = legs
      .map(({ fromMs: at }) => at)
      .filter((at) => at > fromMs && at < toMs)
      .filter((at, j, all) => all.indexOf(at) === j);
    const ends = [...cuts, toMs];
    return ends.map((endMs, j) => {
      const beginMs = j === 0 ? fromMs : (ends[j - 1] as number);
      const leg = legs.findLast((each) => each.fromMs <= beginMs + 1) ?? legs[0];
      const place = cooled.find(({ id }) => id === leg?.spot.placeId) ?? home;
      const { shaping: _, ...later } = stage;
      return {
        ...(j === 0 ? stage : later),
        hours: (endMs - beginMs) / (S_PER_H * 1000),
        room: place.name,
        ...(leg && leg.spot.placeId === place.id && { zone: leg.spot.zone }),
      };
    });
  });
}

function roomOf(
  place: ColdPlace,
  air: readonly PlaceAir[],
  {
    fromS,
    nowS,
    outsideC,
    asIfs,
    isAsSet,
  }: {
    fromS: number;
    nowS: number;
    outsideC: number;
    asIfs: readonly ColdAsIf[];
    isAsSet: boolean;
  },
): RoomOfHouse {
  const { room } = place;
  const set = asIfs.reduce(
    (sum, asIf) => (asIf.kind === 'set-point' && asIf.placeId === place.id ? sum + asIf.byC : sum),
    0,
  );
  const probes = air.find(({ placeId }) => placeId === place.id)?.probes ?? [];
  const readings = isAsSet ? [] : airOfRoom(probes, fromS);
  return {
    name: place.name,
    room: {
      ...room,
      setC: room.setC + set,
      zonesC: Object.fromEntries(place.zones.map(({ name, warmerC }) => [name, warmerC])),
    },
    setting: {
      ...USUAL_SETTING,
      outsideC,
      clockHour: fromS / S_PER_H,
      events: asIfs.flatMap((asIf) => eventsOf(asIf, place.id, (nowS - fromS) / S_PER_H)),
    },
    airC: readings[0]?.airC ?? room.setC,
    readings,
  };
}

function eventsOf(asIf: ColdAsIf, placeId: string, fromHour: number): RoomEvent[] {
  switch (asIf.kind) {
    case 'power-cut':
      return [
        { kind: 'power-cut', fromHour, hours: asIf.hours },
        ...(asIf.isDoorOpen
          ? [{ kind: 'door-open', fromHour, hours: asIf.hours * OPENED_SHARE } as const]
          : []),
      ];
    case 'heatwave':
      return [{ kind: 'heatwave', fromHour, hours: asIf.hours, warmerC: asIf.warmerC }];
    case 'weak':
      return asIf.placeId === placeId
        ? [{ kind: 'compressor-weak', fromHour, hours: asIf.hours, share: asIf.share }]
        : [];
    case 'set-point':
      return [];
  }
}

/** A door that people go in and out of all the time stands open about this share of it. */
const OPENED_SHARE = 0.25;
