import { everyLine, type Formula } from '../formula';
import { inPantry, type Pantry } from './ingredient';

/** Allergens of a formula and of everything in it, each once, in the order they come. */
export function allergensOf(formula: Formula, pantry: Pantry): string[] {
  const found = everyLine(formula).flatMap(({ name }) => inPantry(pantry, name)?.allergens ?? []);
  return [...new Set(found)];
}
