import {
  PRACTICE_SKILLS,
  type PracticeContent,
  type PracticeResult,
  type PracticeSkill,
} from '@calm/contract';

/** How well somebody does something, by what they practised. */
export interface PersonSkill {
  readonly personId: string;
  readonly skill: PracticeSkill;
  /** How often it was done in all. */
  readonly count: number;
  /** Of the last, 0–1. */
  readonly mean: number;
  /** How far they lie from each other, one standard deviation. */
  readonly spread: number;
  readonly lastAtMs: number;
}

/** So many of the last tell how well somebody does it now: an evening says more than a question. */
const LAST = {
  reading: 24,
  evening: 6,
  water: 12,
  scaling: 12,
  dividing: 12,
  trays: 12,
  faults: 12,
  cautions: 24,
} as const satisfies Record<PracticeSkill, number>;

/** What a result is of, and how well each of it was done. */
function scoresOf(content: PracticeContent): { skill: PracticeSkill; scores: readonly number[] } {
  switch (content.kind) {
    case 'reading':
      return { skill: 'reading', scores: content.readings.map(({ score }) => score) };
    case 'evening':
      return { skill: 'evening', scores: [content.score] };
    case 'drill':
      return content;
  }
}

/** How well everybody does what they practised, whoever did something last first. */
export function practiceSkills(results: readonly PracticeResult[]): PersonSkill[] {
  const inOrder = [...results].sort((a, b) => (a.at < b.at ? -1 : 1));
  const people = [...new Set(inOrder.map(({ personId }) => personId))];
  const skills = people.flatMap((personId) =>
    PRACTICE_SKILLS.flatMap((skill): PersonSkill[] => {
      const own = inOrder.filter(
        (each) => each.personId === personId && scoresOf(each.content).skill === skill,
      );
      const lastAt = own.at(-1)?.at;
      if (lastAt === undefined) return [];
      const scores = own.flatMap(({ content }) => scoresOf(content).scores);
      const last = scores.slice(-LAST[skill]);
      const mean = last.reduce((sum, score) => sum + score, 0) / last.length;
      const variance = last.reduce((sum, score) => sum + (score - mean) ** 2, 0) / last.length;
      return [
        {
          personId,
          skill,
          count: scores.length,
          mean,
          spread: Math.sqrt(variance),
          lastAtMs: Date.parse(lastAt),
        },
      ];
    }),
  );
  const lastOf = (personId: string) =>
    Math.max(...skills.flatMap((each) => (each.personId === personId ? [each.lastAtMs] : [])));
  return skills.sort(
    (a, b) =>
      lastOf(b.personId) - lastOf(a.personId) ||
      (a.personId < b.personId ? -1 : a.personId > b.personId ? 1 : b.lastAtMs - a.lastAtMs),
  );
}
