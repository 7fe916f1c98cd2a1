import type { PracticeSkill } from './practice';

/** Work that somebody has to be ready for before they are planned for it alone. */
export const READINESS_WORKS = ['opens', 'large-loads', 'divides', 'pulls'] as const;
/** One of them. */
export type ReadinessWork = (typeof READINESS_WORKS)[number];

/** What somebody has to have practised. */
export interface PracticeNeed {
  readonly skill: PracticeSkill;
  /** How well at least, of a hundred, on average of the last. */
  readonly leastScore: number;
  /** How often at least … */
  readonly times: number;
  /** … and the last time no longer ago. */
  readonly withinDays: number;
}

/** What a house asks before somebody is planned alone for some work. */
export interface ReadinessRule {
  readonly work: ReadinessWork;
  /** Loads from so much dough on count as large, kg; of other work nothing. */
  readonly fromKg: number;
  readonly needs: readonly PracticeNeed[];
}
