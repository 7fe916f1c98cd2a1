import type { Formula, LineKind } from './formula';
import { fromPerLitre, G_PER_LITRE_OF_WATER, toPerLitre } from './perLitre';

/** Which ingredient of a formula: the only one of its kind, or the nth flour or addition. */
export type EditKey =
  | { readonly kind: 'water' | 'salt' | 'sugar' | 'oil' | 'yeast' }
  | { readonly kind: 'flour' | 'addition'; readonly index: number };

/** One ingredient as it is edited: none is left out, not even at 0 %. */
export interface EditLine {
  readonly key: EditKey;
  readonly kind: LineKind;
  readonly name: string;
  /** Percent of total flour. */
  readonly percent: number;
}

/** A formula's ingredients for editing, in the order they are written. */
export function editLines(formula: Formula): EditLine[] {
  const { flours, waterPercent, saltPercent, sugarPercent, oilPercent, additions, yeast } = formula;
  const single = (kind: 'water' | 'salt' | 'sugar' | 'oil', percent: number): EditLine => ({
    key: { kind },
    kind,
    name: kind,
    percent,
  });
  return [
    ...flours.map(({ name, percent }, index): EditLine => ({
      key: { kind: 'flour', index },
      kind: 'flour',
      name,
      percent,
    })),
    single('water', waterPercent),
    single('salt', saltPercent),
    single('sugar', sugarPercent ?? 0),
    single('oil', oilPercent ?? 0),
    ...(additions ?? []).map(({ name, percent }, index): EditLine => ({
      key: { kind: 'addition', index },
      kind: 'addition',
      name,
      percent,
    })),
    { key: { kind: 'yeast' }, kind: 'yeast', name: `${yeast.form} yeast`, percent: yeast.percent },
  ];
}

/**
 * The formula with one ingredient at another percent. Flours always sum to 100: the other flours give
 * or take in proportion; an only flour stays at 100.
 *
 * @param percent of total flour, at least 0; a flour's at most 100
 */
export function withPercent(formula: Formula, key: EditKey, percent: number): Formula {
  switch (key.kind) {
    case 'water':
      return { ...formula, waterPercent: percent };
    case 'salt':
      return { ...formula, saltPercent: percent };
    case 'sugar':
      return { ...formula, sugarPercent: percent };
    case 'oil':
      return { ...formula, oilPercent: percent };
    case 'yeast':
      return { ...formula, yeast: { ...formula.yeast, percent } };
    case 'addition': {
      const additions = (formula.additions ?? []).map((addition, i) =>
        i === key.index ? { ...addition, percent } : addition,
      );
      return { ...formula, additions };
    }
    case 'flour':
      return { ...formula, flours: blend(formula.flours, key.index, percent) };
  }
}

function blend<F extends { readonly percent: number }>(
  flours: readonly F[],
  index: number,
  percent: number,
): F[] {
  const others = flours.reduce((sum, flour, i) => sum + (i === index ? 0 : flour.percent), 0);
  if (index >= flours.length) return [...flours];
  if (flours.length < 2) return flours.map((flour) => ({ ...flour, percent: 100 }));
  const left = 100 - percent;
  return flours.map((flour, i) => {
    if (i === index) return { ...flour, percent };
    const share = others > 0 ? flour.percent / others : 1 / (flours.length - 1);
    return { ...flour, percent: left * share };
  });
}

/**
 * The formula with one ingredient at other grams per litre of water, all the rest per litre as it
 * was. Water itself is the base and does not change.
 *
 * @param grams per 1000 g of water, at least 0; all flour together more than 0
 */
export function withPerLitre(formula: Formula, key: EditKey, grams: number): Formula {
  if (key.kind === 'water') return formula;
  if (key.kind !== 'flour') {
    return withPercent(formula, key, (grams * formula.waterPercent) / G_PER_LITRE_OF_WATER);
  }
  const perLitre = toPerLitre(formula);
  const flours = perLitre.flours.map((flour, i) =>
    i === key.index ? { ...flour, gPerLitre: grams } : flour,
  );
  return fromPerLitre({ ...perLitre, flours });
}

/**
 * The formula with one ingredient at other grams of a batch, all the rest of the batch in grams as it
 * was.
 *
 * @param flourG total flour of the batch, g
 * @returns the formula, and the batch's flour: more or less when it was a flour that changed
 */
export function withGrams(
  formula: Formula,
  key: EditKey,
  grams: number,
  flourG: number,
): { readonly formula: Formula; readonly flourG: number } {
  if (key.kind !== 'flour') {
    return { formula: withPercent(formula, key, (grams * 100) / flourG), flourG };
  }
  const waterG = (flourG * formula.waterPercent) / 100;
  const changed = withPerLitre(formula, key, (grams * G_PER_LITRE_OF_WATER) / waterG);
  return { formula: changed, flourG: (waterG * 100) / changed.waterPercent };
}
