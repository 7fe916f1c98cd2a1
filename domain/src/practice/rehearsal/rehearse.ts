import type { Assumption, Place, WeekDocument } from '@calm/contract';
import { editLot, randomOf, type PlannedLot, type Random, type StepRef } from '@calm/core';
import { simulateLot, type SimulatedLot } from '../../week/weekDoses';
import { simulateWeek } from '../../week/simulateWeek';
import type { Climate } from '../../week/climate';
import { problemOfWeek } from '../../week/weekProblem';
import { FACTORS, futureOf, stratified, type Draw, type Factor } from './futures';
import {
  batchesIn,
  partsOfLot,
  shortOn,
  windowsIn,
  type OpenBetween,
  type ServicePart,
} from './servicePart';

/** A plan that is rehearsed. */
export interface RehearsalAsked {
  readonly document: WeekDocument;
  readonly lots: readonly PlannedLot[];
  readonly places: readonly Place[];
  readonly assumptions: readonly Assumption[];
  /** Lots whose yeast is in them already. */
  readonly mixed: readonly string[];
  readonly futures: number;
  readonly seed: number;
}

/** One product's balls for one service, over all futures. */
export interface RehearsedPart {
  readonly serviceId: string;
  readonly productId: string;
  readonly lotId: string;
  /** That they are enough and ready at every moment, 0–1. */
  readonly odds: number;
  /** Guests sent away on average. */
  readonly short: number;
  /** What tells good futures from bad ones most; guests where none of the dough's own does. */
  readonly hangsOn: Factor | 'guests';
}

/** What would make a weak part stronger. */
export type Strengthening = { readonly odds: number } & (
  | {
      readonly kind: 'pull';
      readonly step: StepRef;
      readonly byMin: number;
      readonly toMin: number;
    }
  | { readonly kind: 'more-balls'; readonly percent: number }
);

/** A weak part, with the best of what would strengthen it; null where nothing that was tried does. */
export interface WeakPoint extends RehearsedPart {
  readonly strengthening: Strengthening | null;
}

/** A plan after its rehearsal. */
export interface Rehearsal {
  readonly services: readonly { readonly serviceId: string; readonly odds: number }[];
  readonly parts: readonly RehearsedPart[];
  /** The weakest parts, the weakest first. */
  readonly weakest: readonly WeakPoint[];
  readonly futures: number;
}

/** Evenings that are drawn in each future: its guests are what costs nothing to draw. */
const EVENINGS = 40;
const WEAKEST = 3;
/** As good as certain: not a weak point. */
const SURE_ODDS = 0.98;
/** Less is no strengthening. */
const WORTH = 0.01;
/** Half an hour sooner or later, an hour sooner; so many more balls, percent. */
const PULLS_MIN = [-30, 30, -60] as const;
const MORE_PERCENT = [10, 20] as const;
/** A factor that tells futures apart less than this is not what it hangs on. */
const TELLS = 0.25;

/** A part's futures: where the factors of each lie, and when its balls open well in it. */
interface PartFutures {
  readonly draws: readonly Draw[];
  readonly windows: readonly (OpenBetween | null)[];
}

/** What they come to: that its balls are enough in each, and guests sent away. */
interface Outcome {
  readonly enough: readonly number[];
  readonly short: readonly number[];
}

/**
 * Rehearses a plan: every part of it in so many futures, that share their weather and have their own dough, hands and
 * guests; then what would strengthen the weakest.
 *
 * @yields how much of it is done, 0–1, so that it can be stopped
 */
