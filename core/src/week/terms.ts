import { add, benchOf, isAtMixer, nextFull, startsOf, type Ledger, type Span } from './ledger';
import type { Block, Edge, Mode, ModeWork } from './modes';
import { QUARTER, stepName, type WeekProblem } from './problem';
import { NEVER, type Terms } from './way';

/** Most quarters of a moved step that are counted. */
const MOST_MOVED = 8;

/** What starts cost in themselves: unsocial hours, and steps moved from where they were published. */
export interface StartCosts {
  /** Unsocial quarters up to each place. */
  readonly unsocial: Int32Array;
  readonly published: ReadonlyMap<string, number>;
  readonly problem: WeekProblem;
  readonly span: Span;
}

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
  const published = new Map(
    problem.published.map(({ step, startMin }) => [
      step,
      Math.round(startMin / QUARTER) - span.first,
    ]),
  );
  return { unsocial, published, problem, span };
}

/** Points of unsocial work, and of having moved, by the place a work starts at. */
export function startCost(
  { unsocial, published, problem, span }: StartCosts,
  work: ModeWork,
  block: Block,
  mode: Mode,
): (start: number) => { readonly unsocial: number; readonly change: number } {
  const { weights } = problem;
  const was =
    published.size > 0
      ? published.get(stepName(mode.doughId, mode.serviceIds[0] ?? '', work.stage, block.serviceId))
      : undefined;
  const aQuarter = weights.unsocial * work.work.people;
  return (start) => {
    const end = start + work.quarters;
    const quarters =
      (unsocial[end < span.length ? end : span.length] ?? 0) - (unsocial[start] ?? 0);
    if (was === undefined) return { unsocial: aQuarter * quarters, change: 0 };
    const moved = Math.min(MOST_MOVED, Math.abs(start - was));
    return { unsocial: aQuarter * quarters, change: weights.change * moved };
  };
}

/** The terms of a week as far as it is planned: what is taken is taken. */
export function termsOf(problem: WeekProblem, ledger: Ledger, costs: StartCosts): Terms {
  const { span } = ledger;
  const starts = new Map<string, Uint8Array>();
  const fulls = new Map<string, Int32Array>();
  return {
    first: span.first,
    length: span.length,
    quality: problem.weights.quality,
    workAt(work, block, mode) {
      const { key, skill, people } = work.work;
      const name = `${key}/${skill}/${people}/${work.quarters}/${mode.mixerId}`;
      const can = starts.get(name) ?? startsOf(ledger, work, mode.mixerId);
      starts.set(name, can);
      const cost = startCost(costs, work, block, mode);
      return (start) => {
        if (!can[start]) return NEVER;
        const { unsocial, change } = cost(start);
        return unsocial + change;
      };
    },
    fullFrom(edge) {
      const name = `${edge.rest.place}/${edge.trays}/${edge.tubs}`;
      const full = fulls.get(name) ?? fullOf(edge, ledger);
      fulls.set(name, full);
      return full;
    },
    restBetween: () => 0,
  };
}

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
export function pricedTermsOf(
  opened: Terms,
  prices: Prices,
  skillBit: (work: ModeWork) => number,
): Terms {
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
  return {
    ...opened,
    workAt(work, block, mode) {
      const costAt = opened.workAt(work, block, mode);
      const skill = sumsOfSkill(skillBit(work));
      const mixer = isAtMixer(work) ? mixers.get(mode.mixerId) : undefined;
      const places = benchOf(work);
      const { people } = work.work;
      return (start) => {
        const cost = costAt(start);
        if (cost === NEVER) return cost;
        const end = start + work.quarters;
        return (
          cost +
          people * between(skill, start, end) +
          between(mixer, start, end) +
          places * between(places > 0 ? bench : undefined, start, end)
        );
      };
    },
    restBetween: ({ rest, trays: wantedTrays, tubs: wantedTubs }, from, to) =>
      wantedTrays * between(trays.get(rest.place), from, to) +
      wantedTubs * between(tubs.get(rest.place), from, to),
  };
}
