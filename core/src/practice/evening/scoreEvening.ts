import { QUARTER_MIN } from '../../demand';
import { EVEN_ODDS } from '../../ferment';
import type { Evening, EveningDough, TrayWay } from './evening';
import { trayCourse, type TrayCourse } from './trayCourse';

/** What an evening costs, each counted by itself. */
export interface EveningCost {
  /** Guests whom nothing was ready for. */
  readonly short: number;
  /** Pizzas of balls that did not open well. */
  readonly bad: number;
  /** Balls that are no use to anybody any more. */
  readonly thrown: number;
  /** Of hands. */
  readonly minutes: number;
}

/** What one of each is worth, in guests sent away. Starting values: a house that knows better says so. */
export const COST_WEIGHTS = {
  short: 1,
  bad: 0.6,
  thrown: 0.15,
  minutes: 0.02,
} as const satisfies Record<keyof EveningCost, number>;

/** All of an evening in one number: guests sent away, and what is worth as much. */
export const weighedCost = (cost: EveningCost): number =>
  cost.short * COST_WEIGHTS.short +
  cost.bad * COST_WEIGHTS.bad +
  cost.thrown * COST_WEIGHTS.thrown +
  cost.minutes * COST_WEIGHTS.minutes;

/** Costs of several doughs together. */
export const totalCost = (costs: readonly EveningCost[]): EveningCost =>
  costs.reduce<EveningCost>(
    (sum, cost) => ({
      short: sum.short + cost.short,
      bad: sum.bad + cost.bad,
      thrown: sum.thrown + cost.thrown,
      minutes: sum.minutes + cost.minutes,
    }),
    { short: 0, bad: 0, thrown: 0, minutes: 0 },
  );

/** A quarter of an hour as it is served. */
export interface ServedQuarter {
  /** Guests whom nothing was ready for. */
  readonly short: number;
  /** Of the pizzas, those that were bad. */
  readonly bad: number;
}

/**
 * Serves a dough's guests, quarter by quarter: of trays that open well at least every other time, the one that has been
 * out longest first.
 *
 * @param trays each on the way that it takes
 * @param onQuarter is told how each quarter went
 */
export function serve(
  { perQuarter, ballsPerTray }: EveningDough,
  doorsMin: number,
  trays: readonly TrayCourse[],
  onQuarter?: (quarter: ServedQuarter) => void,
): EveningCost {
  const byAge = [...trays].sort((a, b) => a.outMin - b.outMin);
  const left = byAge.map(() => ballsPerTray);
  let [short, bad] = [0, 0];
  for (let i = 0; i < perQuarter.length; i += 1) {
    const minute = doorsMin + (i + 0.5) * QUARTER_MIN;
    let wanted = perQuarter[i] as number;
    let badNow = 0;
    for (let j = 0; j < byAge.length && wanted > 0; j += 1) {
      const { odds, goneMin } = byAge[j] as TrayCourse;
      const opens = odds[i] as number;
      const balls = left[j] as number;
      if (balls <= 0 || opens < EVEN_ODDS || minute >= goneMin) continue;
      const taken = Math.min(wanted, balls);
      left[j] = balls - taken;
      wanted -= taken;
      badNow += taken * (1 - opens);
    }
    short += wanted;
    bad += badNow;
    onQuarter?.({ short: wanted, bad: badNow });
  }
  let [thrown, minutes] = [0, 0];
  byAge.forEach((tray, j) => {
    if (!tray.isKept) thrown += left[j] as number;
    minutes += tray.minutes;
  });
  return { short, bad, thrown, minutes };
}

/** One dough's service as it went. */
export interface DoughEvening {
  readonly cost: EveningCost;
  readonly quarters: readonly ServedQuarter[];
}

/**
 * What an evening came to, dough by dough.
 *
 * @param ways of each dough's trays
 */
export const scoreEvening = (
  evening: Evening,
  ways: readonly (readonly TrayWay[])[],
): readonly DoughEvening[] =>
  evening.doughs.map((dough, i) => {
    const quarters: ServedQuarter[] = [];
    const trays = (ways[i] ?? []).map((way) => trayCourse(evening, dough, way));
    const cost = serve(dough, evening.doorsMin, trays, (quarter) => quarters.push(quarter));
    return { cost, quarters };
  });
