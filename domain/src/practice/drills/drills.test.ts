import { exampleBook } from '@calm/demo';
import { describe, expect, it } from '@jest/globals';
import { drillQuestion, DRILLS } from './drill';
import { cutG, scoreOf, type DrillQuestion } from './question';

const book = exampleBook();
const SEEDS = Array.from({ length: 24 }, (_, i) => i + 1);
const asked = (skill: (typeof DRILLS)[number], seed: number): DrillQuestion => {
  const question = drillQuestion(book, skill, seed);
  if (!question) throw new Error('the demo has doughs');
  return question;
};

/** The best answer that there is. */
function bestOf(question: DrillQuestion): number {
  if (question.kind === 'number') return question.right;
  if (question.kind === 'choice') {
    const worths = question.options.map(({ worth }) => worth);
    return worths.indexOf(Math.max(...worths));
  }
  let [low, high] = [0, 1];
  for (let i = 0; i < 40; i += 1) {
    const middle = (low + high) / 2;
    if (cutG(question, middle) < question.wantedG) low = middle;
    else high = middle;
  }
  return (low + high) / 2;
}

describe.each(DRILLS)('the drill of %s', (skill) => {
  it('has a right answer that is worth everything, and wrong ones that are not', () => {
    for (const seed of SEEDS) {
      const question = asked(skill, seed);
      expect(question.skill).toBe(skill);
      expect(scoreOf(question, bestOf(question))).toBeCloseTo(1, 6);
      const others =
        question.kind === 'choice'
          ? question.options.map((_, i) => scoreOf(question, i))
          : question.kind === 'number'
            ? [scoreOf(question, question.right + 2 * question.wrongFrom)]
            : [scoreOf(question, 0), scoreOf(question, 1)];
      expect(Math.min(...others)).toBeLessThan(0.95);
      expect(Math.min(...others)).toBeGreaterThanOrEqual(0);
    }
  });

  it('is the same again for the same seed, and another for others', () => {
    expect(asked(skill, 5)).toEqual(asked(skill, 5));
    expect(new Set(SEEDS.map((seed) => JSON.stringify(asked(skill, seed)))).size).toBeGreaterThan(
      5,
    );
  });
});

describe('water', () => {
  it('is right by the sheet, and in the head', () => {
    for (const seed of SEEDS) {
      const question = asked('water', seed);
      if (question.kind !== 'number') throw new Error('it is a number');
      const head = question.told.tempsC?.['head'] ?? 0;
      expect(scoreOf(question, head)).toBe(1);
      expect(scoreOf(question, question.right)).toBe(1);
    }
  });
});

describe('a cut', () => {
  it('leaves all of the dough on one side or the other', () => {
    const question = asked('dividing', 3);
    if (question.kind !== 'cut') throw new Error('it is a cut');
    expect(cutG(question, 0)).toBe(0);
    expect(cutG(question, 1)).toBeCloseTo(question.wholeG, 6);
    expect(cutG(question, 0.6)).toBeGreaterThan(cutG(question, 0.4));
  });
});
