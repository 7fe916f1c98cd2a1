import { benchOf, isAtMixer, peopleBySkills, skillIndex, type Ledger } from './ledger';
import type { LotVariant, VariantWork } from './lotVariants';
import type { WeekProblem } from '../problem/problem';
import { pricedCostTablesOf, type Prices } from './costTables';
import { bestStart, layCheapest, costsToGo, type CostTables } from './costToGo';

/** The cheapest cover of a dough's services by runs, each made in one mode. */
export interface Cover {
  readonly points: number;
  readonly variants: readonly LotVariant[];
}

/**
 * Covers a dough's services in time's order by runs of modes, at the least cost. A mode is calculated only
 * when its least possible cost puts it into the cover; the cover is the cheapest all the same.
 *
 * @param byStart modes by where their run begins
 * @param pointsOf a mode's cost; Infinity where it cannot be
 * @param leastOf what a variant costs at the very least
 * @param open points of a service that stays open; Infinity where none may
 */
export function coverOf(
  byStart: readonly (readonly LotVariant[])[],
  pointsOf: (variant: LotVariant) => number,
  leastOf: (variant: LotVariant) => number,
  open = Infinity,
): Cover {
  const known = new Map<LotVariant, number>();
  for (;;) {
    const cover = cheapestCover(byStart, (variant) => known.get(variant) ?? leastOf(variant), open);
    const guessed = cover.variants.filter((variant) => !known.has(variant));
    if (guessed.length === 0) return cover;
    for (const variant of guessed) known.set(variant, pointsOf(variant));
  }
}

/** Dynamic programming over the services, the last one first. */
function cheapestCover(
  byStart: readonly (readonly LotVariant[])[],
  pointsOf: (variant: LotVariant) => number,
  open: number,
): Cover {
  const least = new Float64Array(byStart.length + 1);
  const chosen: (LotVariant | null)[] = [];
  for (let i = byStart.length - 1; i >= 0; i -= 1) {
    least[i] = open + (least[i + 1] as number);
    chosen[i] = null;
    for (const variant of byStart[i] ?? []) {
      const all = pointsOf(variant) + (least[i + variant.serviceIds.length] as number);
      if (all < (least[i] as number)) {
        least[i] = all;
        chosen[i] = variant;
      }
    }
  }
  const variants: LotVariant[] = [];
  for (let i = 0; i < byStart.length;) {
    const variant = chosen[i];
    if (variant) variants.push(variant);
    i += variant ? variant.serviceIds.length : 1;
  }
  return { points: least[0] as number, variants };
}

/**
 * What each mode costs at the least, with the week to itself, calculated when it is first asked.
 *
 * @param opened the terms of a week in which nothing is planned
 */
export function leastCostsOf(
  problem: WeekProblem,
  opened: CostTables,
): (variant: LotVariant) => number {
  const known = new Map<LotVariant, number>();
  return (variant) => {
    const before = known.get(variant);
    if (before !== undefined) return before;
    const way = costsToGo(variant, opened);
    const least = way ? bestStart(way).cost + problem.weights.mix : Infinity;
    known.set(variant, least);
    return least;
  };
}

/** What there is of everything scarce, and what of it a relaxed week uses. */
interface Amounts {
  readonly skills: Map<number, Float64Array>;
  readonly mixers: Map<string, Float64Array>;
  readonly bench: Float64Array;
  readonly trays: Map<string, Float64Array>;
  readonly tubs: Map<string, Float64Array>;
}

/** The proven bound, step by step. */
export interface Bound {
  /** No plan of the week costs less, points. */
  readonly points: number;
  /** The modes of the relaxed week: a good beginning for a plan. */
  readonly variants: readonly LotVariant[];
}

/**
 * A lower bound on every plan of a week, by Lagrangian relaxation: people, mixers, bench and room are not
 * limited but priced, each lot goes its own cheapest way, and the prices follow what is over-used. People
 * are counted by sets of skills (Hall's condition), not named. Any prices give a bound; it is the best one
 * seen that is told. Method: Held and Karp 1971; steps after Polyak 1969.
 *
 * @param variants by dough, then by where the run begins
 * @param leastOf what a mode costs at the very least
 * @param best the cheapest plan known so far, asked before each step
 */
