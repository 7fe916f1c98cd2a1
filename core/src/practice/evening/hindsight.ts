import { EVEN_ODDS } from '../../ferment';
import { momentsOf, waysOf, type Evening, type EveningDough, type TrayWay } from './evening';
import { scoreEvening, serve, weighedCost, type DoughEvening } from './scoreEvening';
import { trayCourse, type TrayCourse } from './trayCourse';

/*
 * How the best in hindsight is found. Trays of a dough are alike, and doughs do not get in each other's way, so each
 * dough is looked at by itself: every tray in turn takes the way, of all there are, that makes the evening cheapest with
 * the others as they are; then pairs of trays that go alike move together, since two that fill one gap are missed
 * neither by itself. That is done again until nothing helps, from several beginnings.
 */

/** The best that somebody could have done who knew all that came. */
export interface Hindsight {
  readonly ways: readonly (readonly TrayWay[])[];
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

/**
 * The best in hindsight.
 *
 * @param beginnings what was done, or could be: the best is never worse than any of them
 */
export function bestInHindsight(
  evening: Evening,
  beginnings: readonly (readonly (readonly TrayWay[])[])[] = [],
): Hindsight {
  const all = waysOf(momentsOf(evening));
  const ways = evening.doughs.map((dough, i) => {
    const known = all.map((way): KnownWay => ({ way, course: trayCourse(evening, dough, way) }));
    const ofDough = beginnings.map((each) =>
      (each[i] ?? []).map((way): KnownWay => ({ way, course: trayCourse(evening, dough, way) })),
    );
    return bestOfDough(dough, evening.doorsMin, known, [
      ...ofDough,
      ...WAVES.map((wave) => waved(dough.trays, momentsOf(evening), wave, known)),
    ]);
  });
  return { ways, doughs: scoreEvening(evening, ways) };
}

function bestOfDough(
  dough: EveningDough,
  doorsMin: number,
  known: readonly KnownWay[],
  beginnings: readonly (readonly KnownWay[])[],
): TrayWay[] {
  const costFor = (trays: readonly KnownWay[]) =>
    weighedCost(
      serve(
        dough,
        doorsMin,
        trays.map(({ course }) => course),
      ),
    );
  const useful = known.filter(({ way, course }) => way.length === 0 || isUseful(course));
  let [best, bestCost]: [readonly KnownWay[], number] = [[], Infinity];
  for (const beginning of beginnings) {
    const found = improved(beginning, useful, costFor);
    const cost = costFor(found);
    if (cost < bestCost - BETTER) [best, bestCost] = [found, cost];
  }
  return best.map(({ way }) => way);
}

/** Whether anybody could be served of it, or keep it: else it is as good to leave it where it is. */
const isUseful = ({ odds, isKept }: TrayCourse): boolean =>
  isKept || odds.some((each) => each >= EVEN_ODDS);

/** Trays pulled in waves of two. */
function waved(
  trays: number,
  moments: number,
  { from, apart }: (typeof WAVES)[number],
  known: readonly KnownWay[],
): KnownWay[] {
  const plain = (moment: number) =>
    known.find(({ way }) => way.length === 1 && way[0]?.moment === moment);
  const never = known.find(({ way }) => way.length === 0) as KnownWay;
  const first = Math.floor(from * moments);
  return Array.from({ length: trays }, (_, i) => plain(first + apart * (i >> 1)) ?? never);
}

/** Changes one tray, then two that go alike, as long as that helps. */
function improved(
  beginning: readonly KnownWay[],
  ways: readonly KnownWay[],
  costFor: (trays: readonly KnownWay[]) => number,
): readonly KnownWay[] {
  let best = beginning;
  let bestCost = costFor(best);
  const move = (trays: readonly number[]): boolean => {
    const tried = [...best];
    let found: KnownWay | null = null;
    for (const way of ways) {
      for (const i of trays) tried[i] = way;
      const cost = costFor(tried);
      if (cost < bestCost - BETTER) [found, bestCost] = [way, cost];
    }
    const to = found;
    if (to) best = best.map((each, i) => (trays.includes(i) ? to : each));
    return to !== null;
  };
  for (let isBetter = true; isBetter;) {
    isBetter = false;
    for (const trays of alike(best, 1)) isBetter = move(trays) || isBetter;
    if (isBetter) continue;
    for (const trays of alike(best, 2)) isBetter = move(trays) || isBetter;
  }
  return best;
}

/** The first so many trays of each way that at least so many go: the others of it are as good. */
function alike(trays: readonly KnownWay[], together: number): number[][] {
  const byWay = new Map<KnownWay, number[]>();
  trays.forEach((each, i) => byWay.set(each, [...(byWay.get(each) ?? []), i]));
  return [...byWay.values()]
    .filter((some) => some.length >= together)
    .map((some) => some.slice(0, together));
}
