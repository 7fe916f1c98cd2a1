import type { Assumption, Place, WeekDocument } from '@calm/contract';
import type {
  Rehearsal,
  RehearsalAsked,
  SimulatedLot,
  SimulatedWeek,
  WavesWithOdds,
} from '@calm/domain';
import type {
  Clash,
  Conflict,
  Demand,
  ConflictFix,
  PlannedLot,
  SolverProgress,
  StepRef,
  WeekProblem,
} from '@calm/core';

/** A lot as planned, with its waves of pulling. */
export interface SimulatedPlanLot extends SimulatedLot {
  /** The lot it was followed for. */
  readonly lot: PlannedLot;
  readonly waves: readonly WavesWithOdds[];
}

/** A week as planned, with the rooms it stands in. */
export interface SimulatedPlan extends Omit<SimulatedWeek, 'lots'> {
  readonly lots: readonly SimulatedPlanLot[];
}

/** What is followed: the week, the lots, and what is mixed already. */
export interface PlanQuestion {
  readonly document: WeekDocument;
  readonly lots: readonly PlannedLot[];
  readonly places: readonly Place[];
  readonly assumptions: readonly Assumption[];
  readonly mixed: readonly string[];
}

/** What can be asked of who follows dough, in a worker. */
export interface SimulatorInWorker {
  /** Everything together with the rooms, until neither moves the other. */
  week(question: PlanQuestion): SimulatedPlan;
  /** One lot of the week that was followed last, in its rooms as they were then; null before any was. */
  lot(lot: PlannedLot): SimulatedPlanLot | null;
  fixes(
    problem: WeekProblem,
    lots: readonly PlannedLot[],
    conflict: Conflict,
    pins: readonly StepRef[],
  ): ConflictFix[];
}

/** What can be asked of who settles weeks, in a worker. */
export interface OptimizerInWorker {
  /**
   * Settles and goes on improving until told to stop, or nothing better can be, or the time is up.
   *
   * @param onBetter told of every better plan, and now and then of how it goes
   * @returns how it stood at the end; null where nothing was found in time
   */
  optimize(
    problem: WeekProblem,
    seconds: number,
    onBetter: (progress: SolverProgress) => void,
  ): Promise<SolverProgress | null>;
  stop(): void;
  clash(problem: WeekProblem, open: Demand): Clash | null;
  /** What of that which found no place cannot be made even by itself. */
  impossible(problem: WeekProblem, open: readonly Demand[]): readonly Demand[];
}

/** What can be asked of who rehearses plans, in a worker. */
export interface RehearsalInWorker {
  /**
   * Null when it was stopped.
   *
   * @param onProgress told how much is done, 0–1
   */
  rehearse(asked: RehearsalAsked, onProgress: (share: number) => void): Promise<Rehearsal | null>;
  stop(): void;
}