export function* rehearse(asked: RehearsalAsked): Generator<number, Rehearsal> {
  const { document, lots, places, assumptions, mixed, futures, seed } = asked;
  const week = simulateWeek(document, lots, { places, assumptions, mixed: new Set(mixed) });
  yield 0.05;
  const weather = weatherOf(seed, futures);
  const parts = lots.flatMap((lot, i) => partsOfLot(document, lot, week.lots[i] as SimulatedLot));
  const known: PartFutures[] = [];
  const outcomes: Outcome[] = [];
  for (const [i, part] of parts.entries()) {
    const futuresOfPart = futuresOf(part, weather, seedOf(seed, part));
    known.push(futuresOfPart);
    outcomes.push(outcomeOf(part, futuresOfPart, seedOf(seed, part)));
    yield 0.05 + (0.7 * (i + 1)) / parts.length;
  }
  const rehearsed = parts.map((part, i) =>
    partOf(part, known[i] as PartFutures, outcomes[i] as Outcome),
  );
  const serviceIds = [...new Set(parts.map(({ serviceId }) => serviceId))];
  const services = serviceIds.map((serviceId) => {
    const ofService = outcomes.filter((_, i) => parts[i]?.serviceId === serviceId);
    const enough = Array.from({ length: futures }, (_, i) =>
      ofService.reduce((product, { enough: odds }) => product * (odds[i] as number), 1),
    );
    return { serviceId, odds: meanOf(enough) };
  });
  const order = rehearsed
    .map((_, i) => i)
    .filter((i) => (rehearsed[i] as RehearsedPart).odds < SURE_ODDS)
    .sort((a, b) => (rehearsed[a] as RehearsedPart).odds - (rehearsed[b] as RehearsedPart).odds)
    .slice(0, WEAKEST);
  const weakest: WeakPoint[] = [];
  for (const i of order) {
    const part = parts[i] as ServicePart;
    const told = rehearsed[i] as RehearsedPart;
    const simulated = week.lots.find(({ lotId }) => lotId === part.lot.id);
    const of = { part, known: known[i] as PartFutures, simulated: simulated as SimulatedLot };
    const found = strengthened(asked, of, week.climate, weather);
    const strengthening = found && found.odds - told.odds >= WORTH ? found : null;
    weakest.push({ ...told, strengthening });
    yield 0.75 + (0.25 * weakest.length) / order.length;
  }
  return { services, parts: rehearsed, weakest, futures };
}

/** How warm benches and cold places are in each future: the same for all that stands there. */
const weatherOf = (
  seed: number,
  futures: number,
): Pick<Record<Factor, number[]>, 'bench' | 'cold'> => {
  const random = settled(seed);
  return { bench: stratified(futures, random), cold: stratified(futures, random) };
};

/** The first numbers of small seeds are alike. */
function settled(seed: number): Random {
  const random = randomOf(seed);
  for (let i = 0; i < 20; i += 1) random.uniform();
  return random;
}

/** A seed of a part's own: the same futures again for whatever is tried with it. */
const seedOf = (seed: number, { lot, serviceId, productId }: ServicePart): number =>
  [...`${lot.id} ${serviceId} ${productId}`].reduce(
    (sum, letter) => (sum * 31 + letter.charCodeAt(0)) % 1_000_003,
    seed,
  );

function futuresOf(
  part: ServicePart,
  weather: ReturnType<typeof weatherOf>,
  seed: number,
): PartFutures {
  const random = settled(seed);
  const count = weather.bench.length;
  const own = Object.fromEntries(
    FACTORS.map((factor) => [
      factor,
      factor === 'bench' || factor === 'cold' ? weather[factor] : stratified(count, random),
    ]),
  ) as Record<Factor, number[]>;
  const draws = Array.from(
    { length: count },
    (_, i) => Object.fromEntries(FACTORS.map((factor) => [factor, own[factor][i]])) as Draw,
  );
  return { draws, windows: windowsIn(part, draws.map(futureOf)) };
}

/** The same guests come to whatever is tried with a part. */
function outcomeOf(part: ServicePart, { draws, windows }: PartFutures, seed: number): Outcome {
  const random = settled(seed + 1);
  const told = draws.map((draw, i) => {
    const batches = batchesIn(part, windows[i] ?? null, futureOf(draw));
    let [enough, short] = [0, 0];
    for (let evening = 0; evening < EVENINGS; evening += 1) {
      const away = shortOn(part, batches, random);
      short += away / EVENINGS;
      if (away === 0) enough += 1 / EVENINGS;
    }
    return { enough, short };
  });
  return { enough: told.map(({ enough }) => enough), short: told.map(({ short }) => short) };
}

const meanOf = (numbers: readonly number[]): number =>
  numbers.reduce((sum, each) => sum + each, 0) / Math.max(1, numbers.length);

const partOf = (
  { serviceId, productId, lot }: ServicePart,
  { draws }: PartFutures,
  outcome: Outcome,
): RehearsedPart => ({
  serviceId,
  productId,
  lotId: lot.id,
  odds: meanOf(outcome.enough),
  short: meanOf(outcome.short),
  hangsOn: hangsOn(draws, outcome.enough),
});

