import {
  HOUR_MS,
  pointBetween,
  randomOf,
  simulate,
  stageKey,
  STANDARD_TARGET,
  workOf,
  type DoughStage,
} from '@calm/core';
import { exampleBook, exampleLot, exampleServices } from '@calm/demo';
import type { Lot } from '@calm/contract';
import { describe, expect, it } from '@jest/globals';
import { routeOfDocument } from '../formulas/simulateDough';
import { boardLots, leadProducts } from '../lots/lotBoard';
import { doughInProgress } from '../lots/lotHistory';
import { emptyMark } from '../lots/marks';
import { whatNow, type WaitingLot } from './whatNow';

/*
 * Twenty evenings of the demo house on which something is not as planned: each by its seed, with the clock standing
 * still.
 */

const book = exampleBook();
const products = leadProducts(book);
const PREFERMENT_C = 18;
/** What gains less of all balls is not offered: nobody carries trays about for it. */
const NOT_OFFERED = 0.05;
/** Guests come by quarter hours. */
const QUARTERS_PER_H = 4;

/** A lot of the demo house, hours before its doors or into them, in a kitchen that is warmer or colder than its routes say. */
function eveningOf(seed: number): WaitingLot & { readonly name: string } {
  const { uniform } = randomOf(seed * 7919);
  // The first numbers of small seeds are alike.
  for (let i = 0; i < 20; i += 1) uniform();
  const between = (least: number, most: number) => least + (most - least) * uniform();
  const product = products[seed % products.length];
  if (!product) throw new Error('the demo has products');
  const services = exampleServices(product);
  const warmerC = between(-5, 9);
  const lateH = between(-0.5, 2);
  const beforeH = between(-1, 9);
  const plain = exampleLot(book, product);
  const stagesOf = (change: Partial<Lot>) => {
    const [lot] = boardLots(book, services, [exampleLot(book, product, change)]);
    if (!lot) throw new Error('a lot that is under way is on the board');
    return lot;
  };
  const planned = stagesOf({});
  const nowMs = planned.doorsMs - beforeH * HOUR_MS;
  const marks = workOf(planned.stages)
    .map((work) => ({ work, ms: work.endMs + lateH * HOUR_MS }))
    .filter(({ ms }) => ms <= nowMs)
    .map(({ work, ms }) => ({
      ...emptyMark(0, stageKey(work)),
      doneAt: new Date(ms).toISOString(),
      version: 1,
    }));
  const loads = [
    {
      number: 1,
      roomTempC: 22 + warmerC,
      flourTempC: 21,
      tapTempC: 14,
      prefermentTempC: null,
      frictionC: 12,
      waterTempC: 14,
      doughOutC: planned.recipe.doughTempC + between(-3, 4),
      version: 1,
    },
  ];
  const way = doughInProgress(stagesOf({ marks, loads }), product, PREFERMENT_C, nowMs);
  if (!way) throw new Error('its dough has a way');
  const air = (airTempC: number) => (airTempC > 10 ? airTempC + warmerC : airTempC);
  const stages = way.document.stages.map((stage) => ({
    ...stage,
    airTempC: air(stage.airTempC),
  }));
  const made = plain.items.find(({ productId }) => productId === product.id)?.count ?? 0;
  const ahead = services
    .filter(({ endsAt }) => Date.parse(endsAt) > nowMs)
    .map(({ startsAt, endsAt }) => ({ startMs: Date.parse(startsAt), endMs: Date.parse(endsAt) }));
  return {
    name: `${product.name}, ${beforeH.toFixed(1)} h before doors, ${warmerC.toFixed(0)} °C off, ${lateH.toFixed(1)} h late`,
    trays: 'all',
    way: { ...way, document: { ...way.document, stages } },
    records: [],
    places: book.places,
    air: [],
    nowMs,
    services: ahead.slice(0, 1).map((span) => ({ ...span, balls: made })),
    spots: [
      { name: 'Walk-in', airTempC: 3.5, container: 'lidded-tray' },
      { name: 'Bench', airTempC: air(22), container: 'lidded-tray' },
      { name: 'Oven side', airTempC: air(25), container: 'lidded-tray' },
    ],
  };
}

