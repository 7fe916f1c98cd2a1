import { add, benchOf, isAtMixer, type Ledger } from './ledger';
import type { Block, Edge, LotVariant, VariantWork } from './lotVariants';
import {
  QUARTER,
  totalOf,
  type PlannedLot,
  type WeekCost,
  type WeekProblem,
} from '../problem/problem';
import { changeCost, formerPeople, unsocialCost, type StartCosts } from './costTables';
import { plannedRest, plannedStep } from '../problem/plannedLot';
import {
  bestStart,
  layCheapest,
  offPreferred,
  costsToGo,
  type Laid,
  type CostTables,
  type CostToGo,
} from './costToGo';

/** A work with who does it. */
interface PlacedWork {
  readonly work: VariantWork;
  readonly block: Block;
  readonly start: number;
  /** Places in the ledger's people. */
  readonly people: readonly number[];
}

/** A lot that is written into the ledger. */
export interface Placed {
  readonly variant: LotVariant;
  readonly laid: Laid;
  readonly works: readonly PlacedWork[];
  readonly cost: WeekCost;
  readonly points: number;
}

/** Other starts that are tried when a lot stands in its own way. */
const TRIES = 6;

/**
 * Places a lot at its cheapest in what the ledger leaves free, and writes it in.
 *
 * @returns null when it fits nowhere; the ledger is then as it was
 */
export function place(
  problem: WeekProblem,
  ledger: Ledger,
  costs: StartCosts,
  variant: LotVariant,
  costTables: CostTables,
): Placed | null {
  const way = costsToGo(variant, costTables);
  if (!way) return null;
  const open: CostToGo = { ...way, least: way.least.slice() };
  for (let tries = 0; tries < TRIES; tries += 1) {
    const { cost, start } = bestStart(open);
    if (cost === Infinity) return null;
    const laid = layCheapest(way, start, costTables);
    const works = writeIn(ledger, costs, variant, laid);
    if (works) {
      const own = costOf(problem, costs, variant, laid);
      return { variant, laid, works, cost: own, points: totalOf(own) };
    }
    open.least[start - open.from] = Infinity;
  }
  return null;
}

function costOf(
  problem: WeekProblem,
  costs: StartCosts,
  variant: LotVariant,
  laid: Laid,
): WeekCost {
  let [unsocial, change] = [0, 0];
  for (const { block, start } of laid.blocks) {
    for (const work of block.works) {
      unsocial += unsocialCost(costs, work, start + work.offset);
      change += changeCost(costs, work, block, variant, start + work.offset);
    }
  }
  const off = laid.rests.reduce(
    (sum, { edge, from, to }) => sum + edge.share * offPreferred(edge, to - from),
    0,
  );
  const { quality, mix } = problem.weights;
  return { quality: quality * off, unsocial, mix, change };
}

/** Takes people, mixer, bench and room for a lot; null, and nothing taken, when one of them is not there. */
function writeIn(
  ledger: Ledger,
  costs: StartCosts,
  variant: LotVariant,
  laid: Laid,
): PlacedWork[] | null {
  const works: PlacedWork[] = [];
  const rests: Laid['rests'][number][] = [];
  let before: readonly number[] = [];
  for (const rest of laid.rests) {
    if (!hasRoom(ledger, rest.edge, rest.from, rest.to)) return undo();
    takeRest(ledger, rest.edge, rest.from, rest.to, 1);
    rests.push(rest);
  }
  for (const { block, start } of [...laid.blocks].sort((a, b) => a.start - b.start)) {
    for (const work of block.works) {
      const at = start + work.offset;
      const former = formerPeople(costs, work, block, variant);
      const people = choose(ledger, work, at, former, before);
      if (!people || !isFree(ledger, work, variant, at)) return undo();
      const placed = { work, block, start: at, people };
      takeWork(ledger, variant, placed, 1);
      works.push(placed);
      before = people;
    }
  }
  return works;

  function undo(): null {
    for (const placed of works) takeWork(ledger, variant, placed, -1);
    for (const { edge, from, to } of rests) takeRest(ledger, edge, from, to, -1);
    return null;
  }
}

