import type { DiagnosedLot, Fault, FaultCause } from '@calm/core';
import type { DoughDocument } from './dough';

/** A lot whose dough was not as it should be, with what is on record of it. Hours count from the mixer. */
export interface FaultyLotDocument extends Omit<
  DiagnosedLot,
  'route' | 'target' | 'weighed' | 'isCovered'
> {
  /** As it was planned. */
  readonly dough: DoughDocument;
  /** By the ingredient's name; yeast, salt and water tell something. */
  readonly weighed?: readonly {
    readonly ingredient: string;
    readonly grams: number;
    readonly wantedG: number;
  }[];
  /** How its trays or tubs stood. */
  readonly cover?: 'closed' | 'open';
}

/** Input of `calm diagnose`. */
export interface DiagnoseDocument {
  readonly faults: readonly Fault[];
  /** A fault alone is a guide. */
  readonly lot?: FaultyLotDocument;
  readonly lastGood?: readonly FaultyLotDocument[];
}

/** What `calm diagnose` answers. */
export interface DiagnosedDocument {
  /** The likeliest first. */
  readonly causes: readonly {
    readonly cause: FaultCause;
    /** 0–1. */
    readonly odds: number;
    readonly for: readonly string[];
    readonly against: readonly string[];
    readonly settleBy: string;
    readonly tryFirst: string;
  }[];
  readonly isTold: boolean;
  /** What would tell, where it was not written down. */
  readonly missing: readonly string[];
}
