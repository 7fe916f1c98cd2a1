import { randomOf } from '../../numerics';
import { boundsOf, coverOf, leastCostsOf } from './bound';
import { demandsOf, type Demand } from '../problem/demands';
import { benchOf, isAtMixer, openLedger, type Ledger } from './ledger';
import { lotVariantsOfDough, type LotVariant, type VariantWork } from './lotVariants';
import { lotOf, place, putBack, takeOut, type Placed } from './placing';
import { planOfLots } from '../problem/planOfLots';
import type { WeekPlan, WeekProblem } from '../problem/problem';
import { startCostsOf, costTablesOf, type StartCosts } from './costTables';
import { bestStart, layCheapest, NEVER, costsToGo, type CostTables } from './costToGo';

/** How a plan comes along: it can be taken at any moment. */
export interface SolverProgress {
  readonly plan: WeekPlan;
  /** Points of the plan, open services not counted. */
  readonly points: number;
  /** No plan costs less; −∞ until something is known. */
  readonly bound: number;
  /** Services × doughs without a place. */
  readonly open: number;
  readonly rounds: number;
}

/** How far a plan can be from the best one there is, percent of its cost; null while something is open. */
export function gapPercent({ points, bound, open }: SolverProgress): number | null {
  if (open > 0 || !(bound > -Infinity)) return null;
  if (points <= bound + 1e-6) return 0;
  return points > 0 ? (100 * (points - bound)) / points : 0;
}

/** A service that finds no place weighs more than all else. */
const OPEN_POINTS = 1e5;
/** Rounds of the search between two steps of the bound: as many as the one gains against the other, within these. */
const [FEWEST_ROUNDS, MOST_ROUNDS] = [6, 60];
const FIRST_SHARE = 12;
/** How fast what was gained of late is forgotten. */
const FADES = 0.8;

/**
 * Plans a week and goes on improving the plan: the first one comes at once, each later one is never worse.
 * Whoever asks decides when it is good enough; there is no clock in here.
 *
 * The search takes a few lots that stand near each other out of the plan, covers their services again and
 * places them one by one at their cheapest (large neighbourhood search: Shaw 1998); the bound is
 * `boundsOf`.
 *
 * @param seed the same seed finds the same plan
 */
export function* optimizeWeek(
  problem: WeekProblem,
  seed = 1,
): Generator<SolverProgress, never, void> {
  const week = openWeek(problem);
  const random = randomOf(seed).uniform;
  let placed = firstPlan(week, random);
  let best = { placed, points: pointsOf(placed, week) };
  const { opened, variants, leastOf } = week;
  const bounds = boundsOf(problem, openLedger(problem), opened, variants, leastOf, () =>
    openOf(best.placed, week) > 0 ? Infinity : best.points,
  );
  let bound = -Infinity;
  let rounds = 0;
  yield told();
  let share = FIRST_SHARE;
  let [byBound, byRound] = [0, 0];
  for (;;) {
    const [wasBound, wasPoints] = [bound, best.points];
    bound = bounds.next().value.points;
    for (let i = 0; i < share; i += 1) {
      rounds += 1;
      placed = oneRound(week, placed, random);
      const points = pointsOf(placed, week);
      if (points < best.points - 1e-9) best = { placed, points };
    }
    // Whichever of the two has closed more of the gap of late gets more of the time.
    byBound = FADES * byBound + (wasBound > -Infinity ? bound - wasBound : 0);
    byRound =
      FADES * byRound + Math.min(wasPoints, OPEN_POINTS) - Math.min(best.points, OPEN_POINTS);
    const more = byRound > byBound ? 1.25 : 0.8;
    share = Math.min(MOST_ROUNDS, Math.max(FEWEST_ROUNDS, share * more));
    yield told();
  }

  function told(): SolverProgress {
    const open = openOf(best.placed, week);
    return {
      plan: planOf(best.placed, week),
      points: best.points - open * OPEN_POINTS,
      bound,
      open,
      rounds,
    };
  }
}

/** Everything that stays the same while a week is searched. */
interface Week {
  readonly problem: WeekProblem;
  readonly ledger: Ledger;
  readonly costs: StartCosts;
  /** What is free in the ledger. */
  readonly costTables: CostTables;
  /** What would be free if nothing were planned. */
  readonly opened: CostTables;
  readonly leastOf: (variant: LotVariant) => number;
  /** By dough, then by where the run begins. */
  readonly variants: readonly (readonly (readonly LotVariant[])[])[];
  /** Services × doughs. */
  readonly wanted: readonly Demand[];
}

