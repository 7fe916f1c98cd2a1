import type {
  FormulaContent,
  PantryItem,
  Product,
  ProductContent,
  RouteContent,
  RouteRecord,
} from '@calm/contract';
import type { Ingredient } from '@calm/core';

/** What a person edits of a formula. */
export function contentOf(record: FormulaContent): FormulaContent {
  const { name, formula, doughTempC, method, mixerId } = record;
  return { name, formula, doughTempC, method, mixerId };
}

/** What a person edits of a route. */
export const contentOfRoute = ({ name, stages }: RouteRecord): RouteContent => ({ name, stages });

/** What a person edits of a product. */
export const contentOfProduct = ({
  id: _i,
  slug: _s,
  version: _v,
  ...content
}: Product): ProductContent => content;

/** What a person edits of something the house buys. */
export const contentOfItem = ({ id: _i, version: _v, ...content }: PantryItem): Ingredient =>
  content;
