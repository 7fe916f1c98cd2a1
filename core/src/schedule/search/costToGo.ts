import type { Block, Edge, LotVariant, VariantWork } from './lotVariants';

/** What cannot be costs this. A constant of its own: hot loops look no global up. */
export const NEVER = Infinity;

/** What moments of a week cost and allow, in places of its span. */
export interface CostTables {
  readonly first: number;
  readonly length: number;
  /**
   * What a work costs, points, by the place it starts at; Infinity where it cannot. It holds for the places
   * at which its block may start, and until something is taken or given back. Not to be written to.
   */
  workAt(work: VariantWork, block: Block, variant: LotVariant): Float64Array;
  /** For each place, the first at or after it at which there is no room for the rest. */
  fullFrom(edge: Edge): Int32Array;
  /**
   * Points that resting costs, summed up to each place, beside its distance from the preferred hours; null
   * where it costs nothing. Not to be written to.
   */
  restSums(edge: Edge): Float64Array | null;
  /** Points of a rest as far from its preferred hours as its route allows. */
  readonly quality: number;
}

/** The least that a block and everything after it costs, for each place it may start at. */
export interface CostToGo {
  readonly block: Block;
  /** First place of `least`. */
  readonly from: number;
  readonly least: Float64Array;
  readonly next: readonly { readonly edge: Edge; readonly way: CostToGo }[];
}

/** How far a rest is from its preferred hours, 0–1. */
export function offPreferred({ least, preferred, most }: Edge, quarters: number): number {
  if (quarters < preferred) return (preferred - quarters) / (preferred - least);
  return quarters > preferred ? (quarters - preferred) / (most - preferred) : 0;
}

/**
 * Reckons a mode's ways backwards from its doors: what each block costs at best with all that follows it.
 * Exact for one lot by itself (dynamic programming over the tree of its work).
 */
export function costsToGo(variant: LotVariant, costTables: CostTables): CostToGo | null {
  return costsToGoFrom(variant.root, variant, costTables);
}

function costsToGoFrom(block: Block, variant: LotVariant, costTables: CostTables): CostToGo | null {
  const { domain } = block;
  if (!domain) return null;
  const from = Math.max(0, domain[0] - costTables.first);
  const until = Math.min(costTables.length - 1, domain[1] - costTables.first);
  if (until < from) return null;
  const least = new Float64Array(until - from + 1);
  for (const work of block.works) {
    const costs = costTables.workAt(work, block, variant);
    const at = from + work.offset;
    for (let i = 0; i < least.length; i += 1) {
      least[i] = (least[i] as number) + (costs[at + i] ?? NEVER);
    }
  }
  const next: { edge: Edge; way: CostToGo }[] = [];
  for (const edge of block.next) {
    const way = costsToGoFrom(edge.to, variant, costTables);
    if (!way) return null;
    next.push({ edge, way });
    const rests = leastRests(edge, way, from + block.quarters, least.length, costTables);
    for (let i = 0; i < least.length; i += 1)
      least[i] = (least[i] as number) + (rests[i] as number);
  }
  return { block, from, least, next };
}

/** One side of a rest's preferred hours: it costs `zero + slope × quarters`. */
interface Side {
  readonly from: number;
  readonly to: number;
  readonly zero: number;
  readonly slope: number;
}

function sidesOf({ least, preferred, most, share }: Edge, quality: number): Side[] {
  const whole = quality * share;
  const sides: Side[] = [];
  if (preferred > least) {
    const slope = -whole / (preferred - least);
    sides.push({ from: least, to: preferred, zero: -slope * preferred, slope });
  }
  if (most > preferred) {
    const slope = whole / (most - preferred);
    sides.push({ from: preferred, to: most, zero: -slope * preferred, slope });
  }
  return sides.length > 0 ? sides : [{ from: preferred, to: preferred, zero: 0, slope: 0 }];
}

