import type { AlarmKind, AlarmRules, Cause, LikelyCause } from '@calm/core';
import { STANDARD_ALARM_RULES } from '../engine/vocabulary';

/** A probe was compared with a thermometer that is trusted. */
export interface CalibrationContent {
  /** From when it holds, ISO 8601. */
  readonly from: string;
  /** Added to what the probe shows, °C. */
  readonly offsetC: number;
}

/** Everything about a probe that a person edits. */
export interface ProbeContent {
  /** As loggers and their files name it. */
  readonly name: string;
  readonly placeId: string;
  /** The zone it hangs in. */
  readonly zone: string;
  readonly calibrations: readonly CalibrationContent[];
}

/** A probe in a cooled place. */
export interface Probe extends ProbeContent {
  readonly id: string;
  readonly version: number;
}

/** How a house looks after its cold. */
export interface ColdRules extends AlarmRules {
  /** Alarms are shown but do not ring from and until, minutes from local midnight; the end is on the next day. */
  readonly quietFromMin: number;
  readonly quietUntilMin: number;
  /** When somebody takes the temperatures by hand, minutes from local midnight. */
  readonly roundMins: readonly number[];
}

/** Until a house says otherwise. Starting values; the limit is the local code's to set. */
export const STANDARD_COLD_RULES: ColdRules = {
  ...STANDARD_ALARM_RULES,
  quietFromMin: 23 * 60 + 30,
  quietUntilMin: 6 * 60,
  roundMins: [10 * 60, 16 * 60],
};

/** Some readings of one probe: moments, s since the epoch, each with what it showed, °C. */
export interface ProbeReadings {
  /** Its name or its id. */
  readonly probe: string;
  readonly atS: readonly number[];
  readonly airC: readonly number[];
}

/** Readings that are posted together. */
export interface ReadingsStart {
  readonly probes: readonly ProbeReadings[];
}

/** Most readings in one post. */
export const READINGS_A_REQUEST = 20_000;

/** What became of a post. */
export interface ReadingsTaken {
  readonly added: number;
  /** At moments that were known already: those that were first stay. */
  readonly known: number;
}

/** Which column of a logger's file says what. */
export interface ReadingColumns {
  readonly time: string;
  readonly temp: string;
  /** Absent: the whole file is of one probe. */
  readonly probe?: string;
  readonly unit: 'C' | 'F';
  readonly dateOrder: 'year-first' | 'day-first' | 'month-first';
  /** By what clock the times are. */
  readonly clock: 'house' | 'utc';
  /** A probe of the house for each name in the file; null leaves it out. */
  readonly probes: Readonly<Record<string, string | null>>;
}

/** Something wrong with the cold. Instants are ISO 8601, UTC. */
export interface ColdAlarm {
  readonly id: string;
  readonly probeId: string;
  readonly kind: AlarmKind;
  readonly fromAt: string;
  /** Null while it goes on. */
  readonly untilAt: string | null;
  readonly worstC: number | null;
  readonly meanC: number | null;
  /** Most likely first. */
  readonly causes: readonly LikelyCause[];
  /** Null until somebody has said that they are on it. */
  readonly acknowledged: {
    readonly at: string;
    readonly personId: string | null;
    /** What they found. */
    readonly cause: Cause | null;
    readonly note: string;
  } | null;
  readonly version: number;
}

/** Somebody is on it. */
export interface AlarmAcknowledgement {
  readonly version: number;
  readonly cause: Cause | null;
  readonly note: string;
}

/** What people write down of the cold. */
export type ColdNoteContent =
  /** A temperature taken by hand. */
  | {
      readonly kind: 'round';
      readonly placeId: string;
      readonly zone: string;
      readonly airC: number;
    }
  /** Something that was done about it. */
  | { readonly kind: 'action'; readonly placeId: string; readonly note: string };

/** A note to be written; named by the device. */
export interface ColdNoteStart {
  readonly id: string;
  readonly at?: string;
  readonly content: ColdNoteContent;
}

/** A note as the house has it. It is never changed. */
export interface ColdNote {
  readonly id: string;
  readonly at: string;
  /** When the house took it; null for what is from before that was kept. */
  readonly receivedAt: string | null;
  readonly personId: string | null;
  readonly content: ColdNoteContent;
}
