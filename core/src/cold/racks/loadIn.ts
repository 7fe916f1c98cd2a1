import { fail, ok, type Result } from '../../result';
import { simulateRoomsAndLots, type RoomsAndLotsResult } from '../system/simulateRoomsAndLots';
import { type ColdSystem, type ColdSystemFault, type ColdSystemLot } from '../system/coldSystem';
import type { Container } from '../../formula/route';
import type { DoughRoute } from '../../ferment';

/** Warm balls that are to go into a cold room. */
export interface LoadIn {
  readonly room: string;
  /** Their dough, shaped, as warm as it is now. */
  readonly route: Omit<DoughRoute, 'stages'>;
  /** Hours from the simulation's start at which the first of them go in. */
  readonly fromHour: number;
  readonly trays: number;
  readonly kgATray: number;
  readonly zone?: string;
}

/** One way of bringing them in: shares of the trays, hours after the first. */
export interface LoadInWay {
  readonly name: string;
  readonly container: Container;
  readonly goes: readonly { readonly afterH: number; readonly trays: number }[];
}

/** What a way does to the room and to what stands in it. */
export interface LoadInEffect {
  readonly name: string;
  /** Warmest air, mean of a step, °C. */
  readonly peakC: number;
  /** Most that it warms the air, mean of an hour, °C. */
  readonly warmerC: number;
  /** Minutes the room's air, mean of an hour, is above the limit because of it. */
  readonly aboveMin: number;
  /** Hours after the first go until the room is back within half a degree of what it would be; null if not in time. */
  readonly backAfterH: number | null;
  /** Hours until the core of the last balls in is under the limit; null if not in time. */
  readonly coldAfterH: number | null;
  /** How much earlier the lot that it hurts most gets to its peak, min; 0 for none. */
  readonly earlierMin: number;
}

/** How long after the first go the room is looked at, h. */
export const LOAD_IN_LOOK_H = 16;
/** As good as it would be, °C. */
const BACK_WITHIN_C = 0.5;
const STEP_MIN = 7.5;

/**
 * Compares ways of bringing warm trays into a cold room: each is simulated together with everything that
 * stands there, next to the room without them.
 *
 * @param house rooms with their readings, and the lots that stand in them
 * @param limitC the house's own limit, °C
 * @param simulatedH how far other lots are followed, h from the simulation's start
 */
export function compareLoadIns(
  house: ColdSystem,
  load: LoadIn,
  ways: readonly LoadInWay[],
  { limitC, simulatedH }: { limitC: number; simulatedH: number },
): Result<LoadInEffect[], ColdSystemFault> {
  const hours = Math.max(simulatedH, load.fromHour + LOAD_IN_LOOK_H);
  const run = (lots: readonly ColdSystemLot[]) =>
    simulateRoomsAndLots(
      { ...house, lots: [...house.lots, ...lots] },
      { hours, stepMin: STEP_MIN },
    );
  const without = run([]);
  if (!without.ok) return without;
  const effects: LoadInEffect[] = [];
  for (const way of ways) {
    const within = run(lotsOf(load, way));
    if (!within.ok) return fail(...within.reasons);
    effects.push(effectOf(load, way, limitC, without.value, within.value));
  }
  return ok(effects);
}

/** Trays that are tried at most. */
const MOST_TRAYS = 200;

/**
 * How many of some warm trays may go in at once before the room's air passes the limit because of them.
 * More trays warm it more, so the number is found by halving.
 */
export function mostAtOnce(
  house: ColdSystem,
  load: LoadIn,
  container: Container,
  options: { limitC: number; simulatedH: number },
): Result<number, ColdSystemFault> {
  const passes = (trays: number): Result<boolean, ColdSystemFault> => {
    const way = { name: 'once', container, goes: [{ afterH: 0, trays }] };
    const effects = compareLoadIns(house, { ...load, trays }, [way], options);
    return effects.ok ? ok((effects.value[0]?.aboveMin ?? 0) > 0) : effects;
  };
  let [fits, tooMany] = [0, MOST_TRAYS + 1];
  while (tooMany - fits > 1) {
    const trays = Math.floor((fits + tooMany) / 2);
    const over = passes(trays);
    if (!over.ok) return over;
    if (over.value) tooMany = trays;
    else fits = trays;
  }
  return ok(fits);
}

