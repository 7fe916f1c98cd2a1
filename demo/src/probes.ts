import {
  DAY_S,
  HOUR_S,
  simulateRoomsAndLots,
  type ColdSystem,
  type RoomCourse,
  type RoomEvent,
} from '@calm/core';
import { noise } from './noise';

/*
 * Temperature probes that stand in for real ones. The air they hang in is that of a hidden room: one whose
 * numbers are not the ones that the house believes. What they post has the faults of real loggers: noise, a
 * fixed error, a clock that drifts, readings that are lost, late, or sent twice.
 */

/** How one probe is. */
export interface ProbeNature {
  /** Its noise depends on this alone. */
  readonly key: string;
  /** How much warmer than the room's air it hangs, °C. */
  readonly zoneC: number;
  readonly everyS: number;
  readonly noiseC: number;
  /** What it shows too much, °C. */
  readonly errorC: number;
  /** What its clock gains in a day, s. */
  readonly gainsSADay: number;
  /** Shares of readings, 0–1. */
  readonly lost: number;
  readonly late: number;
  readonly twice: number;
}

/** An ordinary logger. */
export const USUAL_PROBE: Omit<ProbeNature, 'key' | 'zoneC'> = {
  everyS: 60,
  noiseC: 0.15,
  errorC: 0,
  gainsSADay: 4,
  lost: 0.01,
  late: 0.02,
  twice: 0.01,
};

/** A reading as it is sent. */
export interface Sent {
  /** As the probe's clock says, s since the epoch. */
  readonly atS: number;
  readonly airC: number;
  /** When it gets through, s since the epoch. */
  readonly sentS: number;
}

const chance = (key: string) => Math.min(0.999999, (noise(key) + 1) / 2);

/** Something near a bell curve with standard deviation 1: three even numbers, their sum scaled. */
const bell = (key: string) => noise(`${key}/a`) + noise(`${key}/b`) + noise(`${key}/c`);

/** The moments at which a probe reads are multiples of its interval: it starts again without another history. */
export function readingsOf(
  { key, zoneC, everyS, noiseC, errorC, gainsSADay, lost, late, twice }: ProbeNature,
  airAt: (atS: number) => number,
  fromS: number,
  toS: number,
): Sent[] {
  const all: Sent[] = [];
  for (let s = Math.ceil(fromS / everyS) * everyS; s < toS; s += everyS) {
    const at = `${key}/${s}`;
    if (chance(`${at}/lost`) < lost) continue;
    // Its clock is set right every Monday or so, and runs away until the next.
    const offS = Math.round(gainsSADay * ((s / DAY_S) % 7));
    const airC = Math.round(10 * (airAt(s) + zoneC + errorC + noiseC * bell(at))) / 10;
    const isLate = chance(`${at}/late`) < late;
    const sentS = s + (isLate ? Math.round(600 + 5400 * chance(`${at}/by`)) : 0);
    const reading = { atS: s + offS, airC, sentS };
    all.push(reading);
    if (chance(`${at}/twice`) < twice) all.push(reading);
  }
  return all.sort((a, b) => a.sentS - b.sentS);
}

/** A door that people use: more by day, hardly by night. Hours of the simulation, by the clock of its start. */
export function doorsOf(key: string, startS: number, hours: number): RoomEvent[] {
  const events: RoomEvent[] = [];
  for (let hour = 0; hour < hours; hour += 1) {
    const ofDay = (((startS / HOUR_S + hour) % 24) + 24) % 24;
    const openings = ofDay >= 7 && ofDay < 22 ? 4 : 0;
    for (let i = 0; i < openings; i += 1) {
      const at = `${key}/door/${Math.round(startS / HOUR_S) + hour}/${i}`;
      if (chance(at) < 0.35) continue;
      const minutes = 0.5 + 1.5 * chance(`${at}/long`);
      events.push({
        kind: 'door-open',
        fromHour: hour + chance(`${at}/when`),
        hours: minutes / 60,
      });
    }
  }
  return events;
}

/** Steps of the hidden room's air, min: short enough for a door. */
const TRUE_STEP_MIN = 2.5;

/**
 * The hidden rooms' air while some lots stand in them.
 *
 * @param house with the true rooms
 * @param startS hour 0, s since the epoch
 * @returns the air of a room at a moment, °C
 * @throws Error when the house cannot be simulated
 */
export function trueAir(
  house: ColdSystem,
  startS: number,
  hours: number,
  stepMin = TRUE_STEP_MIN,
): (room: string) => (atS: number) => number {
  const run = simulateRoomsAndLots(house, { hours, stepMin, beyondH: 0 });
  if (!run.ok) throw new Error(JSON.stringify(run.reasons));
  const stepS = stepMin * 60;
  return (name) => {
    const room = run.value.rooms.find((each) => each.name === name) as RoomCourse;
    return (atS) => {
      const i = Math.floor((atS - startS) / stepS);
      return room.airC[Math.max(0, Math.min(room.airC.length - 1, i))] as number;
    };
  };
}
