import type { DrillSkill, HouseBook } from '@calm/contract';
import { settledRandomOf, type Random } from '@calm/core';
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

/** A question on the house's own doughs; null where it has none that can be asked about. */
export function drillQuestion(
  book: HouseBook,
  skill: DrillSkill,
  seed: number,
): DrillQuestion | null {
  return QUESTIONS[skill](book, settledRandomOf(seed));
}
