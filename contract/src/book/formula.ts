import type { Formula, Route, StepAddition } from '@calm/core';

/** A short safety note whose wording lives in the catalogues. */
export type CautionKey = (typeof CAUTIONS)[number];

export const CAUTIONS = [
  'mixer',
  'flour-dust',
  'lifting',
  'raw-dough',
  'cold-room',
  'sheeter',
  'knives',
  'oven',
] as const;

/** One step of a mixing method, in the house's own words. */
export interface MethodStep {
  readonly key: string;
  readonly title: string;
  /** What to do, in a sentence. */
  readonly detail: string;
  /** What to look and feel for before going on. */
  readonly lookFor?: string;
  /** What goes into the bowl at it; none where nothing does, or nobody has said. */
  readonly adds?: readonly StepAddition[];
  /** Usually; the clock is a guide, what to look for decides. */
  readonly minutes?: number;
  /** Never less, whatever it looks like; none where nobody has said. */
  readonly leastMinutes?: number;
  /** Of the mixer, or by hand; none where nothing is worked. */
  readonly speed?: 'slow' | 'fast' | 'hand';
  readonly caution?: CautionKey;
}

/** A named way of mixing. */
export interface Method {
  readonly name: string;
  /** Why it is done in this order. */
  readonly why: string;
  readonly steps: readonly MethodStep[];
  /** What is done ahead for its pre-ferment; as usual where nobody has said. */
  readonly ahead?: readonly MethodStep[];
}

/** Everything about a formula that a person edits. */
export interface FormulaContent {
  readonly name: string;
  readonly formula: Formula;
  readonly doughTempC: number;
  readonly method: Method;
  readonly mixerId: string;
}

/** A house's formula as it is now. */
export interface FormulaRecord extends FormulaContent {
  readonly id: string;
  readonly slug: string;
  /** Two letters that lot codes start with. */
  readonly code: string;
  readonly version: number;
  /** Of everything in it, by the pantry when it was saved. */
  readonly allergens: readonly string[];
}

/** One version of a formula, as it was saved. Versions are never changed. */
export interface FormulaVersion extends FormulaContent {
  readonly version: number;
  /** What was changed and why, in the words of whoever saved it. */
  readonly note: string;
  /** ISO 8601, UTC. */
  readonly savedAt: string;
  readonly allergens: readonly string[];
}

/** A new version of a formula. */
export interface FormulaChange {
  /** The version it was made from. */
  readonly version: number;
  readonly note: string;
  readonly content: FormulaContent;
}

/** A formula that the house does not have yet. */
export interface FormulaStart {
  readonly code: string;
  readonly note: string;
  readonly content: FormulaContent;
}

/** Everything about a route that a person edits. */
export interface RouteContent {
  readonly name: string;
  readonly stages: Route;
}

/** A named route. Lots under way keep the stages they were started with. */
export interface RouteRecord extends RouteContent {
  readonly id: string;
  readonly version: number;
}
