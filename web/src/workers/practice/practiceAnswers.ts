import type {
  Debrief,
  Decision,
  DoughEveningSoFar,
  DoughSeen,
  Evening,
  OpensBetween,
} from '@calm/core';
import type { DrillSkill, HouseBook, LotLog } from '@calm/contract';
import type { DoughAsItWent, DrillQuestion } from '@calm/domain';

/** An evening until a moment, with what was decided. */
export interface EveningAsked {
  readonly really: Evening;
  readonly decisions: readonly Decision[];
  readonly moment: number;
}

/** What a close look showed, or what somebody said who was asked. */
export type FoundOut = { readonly dough: number } & (
  | { readonly kind: 'look'; readonly tray: number; readonly seen: DoughSeen }
  | { readonly kind: 'call'; readonly opens: readonly (OpensBetween | null)[] }
);

/** What a coach says of something that was just done with a dough. */
export type Coached = { readonly dough: number } & (
  | {
      readonly about: 'pull' | 're-ball' | 'mix';
      /** When it opens, as it is taken to be and really. */
      readonly believed: OpensBetween | null;
      readonly really: OpensBetween | null;
    }
  | { readonly about: 'chill'; readonly isKept: boolean }
  | { readonly about: 'discard' | 'stop' }
);

/** An evening as it stands. */
export interface EveningSeen {
  readonly doughs: readonly DoughEveningSoFar[];
  /** What was found out at this moment. */
  readonly found: readonly FoundOut[];
  /** Of what was done at this moment: only a coach knows. */
  readonly coached: readonly Coached[];
}

/** What is asked in a drill: on whose doughs, of what. */
interface DrillAsked {
  readonly book: HouseBook;
  readonly skill: DrillSkill;
  readonly seed: number;
}

/** What can be asked of practice's engine, in a worker of its own. */
export interface PracticeInWorker {
  /** A question of a drill; null where the house has no dough to ask about. */
  drill(asked: DrillAsked): DrillQuestion | null;
  seen(asked: EveningAsked & { readonly believed: Evening }): EveningSeen;
  /** How the doughs of a past evening went, by the record of their lots. */
  doughsAsTheyWent(asked: {
    readonly book: HouseBook;
    readonly logs: readonly LotLog[];
    /** How much warmer the cold was than it is set to, °C. */
    readonly coldBy: number;
  }): DoughAsItWent[];
  /** The next moment at which something happens that is noticed. */
  nextEvent(asked: EveningAsked): number;
  /** @param onProgress told how much is done, 0–1 */
  debrief(
    asked: Omit<EveningAsked, 'moment'> & { readonly believed: Evening },
    onProgress: (share: number) => void,
  ): Debrief;
}