/** Balls that open well of those wanted, by the engine alone. */
function ballsOn(
  { way, services, nowMs }: WaitingLot,
  stages: readonly DoughStage[],
  stepMin = 5,
): number {
  const route = routeOfDocument({ ...way.document, stages });
  if (!route.ok) return NaN;
  const target = { ...STANDARD_TARGET, ...way.document.target };
  const simulated = simulate(route.value, { target, stepMin });
  if (!simulated.ok) return NaN;
  const { course, kinds } = simulated.value;
  let balls = 0;
  for (const { startMs, endMs, balls: wanted } of services) {
    const fromMs = Math.max(startMs, nowMs);
    const quarters = Math.max(1, Math.round(((endMs - fromMs) / HOUR_MS) * QUARTERS_PER_H));
    const left = wanted * Math.min(1, (endMs - fromMs) / (endMs - startMs));
    for (let i = 0; i < quarters; i += 1) {
      const ms = fromMs + ((i + 0.5) * (endMs - fromMs)) / quarters;
      const hour = (ms - way.mixedMs) / HOUR_MS;
      balls += (left / quarters) * pointBetween(course, hour, target, kinds).odds;
    }
  }
  return balls;
}

/** The most that any two moves come to: into a place, balled again or not, for so long, and then where it is opened. */
function mostByTrying(evening: WaitingLot): number {
  const { way, nowMs, services, spots } = evening;
  const nowHour = (nowMs - way.mixedMs) / HOUR_MS;
  const past: DoughStage[] = [];
  let gone = 0;
  for (const stage of way.document.stages) {
    const hours = Math.min(stage.hours, nowHour - gone);
    if (hours > 0) past.push({ ...stage, hours });
    gone += Math.max(0, hours);
  }
  // Past its route it goes on where it stands.
  const here = past.pop();
  if (here) past.push({ ...here, hours: here.hours + Math.max(0, nowHour - gone) });
  const endHour = Math.max(...services.map(({ endMs }) => (endMs - way.mixedMs) / HOUR_MS));
  const airs = [...spots.map(({ airTempC }) => airTempC), here?.airTempC ?? 22];
  const ball = (hours: number, airTempC: number): DoughStage => ({
    kind: 'ball',
    hours,
    airTempC,
    container: 'lidded-tray',
  });
  let most = 0;
  for (const from of airs)
    for (const shaping of [undefined, 'ball'] as const)
      for (let h = 0; nowHour + h <= endHour; h += Math.max(0.5, (endHour - nowHour) / 8))
        for (const to of airs.filter((c) => c > 10)) {
          const first = { ...ball(h, from), ...(shaping && { shaping }) };
          const last = ball(Math.max(0, endHour + 1 - nowHour - h), to);
          most = Math.max(most, ballsOn(evening, [...past, first, last]) || 0);
        }
  return most;
}

const SEEDS = Array.from({ length: 20 }, (_, i) => i + 1);

describe('an evening that does not go as planned', () => {
  it.each(SEEDS.map((seed) => [eveningOf(seed).name, seed] as const))(
    '%s (%d): the best is among the first two, and each comes to what it says',
    (_name, seed) => {
      const evening = eveningOf(seed);
      const told = whatNow(evening);
      if (!told.ok) throw new Error(JSON.stringify(told.reasons));
      const [first, second] = told.value.choices;
      const wanted = evening.services.reduce((sum, { balls }) => sum + balls, 0);
      const best = Math.max(first?.balls ?? 0, second?.balls ?? 0);
      expect(best).toBeGreaterThan(mostByTrying(evening) - NOT_OFFERED * wanted - 0.5);
      for (const { do: action, stages, balls } of told.value.choices) {
        if (!stages || action === 'use-first' || action === 'flatter') continue;
        expect([action, ballsOn(evening, stages, 1)]).toEqual([
          action,
          expect.closeTo(balls, -0.5) as unknown as number,
        ]);
      }
    },
  );

  it('is another one each time: some are well as they are, some are not', () => {
    const firsts = SEEDS.map((seed) => {
      const told = whatNow(eveningOf(seed));
      return told.ok ? told.value.choices[0]?.do : null;
    });
    expect(new Set(firsts).size).toBeGreaterThanOrEqual(4);
    expect(firsts).toContain('keep');
  });
});
