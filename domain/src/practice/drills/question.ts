/** Numbers that a question or its explanation names, each in its own unit. */
export interface QuestionFacts {
  readonly tempsC?: Readonly<Record<string, number>>;
  readonly grams?: Readonly<Record<string, number>>;
  readonly counts?: Readonly<Record<string, number>>;
  readonly minutes?: Readonly<Record<string, number>>;
  readonly names?: Readonly<Record<string, string>>;
}

/** A number is wanted: wholly right within so much of what is right, and wrong from so far off on. */
export interface NumberQuestion {
  readonly kind: 'number';
  readonly skill: 'water' | 'scaling';
  readonly told: QuestionFacts;
  readonly unit: 'temperature' | 'mass';
  /** °C or g. */
  readonly right: number;
  /** As right, by another way of the trade. */
  readonly alsoRight?: number;
  readonly within: number;
  readonly wrongFrom: number;
}

/** One of a few is wanted; each is worth 0–1. */
export interface ChoiceQuestion {
  readonly kind: 'choice';
  readonly skill: 'trays' | 'faults' | 'cautions';
  /** Under which its words are. */
  readonly about: string;
  readonly told: QuestionFacts;
  readonly options: readonly ChoiceOption[];
}

/** What can be chosen, by the key of its words. */
export interface ChoiceOption {
  readonly key: string;
  readonly told?: QuestionFacts;
  /** 0–1 */
  readonly worth: number;
}

/** A cut is wanted that leaves so much on one side. */
export interface CutQuestion {
  readonly kind: 'cut';
  readonly skill: 'dividing';
  readonly wholeG: number;
  readonly wantedG: number;
  /** How thick the dough lies, in slices from one end to the other. */
  readonly thickness: readonly number[];
  /** Within this it passes, percent. */
  readonly tolerancePercent: number;
}

/** Something that is asked in a drill. */
export type DrillQuestion = NumberQuestion | ChoiceQuestion | CutQuestion;

/** What somebody says: a number in the question's unit, which of the choices, or where along the dough, 0–1. */
export type DrillAnswer = number;

/** What a piece weighs that is cut off at a share of the length, g. */
export function cutG({ wholeG, thickness }: CutQuestion, at: number): number {
  const all = thickness.reduce((sum, each) => sum + each, 0);
  const slices = at * thickness.length;
  const before = thickness.reduce(
    (sum, each, i) => sum + each * Math.min(1, Math.max(0, slices - i)),
    0,
  );
  return (wholeG * before) / all;
}

/**
 * How well a question was answered, 0–1.
 *
 * @example
 * scoreOf({ kind: 'number', right: 14, within: 1, wrongFrom: 6, … }, 15) // 1
 */
export function scoreOf(question: DrillQuestion, answer: DrillAnswer): number {
  switch (question.kind) {
    case 'number': {
      const { right, alsoRight = right, within, wrongFrom } = question;
      const off = Math.min(Math.abs(answer - right), Math.abs(answer - alsoRight));
      return fading(off, within, wrongFrom);
    }
    case 'choice':
      return question.options[answer]?.worth ?? 0;
    case 'cut': {
      const { wantedG, tolerancePercent } = question;
      const offPercent = (100 * Math.abs(cutG(question, answer) - wantedG)) / wantedG;
      return fading(offPercent, tolerancePercent, 6 * tolerancePercent);
    }
  }
}

/** 1 up to a bound, 0 from another on, evenly between. */
const fading = (off: number, within: number, wrongFrom: number): number =>
  Math.min(1, Math.max(0, (wrongFrom - off) / (wrongFrom - within)));
