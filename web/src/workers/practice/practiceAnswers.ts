import type {
  Debrief,
  Decision,
  DoughEveningSoFar,
  DoughSeen,
  Evening,
  OpensBetween,
} from '@calm/core';

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

/** When trays that were taken out open, as they were taken to and really. */
export interface OpensTold {
  readonly dough: number;
  readonly believed: OpensBetween | null;
  readonly really: OpensBetween | null;
}

/** An evening as it stands. */
export interface EveningSeen {
  readonly doughs: readonly DoughEveningSoFar[];
  /** What was found out at this moment. */
  readonly found: readonly FoundOut[];
  /** Of what was taken out at this moment: only a coach knows. */
  readonly opens: readonly OpensTold[];
}

/** What can be asked of the evenings' engine, in a worker of its own. */
export interface PracticeInWorker {
  seen(asked: EveningAsked & { readonly believed: Evening }): EveningSeen;
  /** The next moment at which something happens that is noticed. */
  nextEvent(asked: EveningAsked): number;
  /** @param onProgress told how much is done, 0–1 */
  debrief(
    asked: Omit<EveningAsked, 'moment'> & { readonly believed: Evening },
    onProgress: (share: number) => void,
  ): Debrief;
}
