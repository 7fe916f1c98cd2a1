import { levenbergMarquardt } from 'ml-levenberg-marquardt';
import { mean } from 'simple-statistics';
import { ROOM_OFF_BY, type Room } from '../room/room';
import { type AirReading } from '../room/airReading';
import { fail, ok, type Result } from '../../result';
import type { ColdSystem, ColdSystemFault } from './coldSystem';
import { simulateRoomsAndLots, type RoomCourse } from './simulateRoomsAndLots';

/** A room corrected by what was read in it. */
export interface RoomFit {
  readonly room: Room;
  /** How far predicted and read hourly means are apart, root mean square, °C, before and after. */
  readonly beforeC: number;
  readonly afterC: number;
  readonly readings: number;
}

/** Why a room's numbers stay as they are. */
export type NoFit =
  | ColdSystemFault
  | { readonly kind: 'too-few-readings'; readonly readings: number; readonly least: number };

/** Fewer readings than this say too little about four numbers. */
export const LEAST_READINGS = 12;
/** One reading's own error and where in the thermostat's swing it fell, °C; n in an hour share it. */
const READ_WITHIN_C = 0.4;
/** A mean of an hour is not known better than this, °C. */
const MEAN_WITHIN_C = 0.1;

/** A stretch in which something else worked on the room: a cut, a door that stood open. */
export interface NotItself {
  readonly fromHour: number;
  readonly toHour: number;
}

/**
 * Fits a room's loss, heat capacity, cooling and set point to the readings, and the hour at which its coil
 * thaws, with everything that stood in it simulated along. Hourly means are compared: when exactly the
 * compressor switched is chance. Regularised least squares: each number is also held near where it was, as
 * closely as `ROOM_OFF_BY` says it can be known beforehand, so that readings which do not tell about a
 * number leave it alone.
 * Method: Levenberg 1944, Marquardt 1963.
 *
 * @param house with the room's readings, and the lots that stood in it
 * @param name of the room
 * @param except stretches that say nothing about the room: the readings stand in for it there
 */
export function fitRoom(
  house: ColdSystem,
  name: string,
  except: readonly NotItself[] = [],
): Result<RoomFit, NoFit> {
  const own = house.rooms.find((room) => room.name === name);
  const readings = own?.readings ?? [];
  const isItself = (hour: number) =>
    !except.some(({ fromHour, toHour }) => hour >= fromHour && hour <= toHour);
  const telling = readings.filter(({ hour }) => isItself(hour));
  if (!own || telling.length < LEAST_READINGS) {
    return fail({ kind: 'too-few-readings', readings: telling.length, least: LEAST_READINGS });
  }
  const means = hourlyMeans(telling);
  const hours = Math.ceil(Math.max(...telling.map(({ hour }) => hour)) + 1);
  const given = readings.filter(({ hour }) => !isItself(hour));
  const airC = (readings[0] as AirReading).airC;
  const predict = (room: Room) => {
    const unread = { ...own, room, airC, readings: given };
    const rooms = house.rooms.map((other) => (other.name === name ? unread : other));
    return simulateRoomsAndLots({ ...house, rooms }, { hours, stepMin: STEP_MIN, beyondH: 0 });
  };
  const start = predict(own.room);
  if (!start.ok) return start;

  const predicted = (room: Room): number[] => {
    const run = predict(room);
    const course = run.ok ? run.value.rooms.find((other) => other.name === name) : undefined;
    const byHour = course ? meansOfHours(course) : new Map<number, number>();
    return means.map(({ hour }) => byHour.get(hour) ?? NaN);
  };
  const apart = (of: Room) => rootMeanSquare(predicted(of), means);
  const fit = (from: Room) => leastSquares(from, means, predicted, own.room);
  const { defrost } = own.room;
  let { room } = own;
  if (defrost && own.setting.clockHour !== undefined) {
    const { everyH } = defrost;
    const within = (middleH: number, byH: number, stepH: number) =>
      Array.from({ length: Math.ceil((2 * byH) / stepH) + 1 }, (_, i) =>
        thawing(room, (middleH - byH + i * stepH + everyH) % everyH),
      );
    room = fit(bestOf(within(everyH / 2, everyH / 2, 1 / 3), apart));
    room = fit(bestOf(within(room.defrost?.phaseH ?? 0, 1, 1 / 6), apart));
  } else room = fit(room);
  return ok({ room, beforeC: apart(own.room), afterC: apart(room), readings: telling.length });
}

