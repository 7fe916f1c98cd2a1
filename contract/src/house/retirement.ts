import type { FormulaRecord, RouteRecord } from '../book/formula';
import type { Product } from '../book/product';
import type { Place } from './kitchen';
import type { Mixer } from './mixer';

/** What a house can stop offering, as its book calls it; what is on record keeps it. */
export const RETIRABLE = ['products', 'formulas', 'routes', 'mixers', 'places'] as const;
export type Retirable = (typeof RETIRABLE)[number];

/** What a house offered before and does not any more. */
export interface RetiredRecords {
  readonly products: readonly Product[];
  readonly formulas: readonly FormulaRecord[];
  readonly routes: readonly RouteRecord[];
  readonly mixers: readonly Mixer[];
  readonly places: readonly Place[];
}

/** Of a house that has retired nothing. */
export const NOTHING_RETIRED: RetiredRecords = {
  products: [],
  formulas: [],
  routes: [],
  mixers: [],
  places: [],
};
