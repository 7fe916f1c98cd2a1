import { everyLine, type Formula } from '../formula';
import { inPantry, type HoldingLimit, type Pantry } from './ingredient';

/** The limit that an ingredient sets to the dough it is in. */
export interface IngredientLimit extends HoldingLimit {
  readonly name: string;
}

/** Limits of everything in a formula, the shortest first; none for an ordinary dough. */
export function holdingLimitsOf(formula: Formula, pantry: Pantry): IngredientLimit[] {
  const limits = everyLine(formula).flatMap(({ name, percent }): IngredientLimit[] => {
    const holding = percent > 0 ? inPantry(pantry, name)?.holding : undefined;
    return holding ? [{ name, ...holding }] : [];
  });
  return limits
    .filter((limit, i) => limits.findIndex(({ name }) => name === limit.name) === i)
    .sort((a, b) => a.mostMin - b.mostMin);
}
