import {
  convertYeast,
  DAY_MS,
  yeastStrength,
  type Formula,
  type YeastDose,
  type YeastForm,
} from '@calm/core';
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
  withYeastOf(lot, inGrams(lot, formula, scaled));

const inGrams = (lot: BoardLot['lot'], formula: Formula, scaled: BoardLot['scaled']): Formula =>
  scaled.ok
    ? prefermentAsWeighed(
        formulaAsWeighed(
          formula,
          (lot?.weighed ?? []).filter(({ content }) => content.loadNumber > 0),
          scaled.value.totals.flourG / scaled.value.loads.length,
        ),
        (lot?.weighed ?? []).filter(({ content }) => content.loadNumber === 0),
        scaled.value.totals.flourG,
      )
    : formula;

/**
 * How strong a lot's yeast is by what is known of its pack.
 *
 * @param form as it is dosed
 * @returns activity, 1 as new and where nothing is known
 */
export function packStrength(lot: BoardLot['lot'], form: YeastForm): number {
  if (!lot?.yeastPack) return 1;
  const { content, at } = lot.yeastPack;
  const { openedOn, proof } = content;
  const openDays =
    openedOn === null ? null : Math.max(0, (Date.parse(at) - Date.parse(openedOn)) / DAY_MS);
  return yeastStrength(form, { openDays, proof });
}

/** A formula with yeast as strong as its pack; what is mixed ahead is from the same one. */
function withYeastOf(lot: BoardLot['lot'], formula: Formula): Formula {
  if (!lot?.yeastPack) return formula;
  const strong = (yeast: YeastDose): YeastDose => ({
    ...yeast,
    activity: (yeast.activity ?? 1) * packStrength(lot, yeast.form),
  });
  const { preferment } = formula;
  return {
    ...formula,
    yeast: strong(formula.yeast),
    ...(preferment && { preferment: { ...preferment, yeast: strong(preferment.yeast) } }),
  };
}

/**
 * A formula with its pre-ferment as it was really weighed: more or less water and yeast in it is more or less in the
 * dough, too. Flour of it that was weighed otherwise is taken from the bowl's, so that its share changes.
 *
 * @param records of what was mixed ahead, none of them corrected
 * @param flourG all the flour of the lot, g
 */
export function prefermentAsWeighed(
  formula: Formula,
  records: readonly WeighedRecord[],
  flourG: number,
): Formula {
  const { preferment } = formula;
  if (!preferment || records.length === 0 || !(flourG > 0)) return formula;
  const overG = (isOf: (key: string) => boolean) =>
    records.reduce(
      (sum, { content }) => (isOf(content.key) ? sum + content.grams - content.wantedG : sum),
      0,
    );
  const ownFlourG = (flourG * preferment.flourSharePercent) / 100;
  const flourNowG = Math.max(1, ownFlourG + overG((key) => key.startsWith('flour:')));
  /** Percent of its own flour, when so many grams more than wanted went in. */
  const moved = (percent: number, overOfItG: number) =>
    Math.max(0, (100 * ((percent * ownFlourG) / 100 + overOfItG)) / flourNowG);
  const waterOverG = overG((key) => key === 'water');
  const yeastOverG = overG((key) => key === 'yeast');
  const { yeast } = preferment;
  return {
    ...formula,
    waterPercent: Math.max(0, formula.waterPercent + (100 * waterOverG) / flourG),
    yeast: {
      ...formula.yeast,
      percent: Math.max(
        0,
        formula.yeast.percent +
          convertYeast((100 * yeastOverG) / flourG, yeast.form, formula.yeast.form),
      ),
    },
    preferment: {
      ...preferment,
      flourSharePercent: Math.min(100, (100 * flourNowG) / flourG),
      waterPercent: moved(preferment.waterPercent, waterOverG),
      yeast: { ...yeast, percent: moved(yeast.percent, yeastOverG) },
    },
  };
}

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
