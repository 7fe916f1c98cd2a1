import type { Look, Warmth } from '@calm/core';

/** One dough that was read: of which kind it was, and how well. */
export interface ReadingDone {
  readonly found: Look;
  readonly warmth: Warmth;
  /** 0–1 */
  readonly score: number;
}

/** What somebody practised, and how it went. */
export type PracticeContent = {
  readonly kind: 'reading';
  readonly readings: readonly ReadingDone[];
};

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