/**
 * What a rest and all that follows it costs at the least, for each of `count` places it may begin at.
 *
 * Both sides of the preferred hours are straight, so what an end costs does not depend on the beginning
 * but for a constant, and the ends within reach are a window that only moves forward: its least is kept in
 * a queue (sliding window minimum: Lemire 2006), and all beginnings together take one pass.
 */
export function leastRests(
  edge: Edge,
  way: CostToGo,
  first: number,
  count: number,
  costTables: CostTables,
): Float64Array {
  const costs = new Float64Array(count).fill(NEVER);
  const full = costTables.fullFrom(edge);
  const sums = costTables.restSums(edge);
  const last = way.from + way.least.length - 1;
  const queue = new Int32Array(way.least.length);
  const keys = new Float64Array(way.least.length);
  for (const { from, to, zero, slope } of sidesOf(edge, costTables.quality)) {
    let [head, tail, reached] = [0, 0, way.from - 1];
    for (let i = 0; i < count; i += 1) {
      const begins = first + i;
      const room = full[begins] ?? last;
      let latest = begins + to;
      if (latest > last) latest = last;
      if (latest > room) latest = room;
      while (reached < latest) {
        reached += 1;
        const k = reached - way.from;
        const after = way.least[k] as number;
        if (after === NEVER) continue;
        const key = after + slope * reached + (sums ? (sums[reached] as number) : 0);
        keys[k] = key;
        while (tail > head && (keys[queue[tail - 1] as number] as number) > key) tail -= 1;
        queue[tail] = k;
        tail += 1;
      }
      const earliest = begins + from - way.from;
      while (tail > head && (queue[head] as number) < earliest) head += 1;
      if (tail === head) continue;
      const begun = sums ? (sums[begins] as number) : 0;
      const cost = (keys[queue[head] as number] as number) + zero - slope * begins - begun;
      if (cost < (costs[i] as number)) costs[i] = cost;
    }
  }
  return costs;
}

/** The end at which a rest from a place on costs the least with what follows it; −1 where there is none. */
function bestEnd(edge: Edge, way: CostToGo, begins: number, costTables: CostTables): number {
  const sums = costTables.restSums(edge);
  const room = costTables.fullFrom(edge)[begins] ?? NEVER;
  const last = Math.min(way.from + way.least.length - 1, begins + edge.most, room);
  let [cost, ends] = [NEVER, -1];
  for (let t = Math.max(way.from, begins + edge.least); t <= last; t += 1) {
    const off = costTables.quality * edge.share * offPreferred(edge, t - begins);
    const all = (way.least[t - way.from] as number) + off + (sums ? (sums[t] as number) : 0);
    if (all < cost) [cost, ends] = [all, t];
  }
  return ends;
}

/** The cheapest start of a way; `cost` is Infinity where there is none. */
export function bestStart({ from, least }: CostToGo): {
  readonly cost: number;
  readonly start: number;
} {
  let best = { cost: NEVER, start: -1 };
  for (let i = 0; i < least.length; i += 1) {
    const cost = least[i] as number;
    if (cost < best.cost) best = { cost, start: from + i };
  }
  return best;
}

/** Where each block of a way starts and each rest lies, when it begins at a place; as places of the span. */
export interface Laid {
  readonly blocks: readonly { readonly block: Block; readonly start: number }[];
  readonly rests: readonly { readonly edge: Edge; readonly from: number; readonly to: number }[];
}

/** Follows the cheapest way from a start to its doors. */
export function layCheapest(way: CostToGo, start: number, costTables: CostTables): Laid {
  const blocks: { block: Block; start: number }[] = [];
  const rests: { edge: Edge; from: number; to: number }[] = [];
  const follow = (here: CostToGo, at: number) => {
    blocks.push({ block: here.block, start: at });
    const from = at + here.block.quarters;
    for (const { edge, way: next } of here.next) {
      const ends = bestEnd(edge, next, from, costTables);
      rests.push({ edge, from, to: ends });
      follow(next, ends);
    }
  };
  follow(way, start);
  return { blocks, rests };
}
