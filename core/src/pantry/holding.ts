import { formulaLines, type Formula } from '../formula';
import { inPantry, type Pantry } from './ingredient';

/** How long dough with something in it may be warm, in all: the house's own numbers by its local code. */
export interface HoldingLimit {
  /** Time counts above this, °C. */
  readonly aboveC: number;
  /** In all, from the mixer on. */
  readonly mostMin: number;
}

/** The limit that an ingredient sets to the dough it is in. */
export interface IngredientLimit extends HoldingLimit {
  readonly name: string;
}

/** Limits of everything in a formula, the shortest first; none for an ordinary dough. */
export function holdingLimitsOf(formula: Formula, pantry: Pantry): IngredientLimit[] {
  const lines = [
    ...formulaLines(formula),
    ...(formula.oldDough ? formulaLines(formula.oldDough.formula) : []),
  ];
  const limits = lines.flatMap(({ name, percent }): IngredientLimit[] => {
    const holding = percent > 0 ? inPantry(pantry, name)?.holding : undefined;
    return holding ? [{ name, ...holding }] : [];
  });
  return limits
    .filter((limit, i) => limits.findIndex(({ name }) => name === limit.name) === i)
    .sort((a, b) => a.mostMin - b.mostMin);
}
