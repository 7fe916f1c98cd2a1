/** What two lots are judged by. */
export const TRIAL_JUDGES = ['rise', 'opening', 'bake', 'taste'] as const;

export type TrialJudge = (typeof TRIAL_JUDGES)[number];

/** What somebody says of two lots whose names they are not told. */
export const VERDICTS = ['x', 'same', 'y'] as const;

export type Verdict = (typeof VERDICTS)[number];

/** POST a trial: two lots of one dough that differ in one thing. */
export interface TrialStart {
  readonly change: string;
  readonly judge: TrialJudge;
  /** As ever. */
  readonly controlLotId: string;
  /** With the one thing changed. */
  readonly changedLotId: string;
}

/** POST a verdict. */
export interface VerdictStart {
  readonly id: string;
  readonly choice: Verdict;
}

/** Two lots that are judged without knowing which is which. */
export interface Trial {
  readonly id: string;
  readonly version: number;
  readonly formulaName: string;
  readonly formulaVersion: number;
  readonly change: string;
  readonly judge: TrialJudge;
  readonly startedAt: string;
  readonly endedAt: string | null;
  /** Codes of the lots by what they are called on the plates; drawn by lot. */
  readonly codes: { readonly x: string; readonly y: string };
  readonly verdicts: Readonly<Record<Verdict, number>>;
  /** Which of them was changed; null until the trial is ended. */
  readonly changed: 'x' | 'y' | null;
  /** How often chance alone would part them so far, 0–1; null until it is ended, and without a verdict for either. */
  readonly chance: number | null;
}

/** PUT the end of a trial. */
export interface TrialEnd {
  readonly version: number;
}
