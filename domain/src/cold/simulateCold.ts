import {
  firstIndex,
  holdingLimitsOf,
  HOUR_S,
  AIR_EVERY_S,
  fail,
  ok,
  simulateRoomsAndLots,
  type ColdSystem,
  type ColdSystemFault,
  type ColdSystemLot,
  type Result,
  type ReadyWindow,
} from '@calm/core';
import type { LotHeld } from '@calm/contract';
import { heldOf } from '../lots/held';
import { nextDoors, lotPortions } from './lotPortions';
import { airReadIn } from './airOfPlaces';
import { isCold, type ColdAssumption, type ColdPortion, type ColdQuestion } from './coldQuestion';
import { roomOf } from './rooms';
import { stacksAt } from './stacks';

/** A house as it is simulated, and whose lots are which. */
export interface ColdHouse {
  readonly house: ColdSystem;
  readonly fromS: number;
  readonly hours: number;
  readonly parts: readonly ColdPortion[];
}

/** How a part goes on. */
export interface SimulatedPortion extends ColdPortion {
  readonly window: ReadyWindow;
  readonly held: readonly LotHeld[];
  /** At the moment of the question; null before it is mixed. */
  readonly coreC: number | null;
  /** Its volume then, over the volume off the mixer. */
  readonly rise: number | null;
}

/** A room's air over time, as read and then as foretold. */
export interface SimulatedRoom {
  readonly placeId: string;
  readonly fromS: number;
  readonly stepS: number;
  readonly airC: Float64Array;
}

/** What comes of a house's cold. */
export interface SimulatedCold {
  readonly rooms: readonly SimulatedRoom[];
  readonly parts: readonly SimulatedPortion[];
}

/** Windows are looked for so long past the last stage, h. */
const BEYOND_H = 12;
/** As long as a line of readings: what was read is what a step goes by. */
const STEP_MIN = AIR_EVERY_S / 60;

/**
 * A house's cold rooms with everything that stands in them or is to come: rooms by their fitted numbers and
 * by what was read, lots by what is on record of them, each in the zones in which its trays stood.
 *
 * @param assumptions what might happen from now on
 * @param isAsSet as everything would be had every room kept its set temperature, and nobody moved a tray
 */
export function coldHouse(
  { book, services, lots, records, air, nowS }: ColdQuestion,
  assumptions: readonly ColdAssumption[] = [],
  isAsSet = false,
): ColdHouse {
  const nowMs = nowS * 1000;
  const prefermentC = book.house.settings.usualTempsC.preferment;
  const stacks = stacksAt(records, nowMs);
  const cooled = book.places.filter(isCold);
  const found = lots.flatMap((lot) =>
    lotPortions(
      lot,
      book,
      stacks,
      cooled,
      {
        nowMs,
        doorsMs: nextDoors(lot, services, nowMs),
        isAsSet,
        records: records.filter(({ lotId }) => lotId === lot.lot?.id),
        airRead: airReadIn(cooled, air),
      },
      prefermentC,
    ),
  );
  const firstS = Math.min(nowS, ...found.map(({ part }) => part.mixedMs / 1000));
  const fromS = Math.floor(firstS / AIR_EVERY_S) * AIR_EVERY_S;
  const hourOf = (ms: number) => Math.max(0, (ms / 1000 - fromS) / HOUR_S);
  const house: ColdSystem = {
    rooms: cooled.map((place) =>
      roomOf(place, air, {
        fromS,
        nowS,
        outsideC: book.house.settings.usualTempsC.room,
        assumptions,
        isAsSet,
      }),
    ),
    lots: found.map(({ part, route, doughKg }): ColdSystemLot => ({
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
    hours: Math.max((nowS - fromS) / HOUR_S + BEYOND_H, ...endHours),
    parts: found.map(({ part }) => part),
  };
}

/** Simulates a cold house. */
export function simulateCold(
  question: ColdQuestion,
  assumptions: readonly ColdAssumption[] = [],
  isAsSet = false,
): Result<SimulatedCold, ColdSystemFault> {
  const { house, fromS, hours, parts } = coldHouse(question, assumptions, isAsSet);
  const run = simulateRoomsAndLots(house, { hours, stepMin: STEP_MIN, beyondH: BEYOND_H });
  if (!run.ok) return fail(...run.reasons);
  const { places } = question.book;
  return ok({
    rooms: run.value.rooms.map(({ name, airC }) => ({
      placeId: places.find((place) => place.name === name)?.id ?? '',
      fromS,
      stepS: STEP_MIN * 60,
      airC,
    })),
    parts: parts.map((part, i) => {
      const lot = run.value.lots[i];
      const hour = (question.nowS * 1000 - part.mixedMs) / (HOUR_S * 1000);
      const at = lot && hour >= 0 ? lastBefore(lot.course.hours, lot.course.length, hour) : -1;
      return {
        ...part,
        window: lot?.window ?? NEVER,
        held: lot
          ? heldOf(
              holdingLimitsOf(part.lot.recipe.formula, question.book.pantry),
              lot.course,
              part.mixedMs,
              question.nowS * 1000,
            )
          : [],
        coreC: at < 0 ? null : (lot?.course.coreTempsC[at] ?? null),
        rise: at < 0 ? null : (lot?.course.volumes[at] ?? null),
      };
    }),
  });
}

const NEVER: ReadyWindow = { kind: 'never', why: 'too-little-rise' };

/** Index of the last moment that is not after an hour; −1 when all are. */
const lastBefore = (hours: Float64Array, length: number, hour: number): number =>
  firstIndex(length, (i) => (hours[i] as number) > hour) - 1;
