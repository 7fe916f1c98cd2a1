import type { PlannedStage } from '@calm/core';
import type { Lot } from './lot';
import type { Baking, LotRecord, Opening } from './record';

/** What is looked for in the log. */
export interface LogQuery {
  /** Service dates, both included. */
  readonly from?: string;
  readonly to?: string;
  readonly formulaId?: string;
  /** Part of a lot's code or of its note. */
  readonly text?: string;
  /** Lots that opened or baked so. */
  readonly found?: Opening | Baking;
  /** Reads on after a lot: the last one read. */
  readonly after?: string;
}

/** One lot as the log lists it. */
export interface LogLine {
  readonly id: string;
  readonly code: string;
  readonly serviceDate: string;
  readonly formulaId: string;
  readonly items: readonly { readonly name: string; readonly count: number }[];
  readonly isWithdrawn: boolean;
  /** How far dough came off the mixer from what was wanted, over all loads, °C; null when not taken. */
  readonly offC: number | null;
  readonly opened: Opening | null;
  readonly baked: Baking | null;
  /** Balls left over; null when nobody counted. */
  readonly left: number | null;
  readonly hasNote: boolean;
}

/** Some lots, newest service first. */
export interface LogPage {
  readonly lots: readonly LogLine[];
  /** What to read on after; null at the end. */
  readonly after: string | null;
}

/** Everything on record of one lot. */
export interface LotLog {
  readonly lot: Lot;
  readonly isWithdrawn: boolean;
  /** As it was planned when it started; null for lots from before plans were kept. */
  readonly planned: readonly PlannedStage[] | null;
  readonly records: readonly LotRecord[];
}
