/** Whose steps a calendar shows. */
export const CALENDAR_CONTENTS = ['own', 'house'] as const;
export type CalendarContent = (typeof CALENDAR_CONTENTS)[number];

/** A calendar to be let in. */
export interface CalendarLinkStart {
  readonly content: CalendarContent;
}

/**
 * A link that somebody's calendar follows by itself: whoever has it reads those steps of the plan, and nothing else.
 * Instants are ISO 8601, UTC.
 */
export interface CalendarLink extends CalendarLinkStart {
  readonly id: string;
  readonly issuedAt: string;
  /** When a calendar last read it, within minutes; null before one first does. */
  readonly lastSeenAt: string | null;
}

/** A link with its secret, which is told this once: the house keeps only its hash. */
export interface CalendarLinkIssued {
  readonly link: CalendarLink;
  readonly secret: string;
}
