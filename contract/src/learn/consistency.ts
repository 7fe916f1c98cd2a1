import type { Baking, Leftover, Opening } from '../lots/record';

/** What is charted of a house's work, lot by lot or day by day. */
export const CHART_KINDS = [
  'ball-weight',
  'dough-out',
  'time-off-plan',
  'yeast-weighed',
  'walk-in',
  'probe',
  'window',
] as const;

export type ChartKind = (typeof CHART_KINDS)[number];

/** One point; of a day's air there is no lot. */
export interface ChartPoint {
  readonly at: string;
  /** Code of its lot. */
  readonly lot: string | null;
  readonly value: number;
}

/**
 * Values in time's order. Ball weights and yeast are percent off what was wanted, dough off the mixer, probes and air
 * °C (air as it is), times and windows minutes.
 */
export interface ConsistencyChart {
  readonly kind: ChartKind;
  /** Whose hands, of which product, in which place; null where it is of the whole house. */
  readonly personId: string | null;
  readonly productId: string | null;
  readonly placeId: string | null;
  /** By which probe. */
  readonly probeId: string | null;
  readonly points: readonly ChartPoint[];
}

/** What became of a week. */
export interface WeekReview {
  /** Local dates, both included. */
  readonly from: string;
  readonly to: string;
  readonly lots: number;
  readonly balls: number;
  /** Balls that were left, by what became of them; null where nobody counted. */
  readonly left: Readonly<Record<Leftover, number>> | null;
  /** What went into the bin is worth, in the house's own money; null without prices. */
  readonly thrownCost: number | null;
  /** Lots that opened or baked otherwise than well, by how. */
  readonly faults: readonly {
    readonly found: Opening | Baking;
    readonly lots: readonly string[];
  }[];
  readonly opened: { readonly well: number; readonly of: number };
  /** Steps that were done within a quarter of an hour of their plan. */
  readonly onTime: { readonly steps: number; readonly of: number };
  /** Services in which something ran out, and how many there were. */
  readonly short: { readonly services: number; readonly of: number };
  /** How far the forecast was off, percent of what was sold; null where nothing was sold. */
  readonly forecastErrorPercent: number | null;
}

/** How steady a house's work is. */
export interface Consistency {
  readonly charts: readonly ConsistencyChart[];
  readonly week: WeekReview;
}
