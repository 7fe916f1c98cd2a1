import type { Formula } from '@calm/core';
import type { WeighedRecord } from '@calm/contract';
import type { BoardLot } from './lotBoard';

/** Lines of the bowl whose weight moves how dough ferments, with where the formula has them. */
const LINES = {
  water: 'waterPercent',
  salt: 'saltPercent',
  sugar: 'sugarPercent',
  oil: 'oilPercent',
} as const satisfies Record<string, keyof Formula>;

/** A lot's formula as it was really weighed. */
export const asWeighed = ({ lot, recipe: { formula }, scaled }: BoardLot): Formula =>
  scaled.ok
    ? formulaAsWeighed(
        formula,
        lot?.weighed ?? [],
        scaled.value.totals.flourG / scaled.value.loads.length,
      )
    : formula;

/**
 * A formula as it was really weighed: what went into the bowl beyond what was wanted, or less, as percent of the
 * flour of the loads that were weighed. Lines that nobody weighed are as the formula has them.
 *
 * @param records of the lot, none of them corrected
 * @param flourPerLoadG all the flour of one load, g
 */
export function formulaAsWeighed(
  formula: Formula,
  records: readonly WeighedRecord[],
  flourPerLoadG: number,
): Formula {
  if (records.length === 0 || !(flourPerLoadG > 0)) return formula;
  const weighed = records.map(({ content }) => content);
  /** Percent of flour beyond what was wanted of a line; 0 where it was not weighed. */
  const beyond = (line: string): number => {
    const own = weighed.filter(({ key }) => key === line);
    if (own.length === 0) return 0;
    const overG = own.reduce((sum, { grams, wantedG }) => sum + grams - wantedG, 0);
    // Water held back and not used is a line of its load too, however many times it was weighed.
    const loads = new Set(own.map(({ loadNumber }) => loadNumber)).size;
    return (100 * overG) / (loads * flourPerLoadG);
  };
  // More flour than was wanted makes less of everything else.
  const flour =
    1 + formula.flours.reduce((sum, { name }) => sum + beyond(`flour:${name}`), 0) / 100;
  const moved = (percent: number, line: string) => Math.max(0, percent + beyond(line)) / flour;
  const lines = Object.fromEntries(
    Object.entries(LINES)
      .filter(([, field]) => formula[field] !== undefined)
      .map(([line, field]) => [field, moved(formula[field] ?? 0, line)]),
  );
  const yeast = { ...formula.yeast, percent: moved(formula.yeast.percent, 'yeast') };
  return { ...formula, ...lines, yeast };
}
