import { DOUGH_HEAT, heatGiven } from '../../heat';
import { advance, beginHeat, endHeat, ferment, mayWait } from '../../ferment/dough/advance';
import { newCourse, record, type OpenCourse } from '../../ferment/run/course';
import { isPastUse, riseOf, type Dough } from '../../ferment/dough/dough';
import { enterStage, startDough } from '../../ferment/run/simulateDough';
import type { ColdSystemLot } from './coldSystem';
import { HOUR_S } from '../../units/time';
import type { OpenRoom, Tick } from './openRoom';
import { STANDARD_TARGET, type Target } from '../../ferment/dough/state';

/** A lot on its way through the house. */
export interface LotInSimulation {
  readonly lot: ColdSystemLot;
  readonly course: OpenCourse;
  readonly dough: Dough;
  readonly heatJPerK: number;
  readonly rooms: readonly (OpenRoom | null)[];
  readonly offsetsC: readonly number[];
  readonly beyondH: number;
  readonly target: Target;
  /** Index of its stage; −1 before the mixer, past the last when it is over. */
  stage: number;
  /** Hour at which its stage ends. */
  endHour: number;
  /** Whether it is in the middle of a step of heat together with its room. */
  isMidStep: boolean;
}

/** A lot that has not been mixed yet. */
export function newLotInSimulation(
  lot: ColdSystemLot,
  rooms: readonly OpenRoom[],
  beyondH: number,
): LotInSimulation {
  const { stages } = lot.route;
  const dough = startDough(lot.route);
  const inRooms = stages.map(({ room }) => rooms.find(({ from }) => from.name === room) ?? null);
  return {
    lot,
    course: newCourse(dough.traits.steepness),
    dough,
    heatJPerK: lot.doughKg * DOUGH_HEAT.specificHeatJPerKgK,
    rooms: inRooms,
    offsetsC: stages.map(({ zone }, i) => inRooms[i]?.from.room.zonesC[zone ?? ''] ?? 0),
    beyondH,
    target: lot.target ?? STANDARD_TARGET,
    stage: -1,
    endHour: lot.startHour,
    isMidStep: false,
  };
}

/** Whether a lot is past the last stage of its route, or past all use in it. */
export const isOver = (lot: LotInSimulation): boolean => lot.stage >= lot.rooms.length;

/**
 * A lot's half of a step. Where no stage begins within it, its heat waits for the room's air;
 * otherwise it goes there in parts, in the air as it is now.
 */
export function beginLotStep(lot: LotInSimulation, { fromHour, toHour, stepH }: Tick): void {
  if (lot.endHour >= toHour) {
    beginWhole(lot, stepH);
    return;
  }
  settle(lot, fromHour);
  let hour = fromHour;
  while (!isOver(lot) && lot.endHour < toHour) {
    passPart(lot, hour, lot.endHour, stepH);
    hour = Math.max(hour, lot.endHour);
    nextStage(lot);
  }
  passPart(lot, hour, toHour, stepH);
}

/** The other half, once the room's air is known. */
export function endLotStep(lot: LotInSimulation, toHour: number): void {
  const { stages } = lot.lot.route;
  const stage = stages[lot.stage];
  if (!stage) return;
  const { untilRise } = stage;
  if (lot.isMidStep) {
    endWhole(lot);
    if (
      untilRise === undefined &&
      mayWait(lot.dough, lot.dough.meanC < COLD_C ? COLD_STEP_H : EVEN_STEP_H)
    )
      return;
    ferment(lot.dough);
  }
  write(lot, toHour);
  const rise = riseOf(lot.dough);
  if (lot.stage < stages.length - 1) {
    if (untilRise !== undefined && rise >= untilRise) lot.endHour = toHour;
  } else if (toHour > lot.endHour - lot.beyondH) {
    if (isPastUse(lot.dough, lot.target)) lot.stage = stages.length;
  }
}

/**
 * Even dough ferments in steps of this length, h, while its heat is stepped with its room's. In the
 * cold an hour does what minutes do in the warm.
 */
const EVEN_STEP_H = 0.25;
const COLD_STEP_H = 1;
const COLD_C = 10;

/** Brings a dough that waited up to date. */
export function settle(lot: LotInSimulation, hour: number): void {
  if (lot.dough.unfermentedH === 0) return;
  ferment(lot.dough);
  write(lot, hour);
}

function nextStage(lot: LotInSimulation): void {
  const { route } = lot.lot;
  lot.stage += 1;
  const stage = route.stages[lot.stage];
  if (!stage) return;
  const isLast = lot.stage === route.stages.length - 1;
  const startHour = lot.endHour;
  lot.endHour = startHour + stage.hours + (isLast ? lot.beyondH : 0);
  enterStage(lot.dough, route, lot.stage, airNow(lot));
  write(lot, startHour);
}

function airNow(lot: LotInSimulation): number {
  const room = lot.rooms[lot.stage];
  return room
    ? room.air.airC + (lot.offsetsC[lot.stage] as number)
    : (lot.lot.route.stages[lot.stage]?.airTempC ?? 0);
}

/** Part of a step in the air as it is; a room gets the heat as a plain load. */
function passPart(lot: LotInSimulation, fromHour: number, toHour: number, stepH: number): void {
  if (toHour <= fromHour || lot.stage < 0 || isOver(lot)) return;
  const before = lot.dough.heatGivenK;
  advance(lot.dough, toHour - fromHour, airNow(lot));
  const room = lot.rooms[lot.stage];
  if (!room) return;
  const givenJ = (lot.dough.heatGivenK - before) * lot.heatJPerK;
  room.drive.loadAtZeroW += givenJ / (stepH * HOUR_S);
  room.broughtJ += givenJ;
}

function beginWhole(lot: LotInSimulation, stepH: number): void {
  const { dough } = lot;
  dough.stepH = stepH;
  dough.airC = airNow(lot);
  beginHeat(dough);
  lot.isMidStep = true;
  const room = lot.rooms[lot.stage];
  if (!room) return;
  const { atZeroK, perAirK } = heatGiven(dough.shells, dough.tempsC);
  const wattsPerK = lot.heatJPerK / (stepH * HOUR_S);
  const offsetC = lot.offsetsC[lot.stage] as number;
  room.drive.loadAtZeroW += wattsPerK * (atZeroK - perAirK * offsetC);
  room.drive.loadWPerK += wattsPerK * perAirK;
}

function endWhole(lot: LotInSimulation): void {
  const { dough } = lot;
  lot.isMidStep = false;
  const room = lot.rooms[lot.stage];
  const before = dough.heatGivenK;
  if (room) dough.airC = room.air.meanC + (lot.offsetsC[lot.stage] as number);
  endHeat(dough);
  if (room) room.broughtJ += (dough.heatGivenK - before) * lot.heatJPerK;
}

function write(lot: LotInSimulation, hour: number): void {
  record(lot.course, lot.dough, hour - lot.lot.startHour, lot.stage);
}