function openWeek(problem: WeekProblem): Week {
  const ledger = openLedger(problem);
  const variants = problem.doughs.map((dough) => lotVariantsOfDough(problem, dough));
  const wanted = demandsOf(problem);
  const costs = startCostsOf(problem, ledger.span);
  const costTables = costTablesOf(problem, ledger, costs);
  const opened = costTablesOf(problem, openLedger(problem), costs);
  const leastOf = leastCostsOf(problem, opened);
  return { problem, ledger, costs, costTables, opened, leastOf, variants, wanted };
}

const pointsOf = (placed: readonly Placed[], week: Week): number =>
  placed.reduce((sum, { points }) => sum + points, 0) + OPEN_POINTS * openOf(placed, week);

const openOf = (placed: readonly Placed[], { wanted }: Week): number =>
  wanted.length - placed.reduce((sum, { variant }) => sum + variant.serviceIds.length, 0);

/** Rounds in which the first plan looks for a place for what it left open. */
const FIRST_ROUNDS = 60;

/** The cheapest cover of every dough, each lot placed at its cheapest, the one with least room first. */
function firstPlan(week: Week, random: () => number): readonly Placed[] {
  let placed = fill(week, [], (variants) => variants);
  for (let i = 0; i < FIRST_ROUNDS && openOf(placed, week) > 0; i += 1) {
    placed = oneRound(week, placed, random);
  }
  return placed;
}

/**
 * Covers what is open and places it. Covers are chosen by what a lot would cost by itself in what is free;
 * a lot that then finds no place is covered again, until nothing more fits.
 */
function fill(
  week: Week,
  kept: readonly Placed[],
  shuffled: (variants: LotVariant[]) => LotVariant[],
): readonly Placed[] {
  const placed = [...kept];
  for (let tries = 0; tries < 3; tries += 1) {
    const before = placed.length;
    for (const variant of shuffled(coversOf(week, placed))) {
      const lot = place(week.problem, week.ledger, week.costs, variant, week.costTables);
      if (lot) placed.push(lot);
    }
    if (openOf(placed, week) === 0 || placed.length === before) break;
  }
  return placed;
}

/** The modes that cover what is open at the least cost, each calculated by itself; most pressed first. */
function coversOf(week: Week, placed: readonly Placed[]): LotVariant[] {
  const { problem, costTables, leastOf } = week;
  const done = new Set(
    placed.flatMap(({ variant }) => variant.serviceIds.map((id) => `${variant.doughId}/${id}`)),
  );
  const pressed: { variant: LotVariant; points: number; room: number }[] = [];
  for (const byStart of week.variants) {
    const known = new Map<LotVariant, { points: number; room: number }>();
    const isOpen = (variant: LotVariant) =>
      variant.serviceIds.every((id) => !done.has(`${variant.doughId}/${id}`));
    if (!byStart.some((variants) => variants.some(isOpen))) continue;
    const { variants } = coverOf(
      byStart.map((each) => each.filter(isOpen)),
      (variant) => {
        const way = costsToGo(variant, costTables);
        const points = way ? bestStart(way).cost + problem.weights.mix : Infinity;
        const room = way ? way.least.reduce((sum, cost) => sum + (cost < Infinity ? 1 : 0), 0) : 0;
        known.set(variant, { points, room });
        return points;
      },
      leastOf,
      OPEN_POINTS,
    );
    for (const variant of variants)
      pressed.push({ variant, ...(known.get(variant) ?? { points: 0, room: 0 }) });
  }
  return pressed.sort((a, b) => a.room - b.room).map(({ variant }) => variant);
}

/** How often a round makes room for what is open. */
const FOR_OPEN = 0.3;
/** Points by which a plan may become worse, about once in three times; more while something is open. */
const DARING = 4;
const DARING_WHILE_OPEN = 60;

/** Takes a few lots out, and plans them again with what is open; worse is seldom kept. */
function oneRound(week: Week, placed: readonly Placed[], random: () => number): readonly Placed[] {
  if (placed.length === 0) return fill(week, [], (variants) => shuffle(variants, random));
  const before = pointsOf(placed, week);
  const isOpen = openOf(placed, week) > 0;
  const open = isOpen && random() < FOR_OPEN ? openOne(week, placed, random) : null;
  const [gone, order] = (open && madeRoom(week, placed, open, random)) ?? [
    nearOnes(placed, isOpen ? 3 : 2, random),
    random() < 0.6
      ? (variants: LotVariant[]) => variants
      : (variants: LotVariant[]) => shuffle(variants, random),
  ];
  const kept = placed.filter((lot) => !gone.has(lot));
  for (const lot of gone) takeOut(week.ledger, lot);
  const next = fill(week, kept, order);
  const after = pointsOf(next, week);
  const isKept =
    after <= before + 1e-9 ||
    random() < Math.exp(-(after - before) / (isOpen ? DARING_WHILE_OPEN : DARING));
  if (isKept) return next;
  for (const lot of next) if (!kept.includes(lot)) takeOut(week.ledger, lot);
  for (const lot of gone) putBack(week.ledger, lot);
  return placed;
}

