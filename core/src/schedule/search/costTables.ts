import {
  add,
  benchOf,
  canStart,
  isAtMixer,
  nextFull,
  STRETCH,
  type Ledger,
  type Span,
} from './ledger';
import type { Block, Edge, LotVariant, VariantWork } from './lotVariants';
import { QUARTER, stepName, type PublishedStep, type WeekProblem } from '../problem/problem';
import { NEVER, type CostTables } from './costToGo';

/** Most quarters of a moved step that are counted. */
const MOST_MOVED = 8;

/** What starts cost in themselves: unsocial hours, and steps moved from where they were published. */
export interface StartCosts {
  /** Unsocial quarters up to each place. */
  readonly unsocial: Int32Array;
  readonly published: ReadonlyMap<string, number>;
  readonly pinned: ReadonlyMap<string, number>;
  /** Who did a step, or is pinned to it. */
  readonly peopleOf: ReadonlyMap<string, readonly string[]>;
  readonly problem: WeekProblem;
  readonly span: Span;
}

/** What a week's starts cost, before anything is placed. */
export function startCostsOf(problem: WeekProblem, span: Span): StartCosts {
  const marks = new Int16Array(span.length);
  for (const { startMin, endMin } of problem.unsocial) {
    const from = Math.floor(startMin / QUARTER) - span.first;
    add(marks, from, Math.ceil(endMin / QUARTER) - span.first, 1);
  }
  const unsocial = new Int32Array(span.length + 1);
  for (let t = 0; t < span.length; t += 1) {
    unsocial[t + 1] = (unsocial[t] as number) + Math.min(1, marks[t] as number);
  }
  const startsOfSteps = (steps: readonly PublishedStep[]) =>
    new Map(steps.map(({ step, startMin }) => [step, Math.round(startMin / QUARTER) - span.first]));
  const { published, pinned = [] } = problem;
  return {
    unsocial,
    published: startsOfSteps(published),
    pinned: startsOfSteps(pinned),
    peopleOf: new Map(
      [...published, ...pinned].map(({ step, personIds = [] }) => [step, personIds]),
    ),
    problem,
    span,
  };
}

/** Points of unsocial work when a work starts at a place. */
export function unsocialCost(
  { unsocial, problem, span }: StartCosts,
  { work, quarters }: VariantWork,
  start: number,
): number {
  const end = start + quarters;
  const marked = (unsocial[end < span.length ? end : span.length] ?? 0) - (unsocial[start] ?? 0);
  return problem.weights.unsocial * work.people * marked;
}

const nameOf = (
  { stage }: VariantWork,
  { serviceId }: Block,
  { doughId, serviceIds }: LotVariant,
) => stepName(doughId, serviceIds[0] ?? '', stage, serviceId);

/** Where a work was published or is pinned to start; null when it was not. */
function startIn(
  starts: ReadonlyMap<string, number>,
  work: VariantWork,
  block: Block,
  variant: LotVariant,
): number | null {
  if (starts.size === 0) return null;
  return starts.get(nameOf(work, block, variant)) ?? null;
}

/** Who did a work before, or is pinned to it. */
export function formerPeople(
  { peopleOf }: StartCosts,
  work: VariantWork,
  block: Block,
  variant: LotVariant,
): readonly string[] {
  return peopleOf.size === 0 ? [] : (peopleOf.get(nameOf(work, block, variant)) ?? []);
}

/** Points of having moved from where it was published. */
export function changeCost(
  costs: StartCosts,
  work: VariantWork,
  block: Block,
  variant: LotVariant,
  start: number,
): number {
  const was = startIn(costs.published, work, block, variant);
  if (was === null) return 0;
  return costs.problem.weights.change * Math.min(MOST_MOVED, Math.abs(start - was));
}

