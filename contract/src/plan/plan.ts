import type { PlannedLot, StepRef, Interval, Relaxation } from '@calm/core';

/** Something that a plan takes to be so, beside what the house has on its books. */
export type Assumption =
  /** One change to a limit of the week. */
  | { readonly kind: 'relaxation'; readonly relaxation: Relaxation }
  /** Somebody is not in. */
  | { readonly kind: 'away'; readonly personId: string; readonly when: Interval }
  /** A mixer does not run. */
  | { readonly kind: 'mixer-down'; readonly mixerId: string; readonly when: Interval }
  /** More balls of every product that a service has, percent of what it has. */
  | { readonly kind: 'more-balls'; readonly serviceId: string; readonly percent: number }
  /** The kitchen is warmer. */
  | { readonly kind: 'warmer'; readonly byC: number; readonly when: Interval }
  /** A cold room does not cool. */
  | { readonly kind: 'room-down'; readonly place: string; readonly when: Interval }
  /** The tap is warmer, and nobody has ice. */
  | { readonly kind: 'warm-tap'; readonly byC: number };

/** A week's plan as people bend it: its lots, those under way too. Times are minutes since 1970, UTC. */
export interface PlanContent {
  readonly lots: readonly PlannedLot[];
  /** Steps that stay where they are, whatever is settled around them. */
  readonly pins: readonly StepRef[];
  readonly assumptions: readonly Assumption[];
}

/** A plan of nothing. */
export const NO_PLAN: PlanContent = { lots: [], pins: [], assumptions: [] };

/** The plan that a house works by. */
export interface PublishedPlan {
  /** Counts publications; 0 is none yet. */
  readonly version: number;
  /** ISO 8601, UTC; null until something is published. */
  readonly publishedAt: string | null;
  readonly content: PlanContent;
}

/** A plan to be published over the version that it was made from. */
export interface PlanPublication {
  readonly version: number;
  readonly content: PlanContent;
}
