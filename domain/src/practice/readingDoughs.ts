import type { DoughDocument, HouseBook, Product } from '@calm/contract';
import { readingCase, type ReadingCase, type ReadingKind } from '@calm/core';
import { targetOf, routeOfDocument } from '../formulas/simulateDough';
import { documentOfRecipe } from '../lots/doughDocument';
import { recipeFor } from '../lots/recipe';

/** A product of a house whose balls can be read. */
export interface ReadableDough {
  readonly product: Product;
  readonly document: DoughDocument;
}

/** Balls stand in so large a lot, as far as that matters. */
const USUAL_LOT = { loads: 1, balls: 60 } as const;

/** Every product whose route ends in balls that are opened. */
export const readableDoughs = (book: HouseBook): ReadableDough[] =>
  book.products.flatMap((product): ReadableDough[] => {
    const document = documentOfRecipe(recipeFor(book, product), {
      size: USUAL_LOT,
      ballWeightG: product.ballWeightG,
      target: product.target,
      prefermentTempC: book.house.settings.usualTempsC.preferment,
    });
    return document?.stages.at(-1)?.kind === 'ball' ? [{ product, document }] : [];
  });

/** What somebody is to read: of which dough, of which kind, how hard. */
export interface ReadingAsked {
  readonly document: DoughDocument;
  readonly kind: ReadingKind;
  readonly hardness: number;
  readonly seed: number;
}

/** A dough of a house to be read; null where that dough is never so, or where no kitchen could make it. */
export function readingOf({ document, kind, hardness, seed }: ReadingAsked): ReadingCase | null {
  const route = routeOfDocument(document);
  return route.ok
    ? readingCase({ route: route.value, target: targetOf(document) }, kind, hardness, seed)
    : null;
}

/** Fewer balls of a tray are not what an evening is about: a pan or two decide nothing. */
const MANY_BALLS = 6;

/** Doughs that evenings are practised on: first those of which many balls lie on a tray, each in the book's order. */
export const eveningDoughs = (book: HouseBook): ReadableDough[] =>
  readableDoughs(book).sort(
    (a, b) =>
      Number(a.product.ballsPerTray < MANY_BALLS) - Number(b.product.ballsPerTray < MANY_BALLS),
  );
