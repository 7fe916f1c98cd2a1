import type { DoughDocument, HouseBook, Product } from '@calm/contract';
import {
  nextReading,
  readingCase,
  tubOf,
  type PastReading,
  type ReadingCase,
  type ReadingDough,
  type ReadingKind,
} from '@calm/core';
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

/** What somebody is to read next is drawn from these. */
export interface ReadingWish {
  /** Of the doughs that can be read. */
  readonly documents: readonly DoughDocument[];
  /** What they have read before, in time's order. */
  readonly past: readonly PastReading[];
  /** Epoch ms. */
  readonly nowMs: number;
  readonly seed: number;
}

/** A case that was drawn. */
export interface ReadingDrawn {
  /** Of which of the doughs, by its index. */
  readonly dough: number;
  readonly asked: ReadingCase;
}

/** What somebody reads next: of the kind that is asked next and that some dough can be; null where none can be any. */
export function drawReading({ documents, past, nowMs, seed }: ReadingWish): ReadingDrawn | null {
  const doughs = documents.flatMap((document, dough) =>
    formsOf(document).map((each) => ({ ...each, dough })),
  );
  const without: ReadingKind[] = [];
  for (;;) {
    const next = nextReading(past, nowMs, seed, without);
    if (!next) return null;
    for (let i = 0; i < doughs.length; i += 1) {
      const of = doughs[(seed + i) % doughs.length] as (typeof doughs)[number];
      const asked = readingCase(of, next.kind, next.hardness, seed + i);
      if (asked) return { dough: of.dough, asked };
    }
    without.push(next.kind);
  }
}

/** A dough as balls, and in its tub where that shows anything; nothing of one that no kitchen could make. */
function formsOf(document: DoughDocument): ReadingDough[] {
  const route = routeOfDocument(document);
  if (!route.ok) return [];
  const balls = { route: route.value, target: targetOf(document) };
  const tub = tubOf(balls);
  return tub ? [balls, tub] : [balls];
}

/** Fewer balls of a tray are not what an evening is about: a pan or two decide nothing. */
const MANY_BALLS = 6;

/** Doughs that evenings are practised on: first those of which many balls lie on a tray, each in the book's order. */
export const eveningDoughs = (book: HouseBook): ReadableDough[] =>
  readableDoughs(book).sort(
    (a, b) =>
      Number(a.product.ballsPerTray < MANY_BALLS) - Number(b.product.ballsPerTray < MANY_BALLS),
  );