export function* boundsOf(
  problem: WeekProblem,
  ledger: Ledger,
  opened: CostTables,
  variants: readonly (readonly (readonly LotVariant[])[])[],
  leastOf: (variant: LotVariant) => number,
  best: () => number,
): Generator<Bound, never, void> {
  const there = capacities(ledger);
  const prices = emptyLike(there);
  let told: Bound = { points: -Infinity, variants: [] };
  let boldness = 1;
  let since = 0;
  for (;;) {
    const costTables = pricedCostTablesOf(opened, prices as Prices, bitOf);
    const used = emptyLike(there);
    let points = -priced(prices, there);
    const chosen: LotVariant[] = [];
    for (const byStart of variants) {
      const pointsOf = (variant: LotVariant) => {
        const way = costsToGo(variant, costTables);
        return way ? bestStart(way).cost + problem.weights.mix : Infinity;
      };
      const cover = coverOf(byStart, pointsOf, leastOf);
      points += cover.points;
      chosen.push(...cover.variants);
    }
    for (const variant of chosen) count(variant, costTables, used);
    if (points > told.points) {
      told = { points, variants: chosen };
      since = 0;
    } else since += 1;
    if (since >= 8) {
      boldness /= 2;
      since = 0;
    }
    yield told;
    const goal = Math.max(best(), told.points + 1);
    const aim = Number.isFinite(goal) ? goal : told.points * 1.1 + 100;
    moveAll(prices, used, there, boldness * (aim - points));
  }
}

const bitOf = ({ work }: VariantWork) => 1 << skillIndex(work.skill);

/** How much there is of everything scarce. */
function capacities(ledger: Ledger): Amounts {
  const { mixers, bench, trays, tubs } = ledger;
  const numbers = (lists: ReadonlyMap<string, ArrayLike<number>>) =>
    new Map([...lists].map(([name, list]) => [name, Float64Array.from(list)]));
  return {
    skills: peopleBySkills(ledger),
    mixers: numbers(mixers),
    bench: Float64Array.from(bench),
    trays: numbers(trays),
    tubs: numbers(tubs),
  };
}

function emptyLike({ skills, mixers, bench, trays, tubs }: Amounts): Amounts {
  const empty = <Key>(lists: ReadonlyMap<Key, Float64Array>) =>
    new Map([...lists].map(([key, list]) => [key, new Float64Array(list.length)]));
  return {
    skills: empty(skills),
    mixers: empty(mixers),
    bench: new Float64Array(bench.length),
    trays: empty(trays),
    tubs: empty(tubs),
  };
}

const listsOf = ({ skills, mixers, bench, trays, tubs }: Amounts): Float64Array[] => [
  ...skills.values(),
  ...mixers.values(),
  bench,
  ...trays.values(),
  ...tubs.values(),
];

function priced(prices: Amounts, there: Amounts): number {
  const lists = listsOf(there);
  let sum = 0;
  listsOf(prices).forEach((list, i) => {
    const amounts = lists[i] as Float64Array;
    for (let t = 0; t < list.length; t += 1) sum += (list[t] as number) * (amounts[t] as number);
  });
  return sum;
}

/** Adds what a lot uses on its cheapest way. */
function count(variant: LotVariant, costTables: CostTables, used: Amounts): void {
  const way = costsToGo(variant, costTables);
  if (!way) return;
  const { start, cost } = bestStart(way);
  if (cost === Infinity) return;
  const laid = layCheapest(way, start, costTables);
  const addTo = (list: Float64Array | undefined, from: number, to: number, by: number) => {
    if (!list || by === 0) return;
    for (let t = from; t < to && t < list.length; t += 1) list[t] = (list[t] as number) + by;
  };
  for (const { block, start: at } of laid.blocks) {
    for (const work of block.works) {
      const [from, to] = [at + work.offset, at + work.offset + work.quarters];
      const bit = bitOf(work);
      for (const [set, list] of used.skills) if (set & bit) addTo(list, from, to, work.work.people);
      if (isAtMixer(work)) addTo(used.mixers.get(variant.mixerId), from, to, 1);
      addTo(used.bench, from, to, benchOf(work));
    }
  }
  for (const { edge, from, to } of laid.rests) {
    addTo(used.trays.get(edge.rest.place), from, to, edge.trays);
    addTo(used.tubs.get(edge.rest.place), from, to, edge.tubs);
  }
}

/** Moves every price by how much is over-used; none goes below nothing. */
function moveAll(prices: Amounts, used: Amounts, there: Amounts, length: number): void {
  const [lists, uses, amounts] = [listsOf(prices), listsOf(used), listsOf(there)];
  let square = 0;
  lists.forEach((list, i) => {
    const [use, amount] = [uses[i] as Float64Array, amounts[i] as Float64Array];
    for (let t = 0; t < list.length; t += 1) {
      const over = (use[t] as number) - (amount[t] as number);
      if (over > 0 || (list[t] as number) > 0) square += over * over;
    }
  });
  if (square === 0) return;
  const step = length / square;
  lists.forEach((list, i) => {
    const [use, amount] = [uses[i] as Float64Array, amounts[i] as Float64Array];
    for (let t = 0; t < list.length; t += 1) {
      const over = (use[t] as number) - (amount[t] as number);
      list[t] = Math.max(0, (list[t] as number) + step * over);
    }
  });
}