/** The costs of a work that was published, with what moving it costs; one that is pinned starts there. */
function withChange(
  plain: Float64Array,
  costs: StartCosts,
  work: VariantWork,
  block: Block,
  variant: LotVariant,
): Float64Array {
  const pin = startIn(costs.pinned, work, block, variant);
  if (pin !== null) return plain.map((cost, start) => (start === pin ? cost : NEVER));
  if (startIn(costs.published, work, block, variant) === null) return plain;
  return plain.map((cost, start) => cost + changeCost(costs, work, block, variant, start));
}

/** Works of one name cost the same wherever they belong to. */
const costName = ({ work, quarters }: VariantWork, { mixerId }: LotVariant): string =>
  `${work.key}/${work.skill}/${work.people}/${quarters}/${mixerId}`;

/** What a work costs by where it starts, and the ledger's changes when each stretch was calculated. */
interface WorkCosts {
  readonly list: Float64Array;
  readonly seen: Int32Array;
}

/**
 * The terms of a week as far as it is planned: what is taken is taken. They follow their ledger: a list is
 * calculated again where it is asked for and work was taken or given back since.
 */
export function costTablesOf(problem: WeekProblem, ledger: Ledger, costs: StartCosts): CostTables {
  const { span, changes } = ledger;
  const known = new Map<string, WorkCosts>();
  const fulls = new Map<string, { readonly full: Int32Array; readonly seen: number }>();
  const refresh = (
    { list, seen }: WorkCosts,
    work: VariantWork,
    mixerId: string,
    from: number,
    to: number,
  ) => {
    for (let i = (from / STRETCH) | 0; i < seen.length && i * STRETCH < to; i += 1) {
      const [begin, end] = [i * STRETCH, (i + 1) * STRETCH];
      const now = changes.between(begin, end + work.quarters);
      if (seen[i] === now) continue;
      seen[i] = now;
      for (let t = begin; t < end && t < list.length; t += 1) {
        list[t] = canStart(ledger, work, mixerId, t) ? unsocialCost(costs, work, t) : NEVER;
      }
    }
  };
  const plainCosts = (work: VariantWork, block: Block, variant: LotVariant): Float64Array => {
    const name = costName(work, variant);
    let ofWork = known.get(name);
    if (!ofWork) {
      const intervals = Math.ceil(span.length / STRETCH);
      ofWork = {
        list: new Float64Array(span.length),
        seen: new Int32Array(intervals).fill(-1),
      };
      refresh(ofWork, work, variant.mixerId, 0, span.length);
      known.set(name, ofWork);
    }
    const { domain } = block;
    if (!domain) return ofWork.list;
    const from = domain[0] - span.first + work.offset;
    refresh(
      ofWork,
      work,
      variant.mixerId,
      from < 0 ? 0 : from,
      domain[1] - span.first + work.offset + 1,
    );
    return ofWork.list;
  };
  return {
    first: span.first,
    length: span.length,
    quality: problem.weights.quality,
    workAt: (work, block, variant) =>
      withChange(plainCosts(work, block, variant), costs, work, block, variant),
    fullFrom(edge) {
      const name = restName(edge);
      const before = fulls.get(name);
      if (before?.seen === changes.rooms) return before.full;
      const full = fullOf(edge, ledger);
      fulls.set(name, { full, seen: changes.rooms });
      return full;
    },
    restSums: () => null,
  };
}

/** Rests of one name take the same room. */
const restName = ({ rest, trays, tubs }: Edge): string => `${rest.place}/${trays}/${tubs}`;

function fullOf({ rest, trays, tubs }: Edge, ledger: Ledger): Int32Array {
  const { length } = ledger.span;
  return trays > 0
    ? nextFull(ledger.trays.get(rest.place), trays, length)
    : nextFull(ledger.tubs.get(rest.place), tubs, length);
}

/** Prices of what is scarce, quarter by quarter; the bound's. */
export interface Prices {
  /** By a set of skills, as bits of `skillIndex`. */
  readonly skills: ReadonlyMap<number, Float64Array>;
  readonly mixers: ReadonlyMap<string, Float64Array>;
  readonly bench: Float64Array;
  readonly trays: ReadonlyMap<string, Float64Array>;
  readonly tubs: ReadonlyMap<string, Float64Array>;
}