/** What goes with good futures most, by its correlation with the odds in them. */
function hangsOn(draws: readonly Draw[], enough: readonly number[]): Factor | 'guests' {
  let best: { factor: Factor | 'guests'; tells: number } = { factor: 'guests', tells: TELLS };
  for (const factor of FACTORS) {
    const tells = Math.abs(
      correlation(
        draws.map((draw) => draw[factor]),
        enough,
      ),
    );
    if (tells > best.tells) best = { factor, tells };
  }
  return best.factor;
}

function correlation(x: readonly number[], y: readonly number[]): number {
  const [meanX, meanY] = [meanOf(x), meanOf(y)];
  let [xy, xx, yy] = [0, 0, 0];
  x.forEach((value, i) => {
    const [dx, dy] = [value - meanX, (y[i] as number) - meanY];
    xy += dx * dy;
    xx += dx * dx;
    yy += dy * dy;
  });
  return xx > 0 && yy > 0 ? xy / Math.sqrt(xx * yy) : 0;
}

/** A part that is weak, as it was rehearsed. */
interface RehearsedOnce {
  readonly part: ServicePart;
  readonly known: PartFutures;
  readonly simulated: SimulatedLot;
}

/** The best of what can be tried with a weak part, in the same futures; null where nothing can. */
function strengthened(
  asked: RehearsalAsked,
  of: RehearsedOnce,
  climate: Climate,
  weather: ReturnType<typeof weatherOf>,
): Strengthening | null {
  const all = [...pulledOtherwise(asked, of.part, climate, weather), ...withMoreBalls(asked, of)];
  // The first of what is as good costs least.
  return all.reduce<Strengthening | null>(
    (best, each) => (best && best.odds >= each.odds - WORTH ? best : each),
    null,
  );
}

const isSame = (a: ServicePart, b: ServicePart): boolean =>
  a.serviceId === b.serviceId && a.productId === b.productId;

/** Its trays pulled sooner or later: its lot is dosed for it, and its waves follow. */
function pulledOtherwise(
  { document, mixed, seed }: RehearsalAsked,
  part: ServicePart,
  climate: Climate,
  weather: ReturnType<typeof weatherOf>,
): Strengthening[] {
  const { lot, serviceId } = part;
  const pull = lot.steps.find((step) => step.key === 'pull' && step.serviceId === serviceId);
  if (!pull) return [];
  const problem = problemOfWeek(document);
  const nowMin = Date.parse(document.now) / 60_000;
  const step: StepRef = { lotId: lot.id, stage: pull.stage, serviceId };
  return PULLS_MIN.filter((byMin) => pull.startMin + byMin >= nowMin).flatMap(
    (byMin): Strengthening[] => {
      const toMin = pull.startMin + byMin;
      const moved = editLot(problem, lot, step, toMin);
      const simulated = simulateLot(document, moved, { climate, isMixed: mixed.includes(lot.id) });
      const again = partsOfLot(document, moved, simulated).find((each) => isSame(each, part));
      if (!again) return [];
      const known = futuresOf(again, weather, seedOf(seed, part));
      const odds = meanOf(outcomeOf(again, known, seedOf(seed, part)).enough);
      return [{ kind: 'pull', step, byMin, toMin, odds }];
    },
  );
}

/** More balls for its service; what is mixed already is as much as it is. */
function withMoreBalls(
  { document, mixed, seed }: RehearsalAsked,
  { part, known, simulated }: RehearsedOnce,
): Strengthening[] {
  if (mixed.includes(part.lot.id)) return [];
  return MORE_PERCENT.flatMap((percent): Strengthening[] => {
    const wanted = document.wanted.map((each) =>
      each.serviceId === part.serviceId
        ? { ...each, count: Math.round(each.count * (1 + percent / 100)) }
        : each,
    );
    const again = partsOfLot({ ...document, wanted }, part.lot, simulated).find((each) =>
      isSame(each, part),
    );
    if (!again) return [];
    const odds = meanOf(outcomeOf(again, known, seedOf(seed, part)).enough);
    return [{ kind: 'more-balls', percent, odds }];
  });
}
