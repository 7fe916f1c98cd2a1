import { EVEN_ODDS } from '../../ferment';
import {
  momentsOf,
  waysOf,
  WATERS,
  type DoughPlay,
  type Evening,
  type EveningDough,
  type EveningTray,
  type QuickDough,
  type TrayWay,
} from './evening';
import { quickTrays } from './quickDough';
import { scoreEvening, serve, stopMinOf, weighedCost, type DoughEvening } from './scoreEvening';
import { trayCourse, type TrayCourse } from './trayCourse';

/*
 * How the best in hindsight is found. Most trays of a dough are alike, and doughs do not get in each other's way, so each
 * dough is looked at by itself: every tray in turn takes the way, of all there are, that makes the evening cheapest with
 * the others as they are; then pairs of trays that go alike move together, since two that fill one gap are missed
 * neither by itself. That is done again until nothing helps, from several beginnings. Then every moment is tried at which
 * it could be sold no more, and every dough that could be mixed beside, with the trays put right for each.
 */

/** The best that somebody could have done who knew all that came. */
export interface Hindsight {
  readonly plays: readonly DoughPlay[];
  readonly doughs: readonly DoughEvening[];
}

/** Less than this is rounding. */
const BETTER = 1e-9;
/** Beginnings beside those that are handed in: the first wave at a share of the evening, others so many moments apart. */
const WAVES = [
  { from: 0, apart: 2 },
  { from: 0.15, apart: 3 },
  { from: 0.3, apart: 1 },
] as const;

/** A way with what its dough comes to. */
interface KnownWay {
  readonly way: TrayWay;
  readonly course: TrayCourse;
}

/** What can be done with trays that are alike. */
interface KnownWays {
  readonly all: readonly KnownWay[];
  readonly useful: readonly KnownWay[];
  /** Those of them that are only taken out, or put back once: most of what helps, and few to try. */
  readonly simple: readonly KnownWay[];
}

/** What is decided for a whole dough, with what is mixed beside. */
interface Rest {
  readonly stop: number | null;
  readonly quick: QuickDough | null;
  readonly beside: readonly TrayCourse[];
}

/** A play that is weighed. */
interface Weighed extends Rest {
  readonly trays: readonly KnownWay[];
  readonly cost: number;
}

const NO_REST: Rest = { stop: null, quick: null, beside: [] };

/**
 * The best in hindsight.
 *
 * @param beginnings what was done, or could be: the best is never worse than any of them
 * @param onProgress is told how much of it is done, 0–1
 */
export function bestInHindsight(
  evening: Evening,
  beginnings: readonly (readonly DoughPlay[])[] = [],
  onProgress?: (share: number) => void,
): Hindsight {
  const all = waysOf(momentsOf(evening));
  const plays = evening.doughs.map((dough, i) => {
    const report = (share: number) => onProgress?.((i + share) / evening.doughs.length);
    const begun = beginnings.flatMap((each) => each[i] ?? []);
    return new DoughSearch(evening, dough, all, report).best(begun);
  });
  return { plays, doughs: scoreEvening(evening, plays) };
}

/** A simple way does no more. */
const SIMPLE_ACTS = 2;
/** Of a dough's search, what finding out how its ways go takes, and what the first beginnings take. */
const SHARES = { ways: 0.4, trays: 0.6 } as const;

/** The search for one dough's best. */
class DoughSearch {
  private readonly known: ReadonlyMap<EveningTray, KnownWays>;

  constructor(
    private readonly evening: Evening,
    private readonly dough: EveningDough,
    all: readonly TrayWay[],
    private readonly report: (share: number) => void,
  ) {
    const kinds = [...new Set(dough.trays)];
    this.known = new Map(
      kinds.map((tray, k): [EveningTray, KnownWays] => {
        const ways = all.map((way, i) => {
          if (i % 50 === 0) report((SHARES.ways * (k + i / all.length)) / kinds.length);
          return this.knownWay(tray, way);
        });
        const useful = ways.filter(({ way, course }) => way.length === 0 || isUseful(course));
        const simple = useful.filter(({ way }) => way.length <= SIMPLE_ACTS);
        return [tray, { all: ways, useful, simple }];
      }),
    );
  }

  best(begun: readonly DoughPlay[]): DoughPlay {
    const beginnings = [
      ...begun.map(({ trays, stop, quick }) => ({
        trays: this.dough.trays.map((tray, i) => this.knownWay(tray, trays[i] ?? [])),
        ...this.restOf(stop, quick),
      })),
      ...WAVES.map((wave) => ({ trays: this.waved(wave), ...NO_REST })),
    ];
    let best: Weighed | null = null;
    beginnings.forEach((beginning, i) => {
      best = cheaper(best, this.improved(beginning, 'simple'));
      this.report(SHARES.ways + ((SHARES.trays - SHARES.ways) * i) / beginnings.length);
    });
    const { trays, stop, quick } = this.withRest(best as unknown as Weighed);
    return { trays: trays.map(({ way }) => way), stop, quick };
  }

