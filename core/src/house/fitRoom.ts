import { levenbergMarquardt } from 'ml-levenberg-marquardt';
import { mean } from 'simple-statistics';
import { ROOM_OFF_BY, type AirReading, type Room } from '../heat';
import { cannot, done, type Outcome } from '../outcome';
import type { House, HouseFault } from './house';
import { simulateTogether, type RoomCourse } from './together';

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
  | HouseFault
  | { readonly kind: 'too-few-readings'; readonly readings: number; readonly least: number };

/** Fewer readings than this say too little about four numbers. */
export const LEAST_READINGS = 12;
/** One reading's own error and where in the thermostat's swing it fell, °C; n in an hour share it. */
const READ_WITHIN_C = 0.4;
/** A mean of an hour is not known better than this, °C. */
const MEAN_WITHIN_C = 0.1;

/**
 * Fits a room's loss, heat capacity, cooling and set point to the readings, with everything that
 * stood in it simulated along. Hourly means are compared: when exactly the compressor switched is
 * chance. Regularised least squares: each number is also held near where it was, as closely as
 * `ROOM_OFF_BY` says it can be known beforehand, so that readings which do not tell about a number
 * leave it alone.
 * Method: Levenberg 1944, Marquardt 1963.
 *
 * @param house with the room's readings, and the lots that stood in it
 * @param name of the room
 */
export function fitRoom(house: House, name: string): Outcome<RoomFit, NoFit> {
  const own = house.rooms.find((room) => room.name === name);
  const readings = own?.readings ?? [];
  if (!own || readings.length < LEAST_READINGS) {
    return cannot({ kind: 'too-few-readings', readings: readings.length, least: LEAST_READINGS });
  }
  const means = hourlyMeans(readings);
  const hours = Math.ceil(Math.max(...readings.map(({ hour }) => hour)) + 1);
  const airC = (readings[0] as AirReading).airC;
  const predict = (room: Room) => {
    const unread = { ...own, room, airC, readings: [] };
    const rooms = house.rooms.map((other) => (other.name === name ? unread : other));
    return simulateTogether({ ...house, rooms }, { hours, stepMin: STEP_MIN, beyondH: 0 });
  };
  const start = predict(own.room);
  if (!start.ok) return start;

  const predicted = (room: Room): number[] => {
    const run = predict(room);
    const course = run.ok ? run.value.rooms.find((other) => other.name === name) : undefined;
    return means.map(({ hour }) => (course ? meanOfHour(course, hour) : NaN));
  };
  const weigh = (temps: readonly number[]) =>
    temps.map((tempC, i) => tempC / (means[i] as HourMean).withinC);
  const { parameterValues } = levenbergMarquardt(
    {
      x: [...means, ...UNMOVED].map((_, i) => i),
      y: [...weigh(means.map((mean) => mean.airC)), ...UNMOVED],
    },
    (moves) => {
      const all = [...weigh(predicted(moved(own.room, moves))), ...moves];
      return (i) => all[i] as number;
    },
    {
      initialValues: UNMOVED,
      gradientDifference: 0.1,
      damping: 0.1,
      maxIterations: 20,
      errorTolerance: 1e-4,
    },
  );
  const room = moved(own.room, parameterValues);
  const apart = (of: Room) => rootMeanSquare(predicted(of), means);
  return done({
    room,
    beforeC: apart(own.room),
    afterC: apart(room),
    readings: readings.length,
  });
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

function meanOfHour({ hours, airC }: RoomCourse, hour: number): number {
  return mean([...airC].filter((_, i) => Math.floor((hours[i] as number) - 1e-9) === hour));
}

function rootMeanSquare(predicted: readonly number[], means: readonly HourMean[]): number {
  return Math.sqrt(mean(means.map(({ airC }, i) => (airC - (predicted[i] as number)) ** 2)));
}
