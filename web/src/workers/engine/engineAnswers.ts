import type {
  DiagnoseDocument,
  DosedDocument,
  DoseDocument,
  DoughDocument,
  DoughProblem,
  EquivalentDocument,
  NarrowDocument,
  NoDose,
} from '@calm/contract';
import type {
  equivalentDocument,
  ReadingDrawn,
  ReadingWish,
  WaitingLot,
  WhatNow,
} from '@calm/domain';
import type {
  Diagnosis,
  DoughRoute,
  NarrowedLot,
  ReadyBatch,
  Result,
  Simulation,
  WindowSpread,
} from '@calm/core';

/** A dough's way with how sure its window is, and the dough as it was in the bowl. */
export interface Way extends Simulation {
  readonly spread: WindowSpread | null;
  readonly bowl: DoughRoute;
}

/** What the engine says of a dough. */
export type SimulationAnswer = Result<Way, DoughProblem>;
/** What the engine says of a wanted peak. */
type DoseAnswer = Result<DosedDocument, NoDose>;

/** What the engine says of a lot that was looked at. */
export type NarrowAnswer = Result<NarrowedLot, DoughProblem>;

/** What the engine says of a fault. */
export type DiagnosisAnswer = Result<Diagnosis, DoughProblem>;

/** What the engine says of a lot that waits. */
export type WhatNowAnswer = Result<WhatNow, DoughProblem>;

/** What the odds are drawn from that a service's balls are enough; as `oddsOfEnough` takes it. */
export interface ServiceChances {
  readonly perQuarter: readonly number[];
  readonly cv: number;
  readonly batches: readonly ReadyBatch[];
  readonly fromMin: number;
}

/** What can be asked of the engine in its worker. */
export interface EngineInWorker {
  way(document: DoughDocument): SimulationAnswer;
  dose(document: DoseDocument): DoseAnswer;
  /** A lot's window by what was seen of it. */
  narrow(observed: NarrowDocument): NarrowAnswer;
  /** Minutes at other temperatures that come to the same. */
  equivalent(asked: EquivalentDocument): ReturnType<typeof equivalentDocument>;
  /** What can be done with a lot that waits. */
  whatNow(lot: WaitingLot): WhatNowAnswer;
  /** A dough to be read in practice; null where it is never so. */
  reading(wish: ReadingWish): ReadingDrawn | null;
  /** What may have been behind a fault. */
  diagnose(asked: DiagnoseDocument): DiagnosisAnswer;
  /** That a service's balls are enough at every minute, 0–1. */
  enough(chances: ServiceChances): number;
}
