import type { IngredientLimit, ReadyWindow } from '@calm/core';
import type { ColdAlarm, ColdNote, Probe } from './probe';

/** Means of ten minutes of one probe, corrected. */
export interface ProbeAir {
  readonly probeId: string;
  /** Beginning of each ten minutes, s since the epoch. */
  readonly atS: readonly number[];
  readonly meanC: readonly number[];
}

/** What a probe showed last, corrected. */
export interface LastReading {
  readonly probeId: string;
  readonly at: string;
  readonly airC: number;
}

/** How a lot stands against the holding limit of something in it. */
export interface LotHeld extends IngredientLimit {
  /** Minutes above it by now. */
  readonly minutes: number;
  /** When that is too long, epoch ms; null where it does not come to that. */
  readonly overMs: number | null;
}

/** How the balls of one product of a lot stand, as far as the cold has a part in it. */
export interface ColdLot {
  /** The lot's id; of one that is not begun, its code's letters and date. */
  readonly key: string;
  readonly code: string;
  readonly productId: string;
  readonly placeId: string;
  readonly zone: string | null;
  /** When it came off the mixer, or will, epoch ms: hours of windows count from there. */
  readonly mixedMs: number;
  /** As everything on record makes it … */
  readonly now: ReadyWindow;
  /** … and as it would be had every place kept the temperature it is set to. */
  readonly asSet: ReadyWindow;
  /** How long it has been warm, for each thing in it that the house limits; the first to be over first. */
  readonly held: readonly LotHeld[];
  /** At the moment that was asked about, °C; null before it is mixed. */
  readonly coreC: number | null;
  /** Its volume then, over the volume off the mixer. */
  readonly rise: number | null;
}

/** Everything about a house's cold at a moment. */
export interface ColdBoard {
  readonly at: string;
  readonly probes: readonly Probe[];
  readonly last: readonly LastReading[];
  /** Of the last days, and all that go on or nobody has acknowledged; newest first. */
  readonly alarms: readonly ColdAlarm[];
  /** Taken by hand and done, of the last days; newest first. */
  readonly notes: readonly ColdNote[];
  /** Ten-minute means of the last days. */
  readonly air: readonly ProbeAir[];
  readonly lots: readonly ColdLot[];
}

/** Days that a cold board looks back. */
export const COLD_DAYS_BACK = 4;

/** One probe on one day. */
export interface ProbeDay {
  readonly probeId: string;
  /** Local date. */
  readonly date: string;
  /** Null without a reading. */
  readonly summary: {
    readonly readings: number;
    readonly minC: number;
    readonly maxC: number;
    readonly meanC: number;
    readonly aboveMin: number;
    readonly unknownMin: number;
  } | null;
}

/** A day's line of one probe: means, a few hundred at most. */
export interface DayLine {
  readonly probeId: string;
  readonly atS: readonly number[];
  readonly meanC: readonly number[];
}

/** A day of the cold. */
export interface ColdDay {
  readonly date: string;
  readonly days: readonly ProbeDay[];
  readonly lines: readonly DayLine[];
}

/** The record of some days, as an inspector asks for it. */
export interface ColdRecord {
  readonly from: string;
  readonly days: readonly ProbeDay[];
  readonly alarms: readonly ColdAlarm[];
  readonly notes: readonly ColdNote[];
}
