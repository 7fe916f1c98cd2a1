import type { LearnedWork, WorkKey } from '@calm/core';
import type { AcceptedConstant } from '../engine/acceptedConstant';
import type { LearnedDocument } from '../engine/observedLot';

/** What became of a proposal. One that is taken back counts no more; what came after it stays. */
export const PROPOSAL_STATES = ['proposed', 'later', 'accepted', 'taken-back'] as const;

export type ProposalState = (typeof PROPOSAL_STATES)[number];

/** How far rises at opening were foretold wrongly, percent. */
export interface RiseErrors {
  readonly before: number;
  readonly after: number;
}

/** By how many minutes windows open and end later; earlier below nothing. */
export interface WindowMoves {
  readonly opens: number;
  readonly ends: number;
}

/** A number of the house's own as its lots say it is: by so much other than what was in force when it was proposed. */
export interface LearnedProposal extends AcceptedConstant {
  readonly id: string;
  readonly version: number;
  readonly madeAt: string;
  readonly sdBefore: number;
  readonly sdAfter: number;
  /** Codes of the lots behind it. */
  readonly lots: readonly string[];
  readonly riseErrorPercent: RiseErrors;
  /** By how many minutes windows open and end later with it; null where none can be told. */
  readonly laterMin: WindowMoves | null;
  readonly state: ProposalState;
  readonly decidedAt: string | null;
  readonly personId: string | null;
}

/** What a house's lots say of all its numbers, moved or not. */
export interface HouseFit extends LearnedDocument {
  readonly at: string;
  /** Lots with something seen or measured of them. */
  readonly lots: number;
  /** Work that takes longer than planned, or less; absent where that was not asked yet. */
  readonly work?: readonly LearnedWork[];
}

/** A house's own numbers. */
export interface LearnedNumbers {
  /** What is reckoned with for dough that begins now. */
  readonly inForce: readonly AcceptedConstant[];
  /** Newest first. */
  readonly proposals: readonly LearnedProposal[];
  /** Null until the house has learned for the first time. */
  readonly fit: HouseFit | null;
}

/** POST a kind of work, for its minutes on every route to be what it was learned to take. */
export interface WorkToPlan {
  readonly kind: WorkKey;
}

/** PUT what becomes of a proposal. */
export interface ProposalDecision {
  readonly version: number;
  readonly state: Exclude<ProposalState, 'proposed'>;
}
