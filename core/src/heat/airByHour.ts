import { DAY_MIN } from '../units';

/** A place's air from a minute of the day on, until the next one. */
export interface AirFrom {
  /** From midnight. */
  readonly fromMin: number;
  /** °C. */
  readonly airC: number;
}

/**
 * Mean air of a place over a stretch, by its day.
 *
 * @param day of any order; the last one of a day goes on past midnight
 * @param fromMin minutes from a midnight; may lie days ahead
 * @returns °C; null for a place that nothing is said of
 *
 * @example meanAirC([{ fromMin: 420, airC: 24 }, { fromMin: 1320, airC: 18 }], 360, 480) // 21
 */
export function meanAirC(day: readonly AirFrom[], fromMin: number, toMin: number): number | null {
  if (day.length === 0) return null;
  const sorted = [...day].sort((a, b) => a.fromMin - b.fromMin);
  const airAt = (minute: number) => {
    const ofDay = minute - Math.floor(minute / DAY_MIN) * DAY_MIN;
    return (sorted.findLast((each) => each.fromMin <= ofDay) ?? sorted.at(-1))?.airC ?? 0;
  };
  const endMin = Math.max(toMin, fromMin + 1);
  const days = Array.from(
    { length: Math.ceil((endMin - fromMin) / DAY_MIN) + 2 },
    (_, i) => Math.floor(fromMin / DAY_MIN) + i,
  );
  const changes = days
    .flatMap((each) => sorted.map((from) => each * DAY_MIN + from.fromMin))
    .filter((minute) => minute > fromMin && minute < endMin);
  const edges = [fromMin, ...changes, endMin];
  const sum = edges
    .slice(1)
    .reduce((total, to, i) => total + airAt(edges[i] as number) * (to - (edges[i] as number)), 0);
  return sum / (endMin - fromMin);
}
