import type { Formula } from '@calm/core';
import type { LotRecord } from '@calm/contract';
import { currentRecords } from './currentRecords';

/** Lines of the bowl whose weight moves how dough ferments, with where the formula has them. */
const LINES = {
  water: 'waterPercent',
  salt: 'saltPercent',
  sugar: 'sugarPercent',
  oil: 'oilPercent',
} as const satisfies Record<string, keyof Formula>;

/**
 * The formula as it was really weighed: what went into the bowl beyond what was wanted, or less, as percent of the
 * flour of the loads that were weighed. Lines that nobody weighed are as the formula has them.
 *
 * @param records of the lot
 * @param flourPerLoadG all the flour of one load, g
 */
export function asWeighed(
  formula: Formula,
  records: readonly LotRecord[],
  flourPerLoadG: number,
): Formula {
  if (!(flourPerLoadG > 0)) return formula;
  const weighed = currentRecords(records, 'weighed').map(({ content }) => content);
  /** Percent of flour beyond what was wanted of a line; 0 where it was not weighed. */
  const beyond = (line: string): number => {
    const own = weighed.filter(({ key }) => key === line);
    if (own.length === 0) return 0;
    const overG = own.reduce((sum, { grams, wantedG }) => sum + grams - wantedG, 0);
    return (100 * overG) / (own.length * flourPerLoadG);
  };
  const moved = (percent: number, line: string) => Math.max(0, percent + beyond(line));
  const lines = Object.fromEntries(
    Object.entries(LINES)
      .filter(([line]) => beyond(line) !== 0)
      .map(([line, field]) => [field, moved(formula[field] ?? 0, line)]),
  );
  const yeast = { ...formula.yeast, percent: moved(formula.yeast.percent, 'yeast') };
  return { ...formula, ...lines, yeast };
}
