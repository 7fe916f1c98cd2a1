import { normalQuantile, type Random } from '@calm/core';

/** What is not known of a week as it is planned, and moves its dough. */
export const FACTORS = ['bench', 'cold', 'yeast', 'dough', 'mix-late', 'pull-late'] as const;
/** One of it. */
export type Factor = (typeof FACTORS)[number];

/** How it scatters where a house looks after it. Starting values: temperatures °C, one standard deviation. */
const SCATTER = { benchC: 1, coldC: 0.4, yeast: 0.06, doughC: 0.6 } as const;
/** How often hands are late with a step, by how much on average, and by how much at most, min. */
const LATE = { often: 0.1, meanMin: 15, mostMin: 60 } as const;

/** Where in its scatter each factor lies in a future, 0–1. */
export type Draw = Readonly<Record<Factor, number>>;

/** How a week may come, as far as one lot's balls of one service are concerned. */
export interface Future {
  readonly benchC: number;
  readonly coldC: number;
  /** Against what is written. */
  readonly yeast: number;
  readonly doughC: number;
  readonly mixLateMin: number;
  readonly pullLateMin: number;
}

const lateMin = (u: number): number => {
  const share = (u - (1 - LATE.often)) / LATE.often;
  return share <= 0 ? 0 : Math.min(LATE.mostMin, -LATE.meanMin * Math.log(1 - share));
};

/** A future by where its factors lie. */
export const futureOf = (draw: Draw): Future => ({
  benchC: SCATTER.benchC * normalQuantile(draw.bench),
  coldC: SCATTER.coldC * normalQuantile(draw.cold),
  yeast: Math.exp(SCATTER.yeast * normalQuantile(draw.yeast)),
  doughC: SCATTER.doughC * normalQuantile(draw.dough),
  mixLateMin: lateMin(draw['mix-late']),
  pullLateMin: lateMin(draw['pull-late']),
});

/**
 * So many numbers between 0 and 1, one in each of as many equal parts, in any order (McKay, Beckman and Conover 1979):
 * odds of few futures are then nearer to those of very many.
 */
export function stratified(count: number, { uniform }: Random): number[] {
  const draws = Array.from({ length: count }, (_, i) => (i + uniform()) / count);
  for (let i = count - 1; i > 0; i -= 1) {
    const j = Math.floor(uniform() * (i + 1));
    [draws[i], draws[j]] = [draws[j] as number, draws[i] as number];
  }
  // Neither end has a quantile.
  return draws.map((u) => Math.min(1 - 1e-9, Math.max(1e-9, u)));
}