const NAME = 'load-in';

/** Each go as a lot of its own, which stands in the room until it is cold through. */
function lotsOf(load: LoadIn, { container, goes }: LoadInWay): ColdSystemLot[] {
  return goes
    .filter(({ trays }) => trays > 0)
    .map(({ afterH, trays }, i) => ({
      name: `${NAME}/${i}`,
      startHour: load.fromHour + afterH,
      doughKg: trays * load.kgATray,
      route: {
        ...load.route,
        stages: [
          {
            kind: 'ball',
            hours: LOAD_IN_LOOK_H,
            airTempC: 4,
            container,
            room: load.room,
            ...(load.zone !== undefined && { zone: load.zone }),
          },
        ],
      },
    }));
}

function effectOf(
  { room, fromHour }: LoadIn,
  { name }: LoadInWay,
  limitC: number,
  without: RoomsAndLotsResult,
  within: RoomsAndLotsResult,
): LoadInEffect {
  const air = within.rooms.find((each) => each.name === room);
  const plain = without.rooms.find((each) => each.name === room);
  const from = air ? air.hours.findIndex((hour) => hour > fromHour) : -1;
  const until = air ? air.hours.findIndex((hour) => hour > fromHour + LOAD_IN_LOOK_H) : -1;
  const end = until < 0 ? (air?.hours.length ?? 0) : until;
  let [peakC, warmerC, aboveMin, lastOffHour] = [-Infinity, 0, 0, fromHour];
  for (let i = Math.max(0, from); air && plain && i < end; i += 1) {
    peakC = Math.max(peakC, air.airC[i] as number);
    // Over an hour: when exactly the compressor switches is chance.
    const [hourC, elseC] = [meanAround(air.airC, i), meanAround(plain.airC, i)];
    if (hourC > limitC && elseC <= limitC) aboveMin += STEP_MIN;
    const off = hourC - elseC;
    warmerC = Math.max(warmerC, off);
    if (off > BACK_WITHIN_C) lastOffHour = air.hours[i] as number;
  }
  const lastHour = fromHour + LOAD_IN_LOOK_H;
  return {
    name,
    peakC,
    warmerC,
    aboveMin,
    backAfterH: lastOffHour >= lastHour - 1 ? null : lastOffHour - fromHour,
    coldAfterH: coldAfter(within, limitC, fromHour),
    earlierMin: mostEarlier(without, within),
  };
}

const HALF_HOUR = Math.round(30 / STEP_MIN);
function meanAround(airC: Float64Array, at: number): number {
  let [sum, count] = [0, 0];
  for (let i = Math.max(0, at - HALF_HOUR); i <= at + HALF_HOUR && i < airC.length; i += 1) {
    sum += airC[i] as number;
    count += 1;
  }
  return sum / count;
}

/** Hours from the first go until every ball that came in is under a temperature in its middle. */
function coldAfter({ lots }: RoomsAndLotsResult, limitC: number, fromHour: number): number | null {
  let latest: number | null = null;
  for (const { name, course, startHour } of lots) {
    if (!name.startsWith(`${NAME}/`)) continue;
    const at = course.coreTempsC.findIndex((coreC, i) => i < course.length && coreC <= limitC);
    if (at < 0) return null;
    latest = Math.max(latest ?? 0, startHour + (course.hours[at] as number) - fromHour);
  }
  return latest;
}

function mostEarlier(without: RoomsAndLotsResult, within: RoomsAndLotsResult): number {
  return without.lots.reduce((most, { name, window }) => {
    const now = within.lots.find((lot) => lot.name === name)?.window;
    if (window.kind !== 'ready' || now?.kind !== 'ready') return most;
    return Math.max(most, Math.round((window.peakHour - now.peakHour) * 60));
  }, 0);
}