/** A few lots that stand near each other. */
function nearOnes(
  placed: readonly Placed[],
  fewest: number,
  random: () => number,
): ReadonlySet<Placed> {
  const seed = placed[Math.floor(random() * placed.length)] as Placed;
  const most = fewest + Math.floor(random() * Math.min(5, placed.length));
  return new Set(
    placed
      .map((lot) => ({ lot, apart: apartOf(seed, lot) * (0.5 + random()) }))
      .sort((a, b) => a.apart - b.apart)
      .slice(0, most)
      .map(({ lot }) => lot),
  );
}

/** One dough of one service that has no place; null when all have. */
function openOne({ wanted }: Week, placed: readonly Placed[], random: () => number): Demand | null {
  const done = new Set(
    placed.flatMap(({ variant }) => variant.serviceIds.map((id) => `${variant.doughId}/${id}`)),
  );
  const open = wanted.filter(({ doughId, serviceId }) => !done.has(`${doughId}/${serviceId}`));
  return open[Math.floor(random() * open.length)] ?? null;
}

/**
 * The lots that stand in the way of what is open, if it went about one of its better ways, and an order of
 * planning in which it comes first; null when no such way is.
 */
function madeRoom(
  { variants, opened, leastOf }: Week,
  placed: readonly Placed[],
  { doughId, serviceId }: Demand,
  random: () => number,
): [ReadonlySet<Placed>, (variants: LotVariant[]) => LotVariant[]] | null {
  const isForIt = (variant: LotVariant) =>
    variant.doughId === doughId && variant.serviceIds.includes(serviceId);
  const [variant] = variants
    .flat(2)
    .filter(isForIt)
    .map((each) => ({ each, price: leastOf(each) / each.serviceIds.length + 40 * random() }))
    .sort((a, b) => a.price - b.price)
    .map(({ each }) => each);
  const way = variant && costsToGo(variant, opened);
  if (!way) return null;
  const loose = way.least.map((cost) => cost * (1 + random() / 2));
  const { start, cost } = bestStart({ ...way, least: loose });
  if (cost === NEVER) return null;
  const needed = layCheapest(way, start, opened).blocks.flatMap(({ block, start: at }) =>
    block.works.map((work) => ({ work, start: at + work.offset })),
  );
  const isInTheWay = (lot: Placed) =>
    variant.serviceIds.some(
      (id) => lot.variant.doughId === doughId && lot.variant.serviceIds.includes(id),
    ) ||
    lot.works.some((own) =>
      needed.some(
        ({ work, start: at }) =>
          own.start < at + work.quarters &&
          at < own.start + own.work.quarters &&
          shareSomething(own.work, lot.variant, work, variant),
      ),
    );
  const itFirst = (list: LotVariant[]) =>
    list.sort((a, b) => Number(isForIt(b)) - Number(isForIt(a)));
  return [new Set(placed.filter(isInTheWay)), itFirst];
}

/** Whether two pieces of work may want the same hands, mixer or bench. */
const shareSomething = (
  a: VariantWork,
  ofA: LotVariant,
  b: VariantWork,
  ofB: LotVariant,
): boolean =>
  a.work.skill === b.work.skill ||
  (isAtMixer(a) && isAtMixer(b) && ofA.mixerId === ofB.mixerId) ||
  (benchOf(a) > 0 && benchOf(b) > 0);

/** How far apart two lots' work lies, quarters; lots of one dough are near. */
function apartOf(a: Placed, b: Placed): number {
  let least = NEVER;
  for (const one of a.works) {
    for (const other of b.works) {
      const apart = one.start < other.start ? other.start - one.start : one.start - other.start;
      if (apart < least) least = apart;
    }
  }
  return a.variant.doughId === b.variant.doughId ? least / 2 : least;
}

const planOf = (placed: readonly Placed[], { problem, ledger }: Week): WeekPlan =>
  planOfLots(
    problem,
    placed.map((lot) => lotOf(lot, ledger)),
  );

function shuffle<Item>(list: Item[], random: () => number): Item[] {
  for (let i = list.length - 1; i > 0; i -= 1) {
    const j = Math.floor(random() * (i + 1));
    [list[i], list[j]] = [list[j] as Item, list[i] as Item];
  }
  return list;
}
