import type { DoughForm, Look, Warmth } from '@calm/core';

/** What can be practised. */
export const PRACTICE_SKILLS = [
  'reading',
  'evening',
  'water',
  'scaling',
  'dividing',
  'trays',
  'faults',
  'cautions',
] as const;
/** One of it. */
export type PracticeSkill = (typeof PRACTICE_SKILLS)[number];

/** What is asked and answered one at a time. */
export type DrillSkill = Exclude<PracticeSkill, 'reading' | 'evening'>;

/** One dough that was read: of which kind it was, and how well. */
export interface ReadingDone {
  /** A ball where it is not said, as all were that were read first. */
  readonly form?: DoughForm;
  readonly found: Look;
  readonly warmth: Warmth;
  /** 0–1 */
  readonly score: number;
}

/** A round of doughs that were read. */
export interface ReadingRound {
  readonly kind: 'reading';
  readonly readings: readonly ReadingDone[];
}

/** An evening that was run to its end. Costs are guests sent away, and what is worth as much. */
export interface EveningDone {
  readonly kind: 'evening';
  /** Which it was, by its name. */
  readonly situation: string;
  /** 0–1 */
  readonly score: number;
  readonly cost: number;
  readonly best: number;
  readonly plain: number;
}

/** A round of a drill: how well each was answered, 0–1. */
export interface DrillDone {
  readonly kind: 'drill';
  readonly skill: DrillSkill;
  readonly scores: readonly number[];
}

/** What somebody practised, and how it went. */
export type PracticeContent = ReadingRound | EveningDone | DrillDone;

/** What somebody practised, as a device tells it. */
export interface PracticeStart {
  /** Named by the device: told twice it counts once. */
  readonly id: string;
  /** When, by the device, ISO 8601; now when absent. */
  readonly at?: string;
  readonly content: PracticeContent;
}

/** Something that somebody practised. Nothing else of practice is kept. */
export interface PracticeResult {
  readonly id: string;
  readonly personId: string;
  readonly at: string;
  readonly receivedAt: string | null;
  readonly content: PracticeContent;
}