/** Takes a lot out of the ledger again. */
export function takeOut(ledger: Ledger, { variant, laid, works }: Placed): void {
  for (const placed of works) takeWork(ledger, variant, placed, -1);
  for (const { edge, from, to } of laid.rests) takeRest(ledger, edge, from, to, -1);
}

/** Writes a lot in that was taken out, exactly as it was: what it took must be free. */
export function putBack(ledger: Ledger, { variant, laid, works }: Placed): void {
  for (const placed of works) takeWork(ledger, variant, placed, 1);
  for (const { edge, from, to } of laid.rests) takeRest(ledger, edge, from, to, 1);
}

function takeWork(
  ledger: Ledger,
  variant: LotVariant,
  { work, start, people }: PlacedWork,
  by: 1 | -1,
) {
  const end = start + work.quarters;
  for (const i of people) {
    const person = ledger.people[i];
    if (!person) continue;
    person.free.fill(by > 0 ? 0 : 1, start, end);
    person.worked += by * work.quarters;
  }
  if (isAtMixer(work)) ledger.mixers.get(variant.mixerId)?.fill(by > 0 ? 0 : 1, start, end);
  add(ledger.bench, start, end, -by * benchOf(work));
  ledger.changes.work(start, end);
}

function takeRest(ledger: Ledger, edge: Edge, from: number, to: number, by: 1 | -1) {
  add(ledger.trays.get(edge.rest.place), from, to, -by * edge.trays);
  add(ledger.tubs.get(edge.rest.place), from, to, -by * edge.tubs);
  ledger.changes.rooms += 1;
}

function hasRoom({ trays, tubs }: Ledger, edge: Edge, from: number, to: number): boolean {
  const [left, leftTubs] = [trays.get(edge.rest.place), tubs.get(edge.rest.place)];
  for (let t = from; t < to; t += 1) {
    if (left && (left[t] ?? 0) < edge.trays) return false;
    if (leftTubs && (leftTubs[t] ?? 0) < edge.tubs) return false;
  }
  return true;
}

function isFree(ledger: Ledger, work: VariantWork, variant: LotVariant, start: number): boolean {
  const end = start + work.quarters;
  const mixer = isAtMixer(work) ? ledger.mixers.get(variant.mixerId) : null;
  const bench = benchOf(work);
  for (let t = start; t < end; t += 1) {
    if (mixer && !mixer[t]) return false;
    if (bench > 0 && (ledger.bench[t] ?? 0) < bench) return false;
  }
  return true;
}

/** Who does it: whoever did it before, then whoever did the last of it, then whoever can do least else, then who has worked least. */
function choose(
  { people }: Ledger,
  { work, quarters }: VariantWork,
  start: number,
  former: readonly string[],
  before: readonly number[],
): number[] | null {
  const able = people.flatMap((person, i) => {
    if (!person.skills.has(work.skill)) return [];
    for (let t = start; t < start + quarters; t += 1) if (!person.free[t]) return [];
    return [i];
  });
  if (able.length < work.people) return null;
  const rank = (i: number) => {
    const person = people[i];
    return (
      (former.includes(person?.id ?? '') ? -1e8 : 0) +
      (before.includes(i) ? -1e6 : 0) +
      (person?.skills.size ?? 0) * 1e4 +
      (person?.worked ?? 0)
    );
  };
  return able.sort((a, b) => rank(a) - rank(b)).slice(0, work.people);
}

/** A placed lot as the plan says it. */
export function lotOf({ variant, laid, works, cost }: Placed, ledger: Ledger): PlannedLot {
  const minute = (place: number) => (place + ledger.span.first) * QUARTER;
  return {
    id: `${variant.doughId}/${variant.serviceIds[0]}`,
    doughId: variant.doughId,
    serviceIds: variant.serviceIds,
    mixerId: variant.mixerId,
    loads: variant.loads,
    doughKg: variant.doughKg,
    cost,
    steps: works
      .map(({ work, block, start, people }) =>
        plannedStep(
          variant,
          block,
          work,
          minute(start),
          people.map((i) => ledger.people[i]?.id ?? ''),
        ),
      )
      .sort((x, y) => x.startMin - y.startMin),
    rests: laid.rests
      .filter(({ edge }) => edge.rest.place !== '')
      .map(({ edge, from, to }) => plannedRest(edge, minute(from), minute(to))),
  };
}
