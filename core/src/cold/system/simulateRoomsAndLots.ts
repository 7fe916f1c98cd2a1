import { fail, ok, type Result } from '../../result';
import { trimmed, type Course } from '../../ferment/run/course';
import { coldSystemFaults, type ColdSystem, type ColdSystemFault } from './coldSystem';
import { beginStepOf, closeStepOf, openRoom } from './openRoom';
import {
  beginLotStep,
  endLotStep,
  isOver,
  newLotInSimulation,
  settle,
  type LotInSimulation,
} from './lotInSimulation';
import { readWindow, type ReadyWindow } from '../../ferment/run/window';

/** A room's way: mean air of each step, °C, by the hour the step ended. */
export interface RoomCourse {
  readonly name: string;
  readonly hours: Float64Array;
  readonly airC: Float64Array;
  /** Energy taken out by the compressor and brought in by lots, J, since the start. */
  readonly cooledJ: number;
  readonly broughtJ: number;
}

/** A lot's way as far as the simulation goes. Hours count from its own mixer. */
export interface LotCourse {
  readonly name: string;
  /** Hour of the simulation at which it came off the mixer. */
  readonly startHour: number;
  readonly course: Course;
  readonly window: ReadyWindow;
  readonly mostMaturityH: number;
}

/** What came of simulating a house. */
export interface RoomsAndLotsResult {
  readonly rooms: readonly RoomCourse[];
  readonly lots: readonly LotCourse[];
}

/**
 * Quick enough to draw a week again while something is dragged: windows are then within two minutes of
 * those of one-minute steps.
 */
export const QUICK_STEP_MIN = 7.5;

/** How finely and how far. */
export interface RoomsAndLotsOptions {
  readonly hours: number;
  readonly stepMin?: number;
  /** Hours each lot is followed past its last stage, to find its window's end. */
  readonly beyondH?: number;
}

/**
 * Simulates cold rooms together with every lot: warm lots warm the air they stand in, and that air
 * moves every other lot's window. Each step is implicit in both: a lot's heat is linear in the air's
 * temperature until the air is known, so no step length makes it unstable and no joule is lost.
 *
 * @returns every room's and lot's way, or what is wrong with which lot
 */
export function simulateRoomsAndLots(
  house: ColdSystem,
  { hours, stepMin = QUICK_STEP_MIN, beyondH = 12 }: RoomsAndLotsOptions,
): Result<RoomsAndLotsResult, ColdSystemFault> {
  const faults = coldSystemFaults(house);
  if (faults.length > 0) return fail(...faults);
  const stepH = stepMin / 60;
  const steps = Math.ceil(hours / stepH);
  const rooms = house.rooms.map((room) => openRoom(room, steps));
  const lots = house.lots.map((lot) => newLotInSimulation(lot, rooms, beyondH));
  let toCome = lots.toSorted((a, b) => a.lot.startHour - b.lot.startHour);
  let abroad: LotInSimulation[] = [];
  for (let step = 0; step < steps; step += 1) {
    const tick = { fromHour: step * stepH, toHour: (step + 1) * stepH, stepH };
    for (; (toCome[0]?.lot.startHour ?? Infinity) < tick.toHour; toCome = toCome.slice(1)) {
      abroad.push(...toCome.slice(0, 1));
    }
    for (const room of rooms) beginStepOf(room, tick);
    for (const lot of abroad) beginLotStep(lot, tick);
    for (const room of rooms) closeStepOf(room, tick);
    for (const lot of abroad) endLotStep(lot, tick.toHour);
    if (abroad.some(isOver)) abroad = abroad.filter((lot) => !isOver(lot));
  }
  for (const lot of abroad) settle(lot, steps * stepH);
  return ok({
    rooms: rooms.map(({ from, hours: at, airC, air, broughtJ }) => ({
      name: from.name,
      hours: at,
      airC,
      cooledJ: air.cooledJ,
      broughtJ,
    })),
    lots: lots.map(({ lot, course, dough, target }) => {
      const { mostMaturityH } = dough.traits.limits;
      const window = readWindow(course, target, lot.route.stages.length - 1);
      return {
        name: lot.name,
        startHour: lot.startHour,
        course: trimmed(course),
        window,
        mostMaturityH,
      };
    }),
  });
}
