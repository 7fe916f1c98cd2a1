import type { Service } from '@calm/contract';
import { NO_PLAN } from '@calm/contract';
import { optimizeWeek, randomOf, settledRandomOf, type PlannedLot } from '@calm/core';
import { exampleBook } from '@calm/demo';
import { describe, expect, it } from '@jest/globals';
import { weekOfHouse } from '../../week/houseWeek';
import { simulateWeek } from '../../week/simulateWeek';
import { problemOfWeek } from '../../week/weekProblem';
import { addDays, datesFrom } from '../../time/wallClock';
import { drawEvenings } from './evenings';
import { FACTORS, futureOf, stratified, type Draw } from './futures';
import { mostShort } from './outcomes';
import { rehearse, type Rehearsal, type RehearsalAsked } from './rehearse';
import { batchesIn, partsOfLot, shortOn, windowsIn } from './servicePart';

const book = exampleBook();
const FROM = '2026-11-25';
const DAYS = 7;
const idOf = (slug: string) => book.products.find((each) => each.slug === slug)?.id ?? '';

/** A week of dinners on the demo's doughs; the balls of some evenings are scarce. */
const services = datesFrom(addDays(FROM, 2), 3).map((date, i): Service => ({
  patternId: 'dinner',
  name: 'dinner',
  date,
  startsAt: `${date}T16:30:00.000Z`,
  endsAt: `${date}T21:00:00.000Z`,
  counts: [
    { productId: idOf('yard-round'), count: 90 + 10 * i },
    { productId: idOf('crackle'), count: 45 },
    // Of the same lot as the round: what moves one moves the other.
    { productId: idOf('sprout'), count: 60 },
  ].map((each) => ({ ...each, usual: each.count, origin: 'usual', version: 0 })),
}));
const plain = weekOfHouse({
  book,
  services,
  shifts: datesFrom(FROM, DAYS).flatMap((date) =>
    book.people.map(({ id }) => ({
      personId: id,
      startsAt: `${date}T06:00:00.000Z`,
      endsAt: `${date}T22:00:00.000Z`,
    })),
  ),
  forecasts: [],
  usage: [],
  nowMin: Date.parse(`${FROM}T05:00:00Z`) / 60_000,
  midnights: datesFrom(FROM, DAYS).map((date) => `${addDays(date, -1)}T23:00:00.000Z`),
  published: NO_PLAN,
});
/** As many balls as guests on average are too few; two thirds more are nearly always enough. */
const document: typeof plain = {
  ...plain,
  usage: plain.wanted.map(({ serviceId, productId, count }, i) => ({
    serviceId,
    productId,
    curve: Array.from({ length: 18 }, (_, quarter) => (1 + Math.sin(quarter / 6)) / 30),
    expected: { mean: count * (0.6 + 0.08 * i), cv: 0.15, carried: 0 },
  })),
};
const lots = ((): readonly PlannedLot[] => {
  const search = optimizeWeek(problemOfWeek(document));
  const { value } = search.next();
  return value?.plan.lots ?? [];
})();
const asked: RehearsalAsked = {
  document,
  lots,
  places: book.places,
  assumptions: [],
  mixed: [],
  futures: 200,
  seed: 7,
};

function rehearsed(of: RehearsalAsked): { rehearsal: Rehearsal; shares: number[] } {
  const run = rehearse(of);
  const shares: number[] = [];
  for (;;) {
    const step = run.next();
    if (step.done) return { rehearsal: step.value, shares };
    shares.push(step.value);
  }
}

/** Evenings of each future that is drawn apart. */
const EVENINGS = 4;