  /** Tries what can be decided for the whole dough, until nothing helps. */
  private withRest(begun: Weighed): Weighed {
    const quicks = this.quicks();
    const stops = [null, ...Array.from({ length: momentsOf(this.evening) }, (_, moment) => moment)];
    let best = begun;
    for (let isBetter = true; isBetter;) {
      best = this.improved(best, 'useful');
      const before = best.cost;
      for (const stop of stops) best = this.tried(best, { ...best, stop });
      quicks.forEach((quick, i) => {
        best = this.tried(best, { ...best, ...quick });
        this.report(SHARES.trays + ((1 - SHARES.trays) * i) / quicks.length);
      });
      isBetter = best.cost < before - BETTER;
    }
    return best;
  }

  /** The better of what is best so far and the same trays with something else decided, put right for it. */
  private tried(best: Weighed, rest: Weighed): Weighed {
    if (rest.stop === best.stop && rest.quick === best.quick) return best;
    return cheaper(best, this.improved(rest, 'simple'));
  }

  /** What could be mixed beside, beginning with nothing; what never opens is left out. */
  private quicks(): readonly Pick<Rest, 'quick' | 'beside'>[] {
    const moments = Array.from({ length: momentsOf(this.evening) }, (_, moment) => moment);
    const some = moments.flatMap((moment) =>
      WATERS.map((water) => this.restOf(null, { moment, water })),
    );
    return [NO_REST, ...some.filter(({ beside }) => beside.some(isUseful))].map(
      ({ quick, beside }) => ({ quick, beside }),
    );
  }

  private restOf(stop: number | null, quick: QuickDough | null): Rest {
    return { stop, quick, beside: quick ? quickTrays(this.evening, this.dough, quick) : [] };
  }

  private readonly knownWay = (tray: EveningTray, way: TrayWay): KnownWay => ({
    way,
    course: trayCourse(this.evening, this.dough, tray, way),
  });

  private waysOf(i: number): KnownWays {
    return this.known.get(this.dough.trays[i] as EveningTray) as KnownWays;
  }

  private costOf(trays: readonly KnownWay[], { stop, beside }: Rest): number {
    const courses = [...trays.map(({ course }) => course), ...beside];
    return weighedCost(serve(this.dough, this.evening.doorsMin, courses, stopMinOf(stop)).cost);
  }

  /** Trays pulled in waves of two. */
  private waved({ from, apart }: (typeof WAVES)[number]): KnownWay[] {
    const first = Math.floor(from * momentsOf(this.evening));
    return this.dough.trays.map((_, i) => {
      const { all } = this.waysOf(i);
      const moment = first + apart * (i >> 1);
      const plain = all.find(({ way }) => way.length === 1 && way[0]?.moment === moment);
      return plain ?? (all.find(({ way }) => way.length === 0) as KnownWay);
    });
  }

  /** Changes one tray, then two that go alike, as long as that helps. */
  private improved(
    { trays, ...rest }: Rest & Pick<Weighed, 'trays'>,
    ways: 'simple' | 'useful',
  ): Weighed {
    let best = trays;
    let cost = this.costOf(best, rest);
    const move = (some: readonly number[]): boolean => {
      const tried = [...best];
      let found: KnownWay | null = null;
      for (const way of this.waysOf(some[0] as number)[ways]) {
        for (const i of some) tried[i] = way;
        const next = this.costOf(tried, rest);
        if (next < cost - BETTER) [found, cost] = [way, next];
      }
      const to = found;
      if (to) best = best.map((each, i) => (some.includes(i) ? to : each));
      return to !== null;
    };
    for (let isBetter = true; isBetter;) {
      isBetter = false;
      for (let count = 1; count <= 2 && !isBetter; count += 1)
        for (const some of alike(best, count)) isBetter = move(some) || isBetter;
    }
    return { ...rest, trays: best, cost };
  }
}

const cheaper = (best: Weighed | null, other: Weighed): Weighed =>
  best && best.cost <= other.cost + BETTER ? best : other;

/** Whether anybody could be served of it, or keep it: else it is as good to leave it where it is. */
const isUseful = ({ odds, isKept }: TrayCourse): boolean =>
  isKept || odds.some((each) => each >= EVEN_ODDS);

/** The first so many trays of each way that at least so many go: the others of it are as good. */
function alike(trays: readonly KnownWay[], together: number): number[][] {
  const byWay = new Map<KnownWay, number[]>();
  trays.forEach((each, i) => byWay.set(each, [...(byWay.get(each) ?? []), i]));
  return [...byWay.values()]
    .filter((some) => some.length >= together)
    .map((some) => some.slice(0, together));
}
