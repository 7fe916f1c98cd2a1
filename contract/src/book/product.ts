import type { Target } from '@calm/core';

/** Everything about a product that a person edits. */
export interface ProductContent {
  readonly name: string;
  readonly formulaId: string;
  readonly routeId: string;
  readonly ballWeightG: number;
  readonly trimPercent: number;
  readonly ballsPerTray: number;
  /** Made from what is left of another product's dough. */
  readonly isFromRemainders: boolean;
  /** How its dough should be when it is opened. */
  readonly target: Target;
}

/** What is sold. */
export interface Product extends ProductContent {
  readonly id: string;
  readonly slug: string;
  readonly version: number;
}
