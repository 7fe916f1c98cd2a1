import { fail, ok, type Result } from '../result';
import { flourForDoughG, formulaLines, type Formula, type FormulaLine } from './formula';
import { convertYeast, STANDARD_YEAST_CONVERSION, type YeastConversion } from './yeast';

/** A formula taken apart into what is mixed ahead and what goes into the bowl at the end. */
export interface MixSplit {
  /** Pre-ferment ingredients, percent of total flour; empty without a pre-ferment. */
  readonly preferment: readonly FormulaLine[];
  /** The bowl: what is left of every ingredient, plus the pre-ferment and old dough themselves. */
  readonly finalMix: readonly FormulaLine[];
  /**
   * Everything in the bowl, percent of total flour. Equals the formula's total percent, except
   * where a pre-ferment's yeast is in another form and so of another mass.
   */
  readonly bowlPercent: number;
}

/** A pre-ferment or old dough that holds more of something than the whole formula does. */
export interface TakesTooMuch {
  readonly kind: 'takes-too-much';
  readonly ingredient: string;
  /** Percent of total flour in the overall formula. */
  readonly overallPercent: number;
  /** Percent of total flour already in the pre-ferment and old dough. */
  readonly takenPercent: number;
}

/** Below this share of total flour a difference is binary dust, not dough. */
const DUST_PERCENT = 1e-9;

/**
 * Final mix = overall − pre-ferment − old dough, line by line.
 *
 * @param conversion the house's yeast conversion, used when the forms differ
 * @returns lines as percent of total flour, or every ingredient that is over-drawn
 */
export function splitMix(
  formula: Formula,
  conversion: YeastConversion = STANDARD_YEAST_CONVERSION,
): Result<MixSplit, TakesTooMuch> {
  const preferment = prefermentLines(formula);
  const oldDough = oldDoughLines(formula);
  const taken = takenLines([...preferment, ...oldDough], formula, conversion);

  const overall = new Map(formulaLines(formula).map((line) => [line.key, line]));
  const overdrawn = [...taken.values()]
    .map((line) => ({ line, overallPercent: overall.get(line.key)?.percent ?? 0 }))
    .filter(({ line, overallPercent }) => line.percent > overallPercent + DUST_PERCENT);
  if (overdrawn.length > 0) {
    return fail(
      ...overdrawn.map(({ line, overallPercent }) => ({
        kind: 'takes-too-much' as const,
        ingredient: line.name,
        overallPercent,
        takenPercent: line.percent,
      })),
    );
  }

  const finalMix = [...overall.values()]
    .map((line) => ({ ...line, percent: line.percent - (taken.get(line.key)?.percent ?? 0) }))
    .filter((line) => line.percent > DUST_PERCENT)
    .concat(wholeAsLine('preferment', formula.preferment?.name, preferment))
    .concat(wholeAsLine('old-dough', formula.oldDough?.name, oldDough));
  return ok({ preferment, finalMix, bowlPercent: sumPercent(finalMix) });
}

/** The pre-ferment's ingredients as percent of the whole formula's flour. */
function prefermentLines({ flours, preferment }: Formula): FormulaLine[] {
  if (!preferment) return [];
  const own = {
    flours,
    waterPercent: preferment.waterPercent,
    saltPercent: preferment.saltPercent ?? 0,
    yeast: preferment.yeast,
  };
  return scaleLines(formulaLines(own), preferment.flourSharePercent / 100);
}

/** The old dough's ingredients as percent of the whole formula's flour. */
function oldDoughLines({ oldDough }: Formula): FormulaLine[] {
  if (!oldDough) return [];
  const flourPercent = flourForDoughG(oldDough.formula, oldDough.percent);
  return scaleLines(formulaLines(oldDough.formula), flourPercent / 100);
}

function scaleLines(lines: FormulaLine[], factor: number): FormulaLine[] {
  return lines
    .map((line) => ({ ...line, percent: line.percent * factor }))
    .filter((line) => line.percent > 0);
}

/** What is already spoken for, one line a key, yeast counted in the formula's own form. */
function takenLines(
  lines: FormulaLine[],
  formula: Formula,
  conversion: YeastConversion,
): Map<string, FormulaLine> {
  const taken = new Map<string, FormulaLine>();
  for (const line of lines) {
    const percent = line.form
      ? convertYeast(line.percent, line.form, formula.yeast.form, conversion)
      : line.percent;
    taken.set(line.key, { ...line, percent: (taken.get(line.key)?.percent ?? 0) + percent });
  }
  return taken;
}

/** A pre-ferment or old dough as one thing to tip into the bowl. */
function wholeAsLine(
  kind: 'preferment' | 'old-dough',
  name: string | undefined,
  lines: FormulaLine[],
): FormulaLine[] {
  if (name === undefined || lines.length === 0) return [];
  return [{ key: kind, kind, name, percent: sumPercent(lines) }];
}

/** Sum of the lines' percents of total flour. */
export function sumPercent(lines: readonly FormulaLine[]): number {
  return lines.reduce((sum, line) => sum + line.percent, 0);
}