const thawing = (room: Room, phaseH: number): Room => ({
  ...room,
  defrost: room.defrost && { ...room.defrost, phaseH },
});

function bestOf(rooms: readonly Room[], apart: (room: Room) => number): Room {
  const scored = rooms.map((room) => ({ room, apartC: apart(room) }));
  return scored.reduce((best, each) => (each.apartC < best.apartC ? each : best)).room;
}

/** The room whose numbers predict means best. @param near what they are held near, where that is not where the search begins */
function leastSquares(
  from: Room,
  means: readonly HourMean[],
  predicted: (room: Room) => number[],
  near: Room = from,
): Room {
  const weigh = (temps: readonly number[]) =>
    temps.map((tempC, i) => tempC / (means[i] as HourMean).withinC);
  const base = near.defrost && from.defrost ? { ...near, defrost: from.defrost } : near;
  const { parameterValues } = levenbergMarquardt(
    {
      x: [...means, ...UNMOVED].map((_, i) => i),
      y: [...weigh(means.map((mean) => mean.airC)), ...UNMOVED],
    },
    (moves) => {
      const all = [...weigh(predicted(moved(base, moves))), ...moves];
      return (i) => all[i] as number;
    },
    {
      initialValues: movesFrom(base, from),
      gradientDifference: 0.1,
      damping: 0.1,
      maxIterations: 20,
      errorTolerance: 1e-4,
    },
  );
  return moved(base, parameterValues);
}

const STEP_MIN = 5;

/** Mean of what was read within one hour. */
interface HourMean {
  readonly hour: number;
  readonly airC: number;
  readonly withinC: number;
}

function hourlyMeans(readings: readonly AirReading[]): HourMean[] {
  const byHour = new Map<number, number[]>();
  for (const { hour, airC } of readings) {
    const temps = byHour.get(Math.floor(hour));
    if (temps) temps.push(airC);
    else byHour.set(Math.floor(hour), [airC]);
  }
  return [...byHour].map(([hour, temps]) => ({
    hour,
    airC: mean(temps),
    withinC: Math.hypot(MEAN_WITHIN_C, READ_WITHIN_C / Math.sqrt(temps.length)),
  }));
}

/** Loss, heat capacity, cooling and set point, each in units of how far off it may be. */
const UNMOVED = [0, 0, 0, 0];

function moved(
  room: Room,
  [loss = 0, capacity = 0, cooling = 0, set = 0]: readonly number[],
): Room {
  return {
    ...room,
    lossWPerK: room.lossWPerK * ROOM_OFF_BY.lossWPerK ** loss,
    heatCapacityJPerK: room.heatCapacityJPerK * ROOM_OFF_BY.heatCapacityJPerK ** capacity,
    coolingW: room.coolingW * ROOM_OFF_BY.coolingW ** cooling,
    setC: room.setC + ROOM_OFF_BY.setC * set,
  };
}

/** Which moves lead from one room to another. */
const movesFrom = (base: Room, to: Room): number[] => [
  Math.log(to.lossWPerK / base.lossWPerK) / Math.log(ROOM_OFF_BY.lossWPerK),
  Math.log(to.heatCapacityJPerK / base.heatCapacityJPerK) / Math.log(ROOM_OFF_BY.heatCapacityJPerK),
  Math.log(to.coolingW / base.coolingW) / Math.log(ROOM_OFF_BY.coolingW),
  (to.setC - base.setC) / ROOM_OFF_BY.setC,
];

function meansOfHours({ hours, airC }: RoomCourse): Map<number, number> {
  const sums = new Map<number, { sum: number; count: number }>();
  hours.forEach((end, i) => {
    const hour = Math.floor(end - 1e-9);
    const so = sums.get(hour) ?? { sum: 0, count: 0 };
    sums.set(hour, { sum: so.sum + (airC[i] as number), count: so.count + 1 });
  });
  return new Map([...sums].map(([hour, { sum, count }]) => [hour, sum / count]));
}

function rootMeanSquare(predicted: readonly number[], means: readonly HourMean[]): number {
  return Math.sqrt(mean(means.map(({ airC }, i) => (airC - (predicted[i] as number)) ** 2)));
}
