import { SKILLS, type Skill, type WorkKey } from '../../formula/route';
import type { Block, LotVariant, VariantWork } from './lotVariants';
import { QUARTER, type WeekProblem } from '../problem/problem';

/** Work at the bench takes as many places there as it takes people. */
const AT_BENCH: readonly string[] = ['divide-ball', 'pan', 'sheet'];
/** Work in the bowl. */
const AT_MIXER: readonly string[] = ['mix', 'preferment-mix'];

/** Whether work takes places at the bench. */
export const isAtBench = (key: WorkKey): boolean => AT_BENCH.includes(key);
/** Places at the bench that a work takes. */
export const benchOf = ({ work }: VariantWork): number => (isAtBench(work.key) ? work.people : 0);
/** Whether work takes a mixer. */
export const isAtMixer = ({ work }: VariantWork): boolean => AT_MIXER.includes(work.key);

/** The quarters that a week is planned in: absolute quarters since 1970 become places in arrays. */
export interface Span {
  readonly first: number;
  readonly length: number;
}

/** From now to the last doors. */
export function spanOf({ nowMin, services }: WeekProblem): Span {
  const first = Math.ceil(nowMin / QUARTER);
  const last = Math.max(first, ...services.map(({ endMin }) => Math.ceil(endMin / QUARTER)));
  return { first, length: last - first + 1 };
}

/** Who is busy, which mixer runs, how full the bench and the places are: quarter by quarter. */
export interface Ledger {
  readonly span: Span;
  readonly people: readonly {
    readonly id: string;
    readonly skills: ReadonlySet<Skill>;
    /** 1 where the person is in and free. */
    readonly free: Uint8Array;
    /** Quarters worked so far. */
    worked: number;
  }[];
  /** 1 where the mixer is free. */
  readonly mixers: ReadonlyMap<string, Uint8Array>;
  readonly bench: Int16Array;
  /** What is left of each place; places that are not named are not here. */
  readonly trays: ReadonlyMap<string, Int16Array>;
  readonly tubs: ReadonlyMap<string, Int16Array>;
  readonly changes: Changes;
}

/** Quarters of one stretch of the ledger's changes. */
export const STRETCH = 32;

/** How often a ledger has changed, so that what was calculated of it is calculated again only where it must be. */
class Changes {
  /** How often room was taken or given back. */
  rooms = 0;
  /** How often work was, by stretches of the span. */
  private readonly works: Int32Array;

  constructor({ length }: Span) {
    this.works = new Int32Array(Math.ceil(length / STRETCH));
  }

  /** Work was taken or given back. */
  work(from: number, to: number): void {
    const last = (to - 1) / STRETCH;
    for (let i = (from / STRETCH) | 0; i <= last; i += 1)
      this.works[i] = (this.works[i] as number) + 1;
  }

  /** Changes so far between two quarters: the same number means that nothing has changed there. */
  between(from: number, to: number): number {
    const last = (to - 1) / STRETCH;
    let sum = 0;
    for (let i = (from / STRETCH) | 0; i <= last && i < this.works.length; i += 1) {
      sum += this.works[i] as number;
    }
    return sum;
  }
}

