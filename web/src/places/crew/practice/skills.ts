import type { PracticeResult } from '@calm/contract';

/** What somebody can do, by what they practised. */
export interface Skill {
  readonly personId: string;
  readonly count: number;
  /** Of the last, 0–1. */
  readonly mean: number;
  /** How far they lie from each other, one standard deviation. */
  readonly spread: number;
  readonly lastAtMs: number;
}

/** So many of the last tell how well somebody reads now. */
const LAST = 24;

/** How well everybody reads dough who has practised it, whoever did so last first. */
export function readingSkills(results: readonly PracticeResult[]): Skill[] {
  const people = [...new Set(results.map(({ personId }) => personId))];
  return people
    .map((personId): Skill => {
      const own = results
        .filter((each) => each.personId === personId)
        .sort((a, b) => (a.at < b.at ? -1 : 1));
      const scores = own.flatMap(({ content }) => content.readings.map(({ score }) => score));
      const last = scores.slice(-LAST);
      const mean = last.reduce((sum, score) => sum + score, 0) / Math.max(1, last.length);
      const variance =
        last.reduce((sum, score) => sum + (score - mean) ** 2, 0) / Math.max(1, last.length);
      return {
        personId,
        count: scores.length,
        mean,
        spread: Math.sqrt(variance),
        lastAtMs: Date.parse(own.at(-1)?.at ?? ''),
      };
    })
    .sort((a, b) => b.lastAtMs - a.lastAtMs);
}
