import type {
  Action,
  AdvicePlace,
  AdviceReason,
  AdviceService,
  DoughStage,
  DoughTrouble,
} from '@calm/core';
import type { AcceptedConstant } from './acceptedConstant';
import type { DoughDocument, WindowDocument } from './dough';

/** Input of `calm advise`. Hours count from the mixer. */
export interface AdviseDocument extends DoughDocument {
  readonly nowHour: number;
  readonly services: readonly AdviceService[];
  readonly places: readonly AdvicePlace[];
  /** What is seen of it, where no number says so already. */
  readonly problem?: DoughTrouble;
}

/** Something that can be done with dough that waits, and what comes of it. */
export interface AdvisedChoice {
  readonly do: Action;
  /** Null is where it stands, or as planned. */
  readonly where: string | null;
  /** Where it goes after that, and when. */
  readonly then: { readonly where: string | null; readonly hour: number } | null;
  readonly fromHour: number;
  /** The dough's whole way then; null where it is not opened any more. */
  readonly stages: readonly DoughStage[] | null;
  /** Null where it never opens well. */
  readonly window: Omit<WindowDocument, 'spread'> | null;
  /** That a ball which is wanted opens well, 0–1. */
  readonly odds: number;
  /** Balls that open well of those wanted, of all services and of each. */
  readonly balls: number;
  readonly perService: readonly number[];
  readonly why: AdviceReason;
}

/** What `calm advise` answers, the best first; `why` in words. */
export interface AdvisedDocument {
  readonly choices: readonly (Omit<AdvisedChoice, 'why'> & { readonly why: string })[];
  /** With `problem`: numbers with which `calm simulate` of a choice's stages comes to what it says. */
  readonly constants?: readonly AcceptedConstant[];
}

/** Input of `calm equivalent`. */
export interface EquivalentDocument extends DoughDocument {
  /** Index of the stage that is warmer or colder. */
  readonly stage: number;
  readonly tempsC: readonly number[];
}

/** What `calm equivalent` answers: minutes, one for each temperature; null where no time comes to the same. */
export interface EquivalentAnswer {
  readonly minutes: readonly (number | null)[];
}
