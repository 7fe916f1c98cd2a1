import type { AsIf, Place, WeekDocument } from '@calm/contract';
import type { FollowedLot, FollowedWeek, ServiceWaves } from '@calm/domain';
import type {
  Clash,
  Conflict,
  Demand,
  Mending,
  PlannedLot,
  Settling,
  StepRef,
  WeekProblem,
} from '@calm/core';

/** A lot as planned, with its waves of pulling. */
export interface FollowedPlanLot extends FollowedLot {
  /** The lot it was followed for. */
  readonly lot: PlannedLot;
  readonly waves: readonly ServiceWaves[];
}

/** A week as planned, with the rooms it stands in. */
export interface FollowedPlan extends Omit<FollowedWeek, 'lots'> {
  readonly lots: readonly FollowedPlanLot[];
}

/** What is followed: the week, the lots, and what is mixed already. */
export interface PlanQuestion {
  readonly document: WeekDocument;
  readonly lots: readonly PlannedLot[];
  readonly places: readonly Place[];
  readonly asIfs: readonly AsIf[];
  readonly mixed: readonly string[];
}

/** What can be asked of who follows dough, in a worker. */
export interface FollowerInWorker {
  /** Everything together with the rooms, until neither moves the other. */
  week(question: PlanQuestion): FollowedPlan;
  /** One lot of the week that was followed last, in its rooms as they were then; null before any was. */
  lot(lot: PlannedLot): FollowedPlanLot | null;
  mendings(
    problem: WeekProblem,
    lots: readonly PlannedLot[],
    conflict: Conflict,
    pins: readonly StepRef[],
  ): Mending[];
}

/** What can be asked of who settles weeks, in a worker. */
export interface SettlerInWorker {
  /**
   * Settles and goes on improving until told to stop, or nothing better can be, or the time is up.
   *
   * @param onBetter told of every better plan, and now and then of how it goes
   */
  settle(
    problem: WeekProblem,
    seconds: number,
    onBetter: (settling: Settling) => void,
  ): Promise<void>;
  stop(): void;
  clash(problem: WeekProblem, open: Demand): Clash | null;
}
