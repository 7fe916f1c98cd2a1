import type { Assumption, Place, WeekDocument } from '@calm/contract';
import type { PlannedLot } from '@calm/core';
import { simulateWeek } from '../../week/simulateWeek';
import type { SimulatedLot } from '../../week/weekDoses';
import { FACTORS, type Draw, type Factor } from './futures';
import {
  eveningsOf,
  futuresOf,
  goodShares,
  guestsOf,
  meanOf,
  outcomeOf,
  weatherOf,
} from './outcomes';
import { serviceOdds, type PartOutcome } from './serviceOdds';
import { AWAY, partsOfLot, type Away, type ServicePart, type ShortBy } from './servicePart';
import { strengthened, type Strengthening } from './strengthen';

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
  /** That hardly anybody is sent away for want of them, 0–1. */
  readonly odds: number;
  /** Guests sent away on average. */
  readonly short: number;
  /** Why most of them are; null where nobody is. */
  readonly away: Away | null;
  /** What tells good futures from bad ones most; null where nothing of the dough's own does. */
  readonly hangsOn: Factor | null;
}

/** A weak part, with the best of what would strengthen it; null where nothing that was tried does. */
export interface WeakPoint extends RehearsedPart {
  readonly strengthening: Strengthening | null;
}

/** A plan after its rehearsal. */
export interface Rehearsal {
  readonly services: readonly { readonly serviceId: string; readonly odds: number }[];
  readonly parts: readonly RehearsedPart[];
  /** The weakest parts of what is not mixed yet, the weakest first; after them those of what is. */
  readonly weakest: readonly WeakPoint[];
  readonly futures: number;
}

const WEAKEST = 3;
/** As good as certain: not a weak point. */
const SURE_ODDS = 0.98;
/** A factor that tells futures apart less than this is not what it hangs on. */
const TELLS = 0.25;

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
  const all: PartOutcome[] = [];
  for (const [i, part] of parts.entries()) {
    // Balls of one dough for one service go one way, whatever they weigh.
    const alike = all.find((each) => isSameDough(each.part, part));
    const known = alike?.known ?? futuresOf(part, weather, seed);
    const evenings = eveningsOf(part, futures, seed);
    all.push({ part, known, evenings, outcome: outcomeOf(part, known, evenings) });
    yield 0.05 + (0.65 * (i + 1)) / parts.length;
  }
  const rehearsed = all.map(partOf);
  const services: Rehearsal['services'][number][] = [];
  const serviceIds = [...new Set(parts.map(({ serviceId }) => serviceId))];
  for (const serviceId of serviceIds) {
    const of = all.filter(({ part }) => part.serviceId === serviceId);
    services.push({ serviceId, odds: serviceOdds(of, seed) });
    yield 0.7 + (0.15 * services.length) / serviceIds.length;
  }
  const isMixed = ({ part }: PartOutcome) => mixed.includes(part.lot.id);
  const order = all
    .map((each, i) => ({ ...each, told: rehearsed[i] as RehearsedPart }))
    .filter(({ told }) => told.odds < SURE_ODDS)
    // What is mixed already is as it is: what can still be changed comes first.
    .sort((a, b) => Number(isMixed(a)) - Number(isMixed(b)) || a.told.odds - b.told.odds)
    .slice(0, WEAKEST);
  const weakest: WeakPoint[] = [];
  for (const { part, known, evenings, told } of order) {
    const simulated = week.lots.find(({ lotId }) => lotId === part.lot.id) as SimulatedLot;
    const of = { part, known, evenings, simulated, climate: week.climate, odds: told.odds };
    weakest.push({ ...told, strengthening: strengthened(asked, of) });
    yield 0.85 + (0.15 * weakest.length) / order.length;
  }
  return { services, parts: rehearsed, weakest, futures };
}

const isSameDough = (a: ServicePart, b: ServicePart): boolean =>
  a.serviceId === b.serviceId && a.lot.id === b.lot.id && a.way === b.way;

function partOf({ part, known: { draws }, outcome }: PartOutcome): RehearsedPart {
  const { serviceId, productId, lot } = part;
  const good = goodShares([outcome], guestsOf(part));
  return {
    serviceId,
    productId,
    lotId: lot.id,
    odds: meanOf(good),
    short: meanOf(outcome.short.map(meanOf)),
    away: mostly(outcome.by),
    hangsOn: hangsOn(draws, good),
  };
}

/** Why most guests are sent away. */
function mostly(by: ShortBy): Away | null {
  const most = AWAY.reduce((best, why) => (by[why] > by[best] ? why : best));
  return by[most] > 0 ? most : null;
}

/** What goes with good futures most, by its correlation with the odds in them. */
function hangsOn(draws: readonly Draw[], enough: readonly number[]): Factor | null {
  let best: { factor: Factor | null; tells: number } = { factor: null, tells: TELLS };
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