/** Sums up to each place, so that any stretch costs two look-ups. */
function summed(prices: Float64Array): Float64Array {
  const sums = new Float64Array(prices.length + 1);
  for (let t = 0; t < prices.length; t += 1) {
    sums[t + 1] = (sums[t] as number) + (prices[t] as number);
  }
  return sums;
}

function between(sums: Float64Array | undefined, from: number, to: number): number {
  if (!sums) return 0;
  const last = sums.length - 1;
  const [begin, end] = [from < 0 ? 0 : from > last ? last : from, to > last ? last : to];
  return (sums[end] as number) - (sums[begin] as number);
}

/** The terms of a week in which nothing is taken and everything scarce has its price. */
export function pricedCostTablesOf(
  opened: CostTables,
  prices: Prices,
  skillBit: (work: VariantWork) => number,
): CostTables {
  const skillSums = new Map<number, Float64Array>();
  const sumsOfSkill = (bit: number): Float64Array => {
    const known = skillSums.get(bit);
    if (known) return known;
    const all = new Float64Array(opened.length);
    for (const [set, list] of prices.skills) {
      if (!(set & bit)) continue;
      for (let t = 0; t < all.length; t += 1) all[t] = (all[t] as number) + (list[t] as number);
    }
    const sums = summed(all);
    skillSums.set(bit, sums);
    return sums;
  };
  const sumsOf = (lists: ReadonlyMap<string, Float64Array>) =>
    new Map([...lists].map(([name, list]) => [name, summed(list)]));
  const [mixers, trays, tubs] = [sumsOf(prices.mixers), sumsOf(prices.trays), sumsOf(prices.tubs)];
  const bench = summed(prices.bench);
  const rests = new Map<string, Float64Array>();
  const known = new Map<
    string,
    { readonly costs: Float64Array; readonly extra: Float64Array; readonly all: Float64Array }
  >();
  const priceOf = (work: VariantWork, variant: LotVariant): Float64Array => {
    const skill = sumsOfSkill(skillBit(work));
    const mixer = isAtMixer(work) ? mixers.get(variant.mixerId) : undefined;
    const places = benchOf(work);
    const list = new Float64Array(opened.length);
    for (let t = 0; t < list.length; t += 1) {
      const end = t + work.quarters;
      list[t] =
        work.work.people * between(skill, t, end) +
        between(mixer, t, end) +
        places * between(places > 0 ? bench : undefined, t, end);
    }
    return list;
  };
  return {
    ...opened,
    workAt(work, block, variant) {
      const name = costName(work, variant);
      const costs = opened.workAt(work, block, variant);
      const before = known.get(name);
      // Most works of a name cost the same before they are priced too.
      if (before?.costs === costs) return before.all;
      const extra = before?.extra ?? priceOf(work, variant);
      const all = new Float64Array(costs.length);
      for (let t = 0; t < all.length; t += 1) all[t] = (costs[t] as number) + (extra[t] as number);
      known.set(name, { costs, extra, all });
      return all;
    },
    restSums(edge) {
      const name = restName(edge);
      const sums = rests.get(name) ?? sumsOfRest(edge, trays, tubs, opened.length);
      rests.set(name, sums);
      return sums;
    },
  };
}

/** What room for a rest costs, summed up to each place. */
function sumsOfRest(
  { rest, trays: wantedTrays, tubs: wantedTubs }: Edge,
  trays: ReadonlyMap<string, Float64Array>,
  tubs: ReadonlyMap<string, Float64Array>,
  length: number,
): Float64Array {
  const [ofTrays, ofTubs] = [trays.get(rest.place), tubs.get(rest.place)];
  const sums = new Float64Array(length + 1);
  for (let t = 0; t < sums.length; t += 1) {
    sums[t] = wantedTrays * (ofTrays?.[t] ?? 0) + wantedTubs * (ofTubs?.[t] ?? 0);
  }
  return sums;
}
