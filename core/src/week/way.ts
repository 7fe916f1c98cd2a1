import { domainOf, type Block, type Edge, type Mode, type ModeWork } from './modes';

/** What cannot be costs this. A constant of its own: hot loops look no global up. */
export const NEVER = Infinity;

/** What moments of a week cost and allow, in places of its span. */
export interface Terms {
  readonly first: number;
  readonly length: number;
  /** What a work costs, points, by the place it starts at; Infinity where it cannot. Not to be written to. */
  workAt(work: ModeWork, block: Block, mode: Mode): Float64Array;
  /** For each place, the first at or after it at which there is no room for the rest. */
  fullFrom(edge: Edge): Int32Array;
  /** Points that the rest costs from one place to another, beside its distance from the preferred hours. */
  restBetween(edge: Edge, from: number, to: number): number;
  /** Points of a rest as far from its preferred hours as its route allows. */
  readonly quality: number;
}

/** The least that a block and everything after it costs, for each place it may start at. */
export interface Way {
  readonly block: Block;
  /** First place of `least`. */
  readonly from: number;
  readonly least: Float64Array;
  readonly next: readonly { readonly edge: Edge; readonly way: Way }[];
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
export function waysOf(mode: Mode, terms: Terms): Way | null {
  return wayOf(mode.root, mode, terms);
}

function wayOf(block: Block, mode: Mode, terms: Terms): Way | null {
  const domain = domainOf(block);
  if (!domain) return null;
  const from = Math.max(0, domain[0] - terms.first);
  const until = Math.min(terms.length - 1, domain[1] - terms.first);
  if (until < from) return null;
  const least = new Float64Array(until - from + 1);
  for (const work of block.works) {
    const costs = terms.workAt(work, block, mode);
    const at = from + work.offset;
    for (let i = 0; i < least.length; i += 1) {
      least[i] = (least[i] as number) + (costs[at + i] ?? NEVER);
    }
  }
  const next: { edge: Edge; way: Way }[] = [];
  for (const edge of block.next) {
    const way = wayOf(edge.to, mode, terms);
    if (!way) return null;
    next.push({ edge, way });
    const full = terms.fullFrom(edge);
    for (let i = 0; i < least.length; i += 1) {
      const start = from + i;
      if (least[i] === NEVER) continue;
      least[i] =
        (least[i] as number) + bestRest(edge, way, start + block.quarters, full, terms).cost;
    }
  }
  return { block, from, least, next };
}

/** The cheapest rest from a place on, with what follows it. */
export function bestRest(
  edge: Edge,
  way: Way,
  begins: number,
  full: Int32Array,
  terms: Terms,
): { readonly cost: number; readonly ends: number } {
  let earliest = begins + edge.least;
  if (earliest < way.from) earliest = way.from;
  let latest = begins + edge.most;
  const last = way.from + way.least.length - 1;
  if (latest > last) latest = last;
  const room = full[begins];
  if (room !== undefined && latest > room) latest = room;
  let cost = NEVER;
  let ends = -1;
  for (let t = earliest; t <= latest; t += 1) {
    const after = way.least[t - way.from] as number;
    if (after >= cost) continue;
    const off = terms.quality * edge.share * offPreferred(edge, t - begins);
    const all = after + off + terms.restBetween(edge, begins, t);
    if (all < cost) {
      cost = all;
      ends = t;
    }
  }
  return { cost, ends };
}

/** The cheapest start of a way; `cost` is Infinity where there is none. */
export function bestStart({ from, least }: Way): { readonly cost: number; readonly start: number } {
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
export function layWay(way: Way, start: number, terms: Terms): Laid {
  const blocks: { block: Block; start: number }[] = [];
  const rests: { edge: Edge; from: number; to: number }[] = [];
  const follow = (here: Way, at: number) => {
    blocks.push({ block: here.block, start: at });
    const from = at + here.block.quarters;
    for (const { edge, way: next } of here.next) {
      const { ends } = bestRest(edge, next, from, terms.fullFrom(edge), terms);
      rests.push({ edge, from, to: ends });
      follow(next, ends);
    }
  };
  follow(way, start);
  return { blocks, rests };
}
