import {
  type MixerLine,
  scaleLot,
  type Result,
  type Residue,
  type ScaledLot,
  type ScaleReason,
} from '@calm/core';
import { routeInMixer } from '../formulas/mixingIn';
import type { HouseBook, Product, LotItem, Recipe } from '@calm/contract';

/** The products that are made of one dough: same formula, same route. */
export function productsOfDough(book: HouseBook, product: Product): Product[] {
  return book.products.filter(
    (p) => p.formulaId === product.formulaId && p.routeId === product.routeId,
  );
}

/**
 * What a lot of this product would be made by today.
 *
 * @param mixerId the mixer chosen for it; the formula's own when absent
 * @throws RangeError when the book is inconsistent (the database's foreign keys forbid it)
 */
export function recipeFor(book: HouseBook, product: Product, mixerId?: string): Recipe {
  const record = required(book.formulas.find((f) => f.id === product.formulaId));
  const route = required(book.routes.find((r) => r.id === product.routeId));
  const mixer = required(book.mixers.find((m) => m.id === (mixerId ?? record.mixerId)));
  const { derating, pourBy, baseSumC, altitudeM, learned, scaleReadabilityG, yeastConversion } =
    book.house.settings;
  const residue = residueOf(book);
  return {
    formulaId: record.id,
    formulaName: record.name,
    formulaVersion: record.version,
    formula: record.formula,
    doughTempC: record.doughTempC,
    method: record.method,
    route: routeInMixer(book, record, route.stages, mixer),
    allergens: record.allergens,
    mixer: {
      id: mixer.id,
      name: mixer.name,
      minDoughKg: mixer.minDoughKg,
      maxDoughKg: mixer.maxDoughKg,
    },
    settings: {
      residuePercent: residue.percent,
      residuePerLoadG: residue.perLoadG,
      derating,
      pourBy,
      ...(baseSumC !== undefined && { baseSumC }),
      ...(altitudeM !== undefined && { altitudeM }),
      ...(learned !== undefined && { learned }),
      scaleReadabilityG,
      yeastConversion,
    },
  };
}

/** What stays behind, as the log has learned it or, until then, as the house has set it. */
export function residueOf({ house: { settings }, losses }: HouseBook): Residue {
  return losses.residue ?? { percent: settings.residuePercent, perLoadG: settings.residuePerLoadG };
}

/** A product's balls as they stand in a lot. */
export function lotItem(product: Product, count: number): LotItem {
  const { id, name, ballWeightG, trimPercent } = product;
  return { productId: id, name, count, ballWeightG, trimPercent };
}

/** Scales a lot by its recipe. Reasons as in the core. */
export function scaleRecipe(
  recipe: Recipe,
  items: readonly LotItem[],
): Result<ScaledLot, ScaleReason> {
  const { formula, mixer, settings } = recipe;
  const { residuePercent, residuePerLoadG, derating } = settings;
  const { scaleReadabilityG, yeastConversion } = settings;
  return scaleLot({
    formula,
    items: items.filter((item) => item.count > 0),
    mixer,
    residuePercent,
    residuePerLoadG,
    derating,
    scaleReadabilityG,
    yeastConversion,
  });
}

/** A recipe for a mixer whose own line is known. */
export const withMixerLine = (recipe: Recipe, line: MixerLine | null): Recipe =>
  line ? { ...recipe, mixer: { ...recipe.mixer, line } } : recipe;

function required<T>(value: T | undefined): T {
  if (value === undefined) throw new RangeError('the house book refers to something it lacks');
  return value;
}
