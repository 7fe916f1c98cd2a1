import { STANDARD_COLD_RULES, type HouseBook } from '@calm/contract';
import type { Random } from '@calm/core';
import type { ChoiceOption, ChoiceQuestion } from './question';
import { shuffled } from './shuffled';

/** What can go wrong that hurts somebody. */
const CAUTION_CASES = [
  'bowl',
  'dust',
  'lifting',
  'tasting',
  'cold',
  'oven',
  'allergen',
  'sheeter',
] as const;
/** One of them. */
type CautionCase = (typeof CAUTION_CASES)[number];

/** Of each case, what is done first, and two things that are not. */
const ANSWERS = ['first', 'wrong', 'worse'] as const;

/** What to do first: one is right, and nothing else is worth anything. */
export function cautionQuestion(book: HouseBook, random: Random): ChoiceQuestion {
  const about = CAUTION_CASES[Math.floor(random.uniform() * CAUTION_CASES.length)] as CautionCase;
  const { limitC } = book.house.settings.cold ?? STANDARD_COLD_RULES;
  const options = ANSWERS.map((answer): ChoiceOption => ({
    key: `caution.${about}.${answer}`,
    worth: answer === 'first' ? 1 : 0,
  }));
  return {
    kind: 'choice',
    skill: 'cautions',
    about: `caution.${about}.about`,
    told: { tempsC: { limit: limitC, air: limitC + 4 } },
    options: shuffled(options, random),
  };
}
