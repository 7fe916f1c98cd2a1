import { HOUR_S } from '../../units/time';
import { airAt, stepRoom, type RoomAir, type RoomDrive } from '../room/room';
import { readBetween } from '../room/airReading';
import { setDrive } from '../room/scenario';
import type { ColdSystemRoom } from './coldSystem';

/** One step of everything in the house. The step is the same number each time, to the last bit. */
export interface Tick {
  readonly fromHour: number;
  readonly toHour: number;
  readonly stepH: number;
}

/** A cold room while it is simulated with its lots. */
export interface OpenRoom {
  readonly from: ColdSystemRoom;
  readonly hours: Float64Array;
  readonly airC: Float64Array;
  readonly air: RoomAir;
  readonly drive: RoomDrive;
  /** Steps done. */
  done: number;
  /** Heat that lots have brought in since the start, J. */
  broughtJ: number;
}

/** A room at hour 0, with place for so many steps. */
export function openRoom(from: ColdSystemRoom, steps: number): OpenRoom {
  const { outsideC } = from.setting;
  return {
    from,
    hours: new Float64Array(steps),
    airC: new Float64Array(steps),
    air: airAt(from.airC),
    drive: {
      outsideC,
      doorShare: 0,
      coolingShare: 1,
      setOffC: 0,
      heaterW: 0,
      loadAtZeroW: 0,
      loadWPerK: 0,
    },
    done: 0,
    broughtJ: 0,
  };
}

/** Begins a step: nothing has given heat to the room yet. */
export function beginStepOf({ drive, from }: OpenRoom, { fromHour, toHour }: Tick): void {
  setDrive(drive, from.room, from.setting, fromHour, toHour);
  drive.loadAtZeroW = 0;
  drive.loadWPerK = 0;
}

/** Solves the room's air for a step, once all of its lots have said what they give. */
export function closeStepOf(room: OpenRoom, { fromHour, toHour, stepH }: Tick): void {
  const { from, air, drive, done } = room;
  stepRoom(from.room, air, drive, stepH * HOUR_S);
  const read = readBetween(from.readings, fromHour, toHour);
  if (read) {
    air.airC = read.endC;
    air.meanC = read.meanC;
  }
  room.hours[done] = toHour;
  room.airC[done] = air.meanC;
  room.done = done + 1;
}
