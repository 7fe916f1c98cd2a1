import { editLines } from './edit';
import type { Formula, LineKind } from './formula';
import { YEAST_FORMS, type YeastForm } from './yeast';

/** What recipes of a home kitchen count in. */
export const HOME_UNITS = [
  'gram',
  'millilitre',
  'teaspoon',
  'tablespoon',
  'cup',
  'packet',
] as const;
/** One of them. */
export type HomeUnit = (typeof HOME_UNITS)[number];

/** How much of an ingredient a recipe says. */
export interface HomeAmount {
  readonly amount: number;
  readonly unit: HomeUnit;
  /** Weight of a millilitre as it is measured out, g. */
  readonly gPerMl: number;
  /** Weight of one packet, g. */
  readonly packetG: number;
  /** Weight that the recipe says beside it, g; null where it says none. */
  readonly statedG: number | null;
}

/** Volumes, mL. A cup is 240 here and 250 elsewhere; spoons are level. Starting values. */
export const HOME_VOLUMES_ML = { millilitre: 1, teaspoon: 5, tablespoon: 15, cup: 240 } as const;

/**
 * Weight of a millilitre, g, by what it is. Starting values, as kitchens' tables have them: flour spooned into the cup
 * (0.50–0.60), fine salt (coarse 0.9–1.1, flakes 0.5–0.7), white sugar, oil.
 */
const G_PER_ML: Readonly<Record<Exclude<LineKind, 'preferment' | 'old-dough'>, number>> = {
  flour: 0.53,
  water: 1,
  salt: 1.2,
  sugar: 0.85,
  oil: 0.92,
  addition: 0.6,
  yeast: 0.63,
};

/** Weight of a packet of yeast, g; a cube where it is fresh. Starting values. */
const PACKET_G: Readonly<Record<YeastForm, number>> = { fresh: 42, 'active-dry': 7, instant: 7 };

/** How an ingredient is measured out until somebody says otherwise; nothing of it yet. */
export function usualHomeAmount(kind: LineKind, form: YeastForm = YEAST_FORMS[0]): HomeAmount {
  const gPerMl = kind === 'preferment' || kind === 'old-dough' ? 1 : G_PER_ML[kind];
  const isSpooned = kind === 'salt' || kind === 'sugar' || kind === 'oil' || kind === 'addition';
  const unit = kind === 'yeast' ? 'packet' : isSpooned ? 'teaspoon' : 'cup';
  return { amount: 0, unit, gPerMl, packetG: PACKET_G[form], statedG: null };
}

/**
 * Weight of an amount by its volume or its packet, g.
 *
 * @param cupMl what a cup of the recipe holds
 * @example
 * measuredG({ amount: 2, unit: 'cup', gPerMl: 0.53, packetG: 0, statedG: null }); // 254.4
 */
export function measuredG(
  { amount, unit, gPerMl, packetG }: HomeAmount,
  cupMl: number = HOME_VOLUMES_ML.cup,
): number {
  if (unit === 'gram') return amount;
  if (unit === 'packet') return amount * packetG;
  return amount * gPerMl * (unit === 'cup' ? cupMl : HOME_VOLUMES_ML[unit]);
}

/** The weight a recipe means: what it says in grams goes before what it measures out. */
export const meantG = (amount: HomeAmount, cupMl?: number): number =>
  amount.statedG ?? measuredG(amount, cupMl);

/** A cup that is scooped rather than spooned holds up to a sixth more: so much may lie between the two. */
const MOST_BETWEEN = 1.18;

/** Whether what a recipe measures out cannot weigh what it says: one of the two is a slip. */
export function contradictsItself(amount: HomeAmount, cupMl?: number): boolean {
  const measured = measuredG(amount, cupMl);
  if (amount.statedG === null || measured <= 0) return false;
  return Math.max(amount.statedG / measured, measured / amount.statedG) > MOST_BETWEEN;
}

/**
 * A formula by the weights of its ingredients.
 *
 * @param grams of every line of `editLines(formula)`, in its order
 * @throws RangeError without flour or without water: percentages count on both
 */
export function formulaOfGrams(formula: Formula, grams: readonly number[]): Formula {
  const lines = editLines(formula).map((line, i) => ({ ...line, grams: grams[i] ?? 0 }));
  const sumOf = (kind: LineKind) =>
    lines.reduce((sum, line) => sum + (line.kind === kind ? line.grams : 0), 0);
  const flourG = sumOf('flour');
  if (!(flourG > 0) || !(sumOf('water') > 0))
    throw new RangeError('a formula needs flour and water');
  const percentOf = (kind: LineKind) => (sumOf(kind) / flourG) * 100;
  const each = (kind: LineKind) => lines.filter((line) => line.kind === kind);
  const percentAt = (kind: LineKind, i: number) => ((each(kind)[i]?.grams ?? 0) / flourG) * 100;
  return {
    ...formula,
    flours: formula.flours.map((flour, i) => ({ ...flour, percent: percentAt('flour', i) })),
    waterPercent: percentOf('water'),
    saltPercent: percentOf('salt'),
    sugarPercent: percentOf('sugar'),
    oilPercent: percentOf('oil'),
    ...(formula.additions && {
      additions: formula.additions.map((addition, i) => ({
        ...addition,
        percent: percentAt('addition', i),
      })),
    }),
    yeast: { ...formula.yeast, percent: percentOf('yeast') },
  };
}
