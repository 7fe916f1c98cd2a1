import { firstIndex } from '../../numerics';

/** A room's air as a probe or a person read it. */
export interface AirReading {
  readonly hour: number;
  readonly airC: number;
}

/** Readings no further apart than this stand for the time between them; further apart, only for themselves. */
const JOINED_WITHIN_H = 2;

/**
 * The air that was read between two hours.
 *
 * @param readings in time's order
 * @returns mean and last temperature, °C, or null where nobody can say
 */
export function readBetween(
  readings: readonly AirReading[],
  fromHour: number,
  toHour: number,
): { readonly meanC: number; readonly endC: number } | null {
  if (readings.length === 0) return null;
  const next = firstFrom(readings, toHour);
  const [before, after] = [readings[next - 1], readings[next]];
  if (!before || !after || after.hour - before.hour > JOINED_WITHIN_H) {
    const here = after?.hour === toHour ? after : before;
    return here && here.hour > fromHour ? at(here) : null;
  }
  const airAt = (hour: number) =>
    before.airC + ((after.airC - before.airC) * (hour - before.hour)) / (after.hour - before.hour);
  return { meanC: airAt((Math.max(fromHour, before.hour) + toHour) / 2), endC: airAt(toHour) };
}

/** Index of the first reading that is not before an hour; past the end when there is none. */
const firstFrom = (readings: readonly AirReading[], hour: number): number =>
  firstIndex(readings.length, (i) => (readings[i] as AirReading).hour >= hour);

const at = ({ airC }: AirReading) => ({ meanC: airC, endC: airC });