/** A service's odds by very many futures, each drawn by itself, in no way stratified. */
function apart(seed: number, futures: number): Map<string, number> {
  const random = settledRandomOf(seed);
  const week = simulateWeek(document, lots, {
    places: book.places,
    assumptions: [],
    mixed: new Set(),
  });
  const parts = lots.flatMap((lot, i) => {
    const simulated = week.lots[i];
    return simulated ? partsOfLot(document, lot, simulated) : [];
  });
  const enough = new Map<string, number>();
  for (let i = 0; i < futures; i += 1) {
    const [bench, cold] = [random.uniform(), random.uniform()];
    const short = new Map<string, number[]>();
    const ofDough = new Map<string, Record<string, number>>();
    for (const part of parts) {
      const key = `${part.lot.id} ${part.serviceId}`;
      const own =
        ofDough.get(key) ?? Object.fromEntries(FACTORS.map((factor) => [factor, random.uniform()]));
      ofDough.set(key, own);
      const future = futureOf({ ...own, bench, cold } as Draw);
      const [window = null] = windowsIn(part, [future]);
      const batches = batchesIn(part, window, future);
      const { serviceId } = part;
      const before = short.get(serviceId) ?? [];
      short.set(
        serviceId,
        Array.from(
          { length: EVENINGS },
          (_, evening) =>
            (before[evening] ?? 0) + shortOn(drawEvenings(part, 1, random).guestsOf(0), batches),
        ),
      );
    }
    for (const [id, away] of short) {
      const guests = parts
        .filter(({ serviceId }) => serviceId === id)
        .flatMap(({ perQuarter }) => perQuarter)
        .reduce((sum, each) => sum + each, 0);
      const good = away.filter((each) => each <= mostShort(guests)).length;
      enough.set(id, (enough.get(id) ?? 0) + good / EVENINGS / futures);
    }
  }
  return enough;
}

describe('a week that is rehearsed', () => {
  const begun = performance.now();
  const { rehearsal, shares } = rehearsed(asked);
  const seconds = (performance.now() - begun) / 1000;

  it('has odds for each of its services, and says how much is done', () => {
    expect(rehearsal.services).toHaveLength(3);
    for (const { odds } of rehearsal.services) {
      expect(odds).toBeGreaterThanOrEqual(0);
      expect(odds).toBeLessThanOrEqual(1);
    }
    expect(shares).toEqual([...shares].sort((a, b) => a - b));
    expect(shares.length).toBeGreaterThan(rehearsal.services.length);
    process.stdout.write(
      `200 futures of a week of ${rehearsal.parts.length} parts: ${seconds.toFixed(1)} s\n`,
    );
  });

  it('agrees with outcomes simulated apart, from seeds of their own, within three points', () => {
    const reference = apart(99_991, 3000);
    const off = rehearsal.services.map(({ serviceId, odds }) => {
      const really = reference.get(serviceId) ?? 0;
      process.stdout.write(
        `${serviceId}: ${(100 * odds).toFixed(1)} %, apart ${(100 * really).toFixed(1)} %\n`,
      );
      return Math.abs(odds - really);
    });
    expect(Math.max(...off)).toBeLessThan(0.03);
    // Some are nearly sure and some are not: odds that are all one could not be wrong.
    const all = rehearsal.services.map(({ odds }) => odds);
    expect(Math.max(...all) - Math.min(...all)).toBeGreaterThan(0.1);
  }, 240_000);

  it('names the weakest, and what strengthens them: in those very futures, and in others', () => {
    const weakest = rehearsal.weakest.map(({ odds }) => odds);
    expect(weakest.length).toBeGreaterThan(0);
    expect(weakest.length).toBeLessThanOrEqual(3);
    expect(weakest).toEqual([...weakest].sort((a, b) => a - b));
    const least = Math.min(...rehearsal.parts.map(({ odds }) => odds));
    expect(weakest[0]).toBe(least);
    const better = rehearsal.weakest.filter(({ strengthening }) => strengthening);
    expect(better.length).toBeGreaterThan(0);
    for (const { odds, strengthening } of better) expect(strengthening?.odds).toBeGreaterThan(odds);
  });

  it('is the same again for the same seed, and can be stopped', () => {
    const few = { ...asked, lots: lots.slice(0, 2), futures: 10 };
    expect(rehearsed(few).rehearsal).toEqual(rehearsed(few).rehearsal);
    const run = rehearse(asked);
    run.next();
    expect(run.return(rehearsal)).toMatchObject({ done: true });
  });
});

describe('stratified draws', () => {
  it('lie once in every part', () => {
    const draws = stratified(50, randomOf(3));
    expect([...draws].sort((a, b) => a - b).map((u) => Math.floor(50 * u))).toEqual(
      Array.from({ length: 50 }, (_, i) => i),
    );
  });
});
