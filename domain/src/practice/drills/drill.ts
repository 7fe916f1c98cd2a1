import type { DrillSkill, HouseBook } from '@calm/contract';
import { randomOf, type Random } from '@calm/core';
import { cautionQuestion } from './cautions';
import { dividingQuestion } from './dividing';
import { faultQuestion } from './faults';
import { scalingQuestion, waterQuestion } from './numbers';
import type { DrillQuestion } from './question';
import { traysQuestion } from './trays';

const QUESTIONS: Readonly<
  Record<DrillSkill, (book: HouseBook, random: Random) => DrillQuestion | null>
> = {
  water: waterQuestion,
  scaling: scalingQuestion,
  dividing: dividingQuestion,
  trays: traysQuestion,
  faults: faultQuestion,
  cautions: cautionQuestion,
};

/** What can be drilled. */
export const DRILLS = Object.keys(QUESTIONS) as DrillSkill[];

/** Numbers of a seed that are passed over: the first of small seeds are alike. */
const ALIKE = 20;

/** A question on the house's own doughs; null where it has none that can be asked about. */
export function drillQuestion(
  book: HouseBook,
  skill: DrillSkill,
  seed: number,
): DrillQuestion | null {
  const random = randomOf(seed);
  for (let i = 0; i < ALIKE; i += 1) random.uniform();
  return QUESTIONS[skill](book, random);
}
