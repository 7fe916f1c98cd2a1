import { QUARTER_MIN } from '../../demand';
import { EVEN_ODDS } from '../../ferment';
import { MOMENT_MIN, type DoughPlay, type Evening, type EveningDough } from './evening';
import { quickTrays } from './quickDough';
import { trayCourse, type TrayCourse } from './trayCourse';

/** What an evening costs, each counted by itself. */
export interface EveningCost {
  /** Guests whom nothing was ready for. */
  readonly short: number;
  /** Guests who were told before they ordered that there is no more. */
  readonly told: number;
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
  told: 0.5,
  bad: 0.6,
  thrown: 0.15,
  minutes: 0.02,
} as const satisfies Record<keyof EveningCost, number>;

/** All of an evening in one number: guests sent away, and what is worth as much. */
export const weighedCost = (cost: EveningCost): number =>
  cost.short * COST_WEIGHTS.short +
  cost.told * COST_WEIGHTS.told +
  cost.bad * COST_WEIGHTS.bad +
  cost.thrown * COST_WEIGHTS.thrown +
  cost.minutes * COST_WEIGHTS.minutes;

/** Nothing. */
export const NO_COST: EveningCost = { short: 0, told: 0, bad: 0, thrown: 0, minutes: 0 };

/** Costs of several doughs together. */
export const totalCost = (costs: readonly EveningCost[]): EveningCost =>
  costs.reduce<EveningCost>(
    (sum, cost) => ({
      short: sum.short + cost.short,
      told: sum.told + cost.told,
      bad: sum.bad + cost.bad,
      thrown: sum.thrown + cost.thrown,
      minutes: sum.minutes + cost.minutes,
    }),
    NO_COST,
  );

/** A quarter of an hour as it is served. */
export interface ServedQuarter {
  /** Guests whom nothing was ready for. */
  readonly short: number;
  /** Guests who were told that there is no more. */
  readonly told: number;
  /** Of the pizzas, those that were bad. */
  readonly bad: number;
}

/** How a dough's guests were served. */
export interface Served {
  readonly cost: EveningCost;
  /** Balls that are left of each tray, as they were handed in. */
  readonly left: readonly number[];
}

/**
 * Serves a dough's guests, quarter by quarter: of trays that open well at least every other time, the one that has been
 * out longest first.
 *
 * @param trays each on the way that it takes
 * @param stopMin minute from which nothing of it is sold any more
 * @param onQuarter is told how each quarter went
 */
export function serve(
  { perQuarter }: Pick<EveningDough, 'perQuarter'>,
  doorsMin: number,
  trays: readonly TrayCourse[],
  stopMin: number = Infinity,
  onQuarter?: (quarter: ServedQuarter) => void,
): Served {
  const byAge = oldestFirst(trays);
  const left = trays.map(({ balls }) => balls);
  let [short, bad, told] = [0, 0, 0];
  for (let i = 0; i < perQuarter.length; i += 1) {
    const minute = doorsMin + (i + 0.5) * QUARTER_MIN;
    let wanted = perQuarter[i] as number;
    let badNow = 0;
    const isSold = minute < stopMin;
    for (let k = 0; isSold && k < byAge.length && wanted > 0; k += 1) {
      const j = byAge[k] as number;
      const { odds, goneMin } = trays[j] as TrayCourse;
      const opens = odds[i] as number;
      const balls = left[j] as number;
      if (balls <= 0 || opens < EVEN_ODDS || minute >= goneMin) continue;
      const taken = Math.min(wanted, balls);
      left[j] = balls - taken;
      wanted -= taken;
      badNow += taken * (1 - opens);
    }
    if (isSold) short += wanted;
    else told += wanted;
    bad += badNow;
    onQuarter?.({ short: isSold ? wanted : 0, told: isSold ? 0 : wanted, bad: badNow });
  }
  let [thrown, minutes] = [0, 0];
  trays.forEach((tray, j) => {
    if (!tray.isKept) thrown += left[j] as number;
    minutes += tray.minutes;
  });
  return { cost: { short, told, bad, thrown, minutes }, left };
}

/** Which trays have been out longest; put in one by one, since this is asked hundreds of thousands of times. */
function oldestFirst(trays: readonly TrayCourse[]): Uint16Array {
  const order = new Uint16Array(trays.length);
  for (let j = 0; j < trays.length; j += 1) {
    const { outMin } = trays[j] as TrayCourse;
    let at = j;
    for (; at > 0; at -= 1) {
      const before = order[at - 1] as number;
      if ((trays[before] as TrayCourse).outMin <= outMin) break;
      order[at] = before;
    }
    order[at] = j;
  }
  return order;
}

/** Minute from which a dough is not sold any more; infinite where it is sold to the end. */
export const stopMinOf = (stop: number | null): number =>
  stop === null ? Infinity : stop * MOMENT_MIN;

/** One dough's service as it went. */
export interface DoughEvening extends Served {
  readonly quarters: readonly ServedQuarter[];
}

/** Every tray of a dough on its way, and after them those that were mixed beside. */
export const traysOfPlay = (
  evening: Evening,
  dough: EveningDough,
  { trays, quick }: DoughPlay,
): TrayCourse[] => [
  ...dough.trays.map((tray, i) => trayCourse(evening, dough, tray, trays[i] ?? [])),
  ...(quick ? quickTrays(evening, dough, quick) : []),
];

/**
 * What an evening came to, dough by dough.
 *
 * @param plays of each dough
 */
export const scoreEvening = (
  evening: Evening,
  plays: readonly DoughPlay[],
): readonly DoughEvening[] =>
  evening.doughs.map((dough, i) => {
    const quarters: ServedQuarter[] = [];
    const play = plays[i];
    const served = serve(
      dough,
      evening.doorsMin,
      play ? traysOfPlay(evening, dough, play) : [],
      stopMinOf(play?.stop ?? null),
      (quarter) => quarters.push(quarter),
    );
    return { ...served, quarters };
  });
