import type { AirReading } from './airReading';
import type { ProbeReading } from '../watch/probeReading';

/** A probe in a room. */
export interface ProbeInRoom {
  readonly zone: string;
  /** How much warmer than the room's air its zone is, °C. */
  readonly zoneC: number;
  /** In time's order, corrected. */
  readonly readings: readonly ProbeReading[];
}

/** A stretch of time as one figure. */
export interface Bucket {
  /** Its beginning, s since the epoch. */
  readonly atS: number;
  readonly readings: number;
  readonly meanC: number;
  readonly minC: number;
  readonly maxC: number;
}

/** Readings as one figure for each stretch of time in which there was one. @param everyS length of a stretch */
export function buckets(readings: readonly ProbeReading[], everyS: number): Bucket[] {
  const all: Bucket[] = [];
  let [atS, sum, count, minC, maxC] = [NaN, 0, 0, 0, 0];
  const close = () => {
    if (count > 0) all.push({ atS, readings: count, meanC: sum / count, minC, maxC });
  };
  for (const reading of readings) {
    const start = Math.floor(reading.atS / everyS) * everyS;
    if (start !== atS) {
      close();
      [atS, sum, count, minC, maxC] = [start, 0, 0, Infinity, -Infinity];
    }
    sum += reading.airC;
    count += 1;
    minC = Math.min(minC, reading.airC);
    maxC = Math.max(maxC, reading.airC);
  }
  close();
  return all;
}

/** One figure of a room's air for each so many seconds: short enough for a defrost, long enough for noise. */
export const AIR_EVERY_S = 10 * 60;

/**
 * A room's air from all its probes: each less what its zone is warmer by, their mean. In the hours of a
 * simulation.
 *
 * @param fromS hour 0, s since the epoch
 */
export function airOfRoom(probes: readonly ProbeInRoom[], fromS: number): AirReading[] {
  const sums = new Map<number, { sum: number; count: number }>();
  for (const { zoneC, readings } of probes) {
    for (const { atS, meanC } of buckets(readings, AIR_EVERY_S)) {
      const so = sums.get(atS) ?? { sum: 0, count: 0 };
      sums.set(atS, { sum: so.sum + meanC - zoneC, count: so.count + 1 });
    }
  }
  return [...sums]
    .map(([atS, { sum, count }]) => ({
      hour: (atS + AIR_EVERY_S / 2 - fromS) / 3600,
      airC: sum / count,
    }))
    .filter(({ hour }) => hour >= 0)
    .sort((a, b) => a.hour - b.hour);
}

/** Fewest stretches in which two probes both read before their difference is believed. */
const LEAST_SHARED = 36;

/**
 * How much warmer than the room's air each zone with a probe is, by the readings: differences are taken only
 * where all probes were read, and the mean over the probes stays as it was, so that the room's air keeps its
 * meaning.
 *
 * @returns each zone's own figure, °C, those without enough readings as they were
 */
export function zonesByReadings(probes: readonly ProbeInRoom[]): Readonly<Record<string, number>> {
  const was = Object.fromEntries(probes.map(({ zone, zoneC }) => [zone, zoneC]));
  const each = probes.map(
    ({ readings }) => new Map(buckets(readings, AIR_EVERY_S).map(({ atS, meanC }) => [atS, meanC])),
  );
  const [first] = each;
  if (!first || probes.length < 2) return was;
  const shared = [...first.keys()].filter((atS) => each.every((of) => of.has(atS)));
  if (shared.length < LEAST_SHARED) return was;
  const mean = (of: Map<number, number>) =>
    shared.reduce((sum, atS) => sum + (of.get(atS) ?? 0), 0) / shared.length;
  const means = each.map(mean);
  const roomC = means.reduce((sum, c) => sum + c, 0) / means.length;
  const wasMean = probes.reduce((sum, { zoneC }) => sum + zoneC, 0) / probes.length;
  return Object.fromEntries(
    probes.map(({ zone }, i) => [zone, (means[i] as number) - roomC + wasMean]),
  );
}
