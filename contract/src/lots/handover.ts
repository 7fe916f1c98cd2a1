/** What a handover is about: what is in hand, what is not as planned, what to look after. */
export const HANDOVER_PARTS = ['running', 'changed', 'watch'] as const;
export type HandoverPart = (typeof HANDOVER_PARTS)[number];

/** One line of a handover, in the words of whoever hands over. */
export interface HandoverLine {
  readonly part: HandoverPart;
  readonly text: string;
}

/** A shift's word to the next one. */
export interface HandoverStart {
  /** When, by the device, ISO 8601; now when absent. */
  readonly at?: string;
  readonly lines: readonly HandoverLine[];
  readonly note: string;
}

/** A handover as the house has it. */
export interface Handover {
  readonly id: string;
  readonly at: string;
  /** When the house took it; null for what is from before that was kept. */
  readonly receivedAt: string | null;
  readonly personId: string | null;
  readonly lines: readonly HandoverLine[];
  readonly note: string;
  /** Who has read it, and when; null until somebody has. */
  readonly read: { readonly at: string; readonly personId: string | null } | null;
}
