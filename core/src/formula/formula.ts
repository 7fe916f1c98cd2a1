import type { YeastDose, YeastForm } from './yeast';

/** One flour of a blend. */
export interface Flour {
  readonly name: string;
  /** Percent of the blend; a formula's flours sum to 100. */
  readonly percent: number;
  /** Alveograph strength W, 10⁻⁴ J. */
  readonly strengthW?: number;
  readonly proteinPercent?: number;
  /** Of the flour; white flour has none. */
  readonly branPercent?: number;
}

/** What an ingredient brings with it, as percent of its own mass. */
export interface Composition {
  readonly waterPercent: number;
  readonly saltPercent: number;
  readonly fatPercent: number;
  readonly sugarPercent: number;
}

/** Any ingredient beyond flour, water, salt, sugar, oil and yeast. */
export interface Addition {
  readonly name: string;
  /** Percent of total flour. */
  readonly percent: number;
  readonly composition?: Composition;
}

/** Flour and water fermented ahead of the dough; its ingredients are part of the overall formula. */
export interface Preferment {
  readonly name: string;
  /** Share of the formula's total flour, percent. */
  readonly flourSharePercent: number;
  /** Water, percent of the pre-ferment's own flour. */
  readonly waterPercent: number;
  /** Salt, percent of the pre-ferment's own flour. */
  readonly saltPercent?: number;
  /** Yeast, percent of the pre-ferment's own flour. */
  readonly yeast: YeastDose;
}

/** The plain part of a formula, in baker's percentages: total flour = 100. */
export interface PlainFormula {
  readonly flours: readonly Flour[];
  readonly waterPercent: number;
  readonly saltPercent: number;
  readonly sugarPercent?: number;
  readonly oilPercent?: number;
  readonly additions?: readonly Addition[];
  readonly yeast: YeastDose;
}

/** Dough kept from an earlier batch; its ingredients are part of the overall formula. */
export interface OldDough {
  readonly name: string;
  /** Mass of old dough, percent of total flour. */
  readonly percent: number;
  readonly formula: PlainFormula;
}

/** A whole formula. Totals are overall: a pre-ferment or old dough takes its share out of them. */
export interface Formula extends PlainFormula {
  readonly preferment?: Preferment;
  readonly oldDough?: OldDough;
}

/** What a line of a formula is. */
export type LineKind = (typeof LINE_KINDS)[number];
/** Every kind of line, as they are weighed. */
export const LINE_KINDS = [
  'flour',
  'water',
  'salt',
  'sugar',
  'oil',
  'addition',
  'yeast',
  'preferment',
  'old-dough',
] as const;

/** One ingredient as percent of total flour. Names are the house's own or the kind's. */
export interface FormulaLine {
  /** Stable within a formula: `water`, `flour:strong white`, `addition:malt`. */
  readonly key: string;
  readonly kind: LineKind;
  readonly name: string;
  readonly percent: number;
  /** On yeast lines only: the form the percent is counted in. */
  readonly form?: YeastForm;
}

/**
 * A formula's ingredients in the order they are written, each as percent of total flour.
 * Lines of 0 % are left out, except water and salt, which every dough is asked about.
 */
export function formulaLines(formula: PlainFormula): FormulaLine[] {
  const line = (kind: LineKind, percent: number, name: string = kind): FormulaLine => ({
    key: kind === 'flour' || kind === 'addition' ? `${kind}:${name}` : kind,
    kind,
    name,
    percent,
  });
  return [
    ...formula.flours.map((flour) => line('flour', flour.percent, flour.name)),
    line('water', formula.waterPercent),
    line('salt', formula.saltPercent),
    line('sugar', formula.sugarPercent ?? 0),
    line('oil', formula.oilPercent ?? 0),
    ...(formula.additions ?? []).map((extra) => line('addition', extra.percent, extra.name)),
    {
      ...line('yeast', formula.yeast.percent, `${formula.yeast.form} yeast`),
      form: formula.yeast.form,
    },
  ].filter((l) => l.percent !== 0 || l.kind === 'water' || l.kind === 'salt');
}

/** A formula's ingredients, with those of the old dough that is in it: each line as its own formula has it. */
export const everyLine = (formula: Formula): FormulaLine[] => [
  ...formulaLines(formula),
  ...(formula.oldDough ? formulaLines(formula.oldDough.formula) : []),
];

/**
 * Everything in the dough as percent of total flour; above 100 by what is not flour.
 *
 * @returns total percent, e.g. 165 for 62 % water, 2.4 % salt and 0.6 % yeast
 */
export function totalPercent(formula: PlainFormula): number {
  return formulaLines(formula).reduce((sum, line) => sum + line.percent, 0);
}

/**
 * Flour for an amount of dough: flour = dough ÷ (total % ÷ 100).
 *
 * @param doughG grams of dough
 * @returns grams of total flour
 */
export function flourForDoughG(formula: PlainFormula, doughG: number): number {
  return doughG / (totalPercent(formula) / 100);
}
