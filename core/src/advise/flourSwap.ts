import type { Flour, Formula } from '../formula/formula';
import { strengthFromProtein } from '../ferment';

/** A flour as its bag and the house know it. */
export type KnownFlour = Omit<Flour, 'percent'>;

/** Water that a flour takes more of for each percent of protein, percent of the flour. Rule of thumb, 0.5–1.5. */
const WATER_PER_PROTEIN = 1;
/** … and for each percent of bran. Rule of thumb, 0.3–0.8. */
const WATER_PER_BRAN = 0.5;
/** Protein where only strength is known, percent: the rough guess W ≈ 40 · (protein − 6), the other way round. */
const proteinFromStrength = (strengthW: number): number => 6 + strengthW / 40;
/** Where neither is known, percent: a middling white flour. */
const USUAL_PROTEIN = 12;
/** A percent of bran is as far from another flour as so much strength, W. */
const W_PER_BRAN = 6;

const proteinOf = ({ proteinPercent, strengthW }: KnownFlour): number =>
  proteinPercent ?? (strengthW === undefined ? USUAL_PROTEIN : proteinFromStrength(strengthW));

const strengthOf = (flour: KnownFlour): number =>
  flour.strengthW ?? strengthFromProtein(proteinOf(flour));

/**
 * Water that a flour takes more than another, percent of that flour's mass: by protein and bran, to be judged by feel.
 *
 * @example
 * moreWaterPercent({ name: 'a', proteinPercent: 12 }, { name: 'b', proteinPercent: 14 }); // 2
 */
export const moreWaterPercent = (than: KnownFlour, flour: KnownFlour): number =>
  WATER_PER_PROTEIN * (proteinOf(flour) - proteinOf(than)) +
  WATER_PER_BRAN * ((flour.branPercent ?? 0) - (than.branPercent ?? 0));

/**
 * Flours by how near they are to another: by strength, and by bran, which cuts it.
 *
 * @returns the nearest first, without the flour itself
 * @example
 * const shelf = [{ name: 'plain', strengthW: 180 }, { name: 'other strong', strengthW: 300 }];
 * nearestFlours(shelf, { name: 'strong', strengthW: 320 })[0]?.name; // 'other strong'
 */
export const nearestFlours = <Each extends KnownFlour>(
  flours: readonly Each[],
  to: KnownFlour,
): readonly Each[] => {
  const apart = (flour: KnownFlour) =>
    Math.abs(strengthOf(flour) - strengthOf(to)) +
    W_PER_BRAN * Math.abs((flour.branPercent ?? 0) - (to.branPercent ?? 0));
  return flours.filter(({ name }) => name !== to.name).sort((a, b) => apart(a) - apart(b));
};

/**
 * A formula with some of one flour taken by another, and with the water that it takes more or less.
 *
 * @param share of the missing flour that the other takes, 0–1
 * @returns the formula itself where it has none of that flour
 * @example
 * const formula = {
 *   flours: [{ name: 'strong', percent: 100, proteinPercent: 14 }],
 *   waterPercent: 64, saltPercent: 2.6, yeast: { form: 'fresh', percent: 0.3 },
 * } as const;
 * withFlour(formula, 'strong', { name: 'plain', proteinPercent: 12 }, 0.5).waterPercent; // 63
 */
export function withFlour(
  formula: Formula,
  missing: string,
  other: KnownFlour,
  share: number,
): Formula {
  const was = formula.flours.find(({ name }) => name === missing);
  if (!was || share <= 0) return formula;
  const taken = was.percent * Math.min(1, share);
  const before = formula.flours.find(({ name }) => name === other.name);
  const kept = formula.flours.flatMap((flour): Flour[] => {
    if (flour === was) return taken < was.percent ? [{ ...was, percent: was.percent - taken }] : [];
    return flour === before ? [{ ...flour, percent: flour.percent + taken }] : [flour];
  });
  const more = (taken / 100) * moreWaterPercent(was, other);
  return {
    ...formula,
    flours: before ? kept : [...kept, { ...other, percent: taken }],
    waterPercent: formula.waterPercent + more,
  };
}