/** The ledger of a week in which only what is frozen is planned. */
export function openLedger(problem: WeekProblem): Ledger {
  const span = spanOf(problem);
  const { length } = span;
  const within = (startMin: number, endMin: number, isWhole: boolean) => {
    const [from, to] = isWhole
      ? [Math.ceil(startMin / QUARTER), Math.floor(endMin / QUARTER)]
      : [Math.floor(startMin / QUARTER), Math.ceil(endMin / QUARTER)];
    return [Math.max(0, from - span.first), Math.min(length, to - span.first)] as const;
  };
  const people = problem.people.map(({ id, skills, shifts }) => {
    const free = new Uint8Array(length);
    for (const { startMin, endMin } of shifts) {
      const [from, to] = within(startMin, endMin, true);
      if (to > from) free.fill(1, from, to);
    }
    return { id, skills: new Set(skills), free, worked: 0 };
  });
  const mixers = new Map(
    problem.doughs
      .flatMap((dough) => dough.mixers)
      .map(({ mixerId }) => [mixerId, new Uint8Array(length).fill(1)]),
  );
  const bench = new Int16Array(length).fill(problem.benchPlaces);
  const trays = new Map(
    problem.places.map((place) => [place.name, new Int16Array(length).fill(place.trays)]),
  );
  const tubs = new Map(
    problem.places.map((place) => [place.name, new Int16Array(length).fill(place.tubs)]),
  );
  for (const work of problem.frozenWorks) {
    const [from, to] = within(work.startMin, work.endMin, false);
    for (const person of people)
      if (work.personIds.includes(person.id)) person.free.fill(0, from, to);
    if (work.mixerId !== null) mixers.get(work.mixerId)?.fill(0, from, to);
    add(bench, from, to, -work.bench);
  }
  for (const rest of problem.frozenRests) {
    const [from, to] = within(rest.startMin, rest.endMin, false);
    add(trays.get(rest.place), from, to, -rest.trays);
    add(tubs.get(rest.place), from, to, -rest.tubs);
  }
  return { span, people, mixers, bench, trays, tubs, changes: new Changes(span) };
}

/** Adds to a stretch of a list, as far as the list goes. */
export function add(list: Int16Array | undefined, from: number, to: number, by: number): void {
  if (!list || by === 0) return;
  for (let i = Math.max(0, from); i < to && i < list.length; i += 1) list[i] = (list[i] ?? 0) + by;
}

/**
 * Whether a piece of work can start at a quarter: enough people with its skill free all through, the mixer
 * and the bench too.
 */
export function canStart(
  ledger: Ledger,
  work: VariantWork,
  mixerId: string,
  start: number,
): boolean {
  const end = start + work.quarters;
  if (end > ledger.span.length) return false;
  const { skill } = work.work;
  let missing = work.work.people;
  for (const { skills, free } of ledger.people) {
    if (missing <= 0) break;
    if (skills.has(skill) && isFreeAll(free, start, end)) missing -= 1;
  }
  if (missing > 0) return false;
  if (isAtMixer(work)) {
    const mixer = ledger.mixers.get(mixerId);
    if (!mixer || !isFreeAll(mixer, start, end)) return false;
  }
  const bench = benchOf(work);
  if (bench > 0) {
    for (let t = start; t < end; t += 1) if ((ledger.bench[t] as number) < bench) return false;
  }
  return true;
}

function isFreeAll(free: Uint8Array, start: number, end: number): boolean {
  for (let t = start; t < end; t += 1) if (!free[t]) return false;
  return true;
}

/** For each quarter, the first one at or after it at which a place lacks room for so many; or the end. */
export function nextFull(left: Int16Array | undefined, wanted: number, length: number): Int32Array {
  const full = new Int32Array(length + 1).fill(length + 1);
  if (!left || wanted <= 0) return full;
  full[length] = length + 1;
  for (let t = length - 1; t >= 0; t -= 1) {
    full[t] = (left[t] ?? 0) < wanted ? t : (full[t + 1] as number);
  }
  return full;
}

/** Every block of a mode, the first one first. */
export function blocksOf({ root }: LotVariant): Block[] {
  const all: Block[] = [];
  const visit = (block: Block) => {
    all.push(block);
    block.next.forEach(({ to }) => visit(to));
  };
  visit(root);
  return all;
}

/**
 * How many people are in and free, quarter by quarter, who have any skill of a set; by the set's bits.
 * Work with skills of the set alone can never take more of them than that (Hall's condition).
 */
export function peopleBySkills({ people, span }: Ledger): Map<number, Float64Array> {
  const bySkills = new Map<number, Float64Array>();
  for (let set = 1; set < 1 << SKILLS.length; set += 1) {
    const counts = new Float64Array(span.length);
    for (const { skills, free } of people) {
      if (![...skills].some((skill) => set & (1 << skillIndex(skill)))) continue;
      for (let t = 0; t < counts.length; t += 1) {
        counts[t] = (counts[t] as number) + (free[t] as number);
      }
    }
    bySkills.set(set, counts);
  }
  return bySkills;
}

/** A skill's place in their fixed order; its bit in a set of skills. */
export const skillIndex = (skill: Skill): number => SKILLS.indexOf(skill);
