import { describe, expect, it } from '@jest/globals';
import { randomOf, type Random } from '../../numerics';
import type { DoughRoute } from '../../ferment/route/doughRoute';
import { bandOdds, STANDARD_TARGET } from '../../ferment/dough/state';
import { lookBetween, pointBetween } from '../../ferment/run/course';
import { simulate } from '../../ferment/run/simulate';
import { EYE_LN_SD } from './likelihood';
import { narrowLot, type HourOdds } from './narrow';
import type { Look, ObservedLot } from './observed';

const formula = (yeastPercent: number) => ({
  flours: [{ name: 'strong white', percent: 100, strengthW: 300 }],
  waterPercent: 62,
  saltPercent: 2.6,
  yeast: { form: 'fresh' as const, percent: yeastPercent },
});
/** Two nights cold, a day at room, and a warm afternoon. */
const ROUTES: readonly DoughRoute[] = [
  {
    formula: formula(0.4),
    ballWeightG: 275,
    doughTempC: 24,
    stages: [
      { kind: 'bulk', hours: 2, airTempC: 22, container: 'tub', massKg: 12 },
      { kind: 'ball', hours: 40, airTempC: 3.5, container: 'lidded-tray' },
      { kind: 'ball', hours: 3, airTempC: 22, container: 'lidded-tray' },
    ],
  },
  {
    formula: formula(0.1),
    ballWeightG: 275,
    doughTempC: 24,
    stages: [
      { kind: 'bulk', hours: 12, airTempC: 20, container: 'tub', massKg: 12 },
      { kind: 'ball', hours: 9, airTempC: 21, container: 'lidded-tray' },
    ],
  },
  {
    formula: formula(0.8),
    ballWeightG: 250,
    doughTempC: 26,
    stages: [
      { kind: 'bulk', hours: 1.5, airTempC: 25, container: 'tub', massKg: 8 },
      { kind: 'ball', hours: 3.5, airTempC: 25, container: 'lidded-tray' },
    ],
  },
];

const LOTS = 150;
const NEVER = { earliestHour: 0, peakHour: 0, latestHour: 0 };

function readyWindow(route: DoughRoute) {
  const way = simulate(route, { stepMin: 5 });
  return way.ok && way.value.window.kind === 'ready' ? way.value.window : null;
}

function riseAt(route: DoughRoute, hour: number): number {
  const way = simulate(route, { stepMin: 5 });
  if (!way.ok) throw new Error('the route is sound');
  return pointBetween(way.value.course, hour, STANDARD_TARGET, way.value.kinds).rise;
}

const width80 = (odds: HourOdds | undefined) => (odds ? odds.p90 - odds.p10 : 0);

/** A lot whose yeast, flour and places are not quite what was thought, with two marks and one look at it. */
function made(
  seed: number,
  random: Random,
): { readonly lot: ObservedLot; readonly truth: DoughRoute } {
  const route = ROUTES[seed % ROUTES.length] as DoughRoute;
  const truth: DoughRoute = {
    ...route,
    yeastActivity: Math.exp(0.124 * random.normal()),
    endurance: Math.exp(0.21 * random.normal()),
    stages: route.stages.map((stage) => ({
      ...stage,
      airTempC: stage.airTempC + random.normal(),
    })),
  };
  const way = simulate(truth, { stepMin: 5 });
  if (!way.ok) throw new Error('the route is sound');
  const { course, kinds } = way.value;
  const { earliestHour: opens, peakHour: best, latestHour: closes } = readyWindow(route) ?? NEVER;
  const mark = (hour: number) => ({
    hour,
    rise: pointBetween(course, hour, STANDARD_TARGET, kinds).rise * Math.exp(0.1 * random.normal()),
  });
  const { started, lasting } = bandOdds(lookBetween(course, opens), STANDARD_TARGET, EYE_LN_SD);
  const draw = random.uniform();
  const found: Look =
    draw < 1 - lasting ? 'late' : draw < 1 - lasting + lasting * started ? 'right' : 'early';
  return {
    truth,
    lot: {
      id: String(seed),
      day: '2026-11-25',
      route,
      marks: [mark(best), mark(best + (closes - best) / 3)],
      looks: [{ hour: opens, found }],
    },
  };
}

describe('a lot that is looked at', () => {
  it('has its window narrowed by two marks and a look, which goes on holding the truth', () => {
    const random = randomOf(11);
    const told = { lots: 0, held: 0, narrowed: 0 };
    for (let n = 0; n < LOTS; n += 1) {
      const { lot, truth } = made(n, random);
      const { before, after } = narrowLot(lot);
      const really = readyWindow(truth);
      if (!really || !before || !after) continue;
      told.lots += 1;
      told.narrowed += 1 - width80(after.peak) / width80(before.peak);
      if (really.peakHour >= after.peak.p10 && really.peakHour <= after.peak.p90) told.held += 1;
    }
    expect(told.lots).toBeGreaterThan(0.9 * LOTS);
    expect(told.narrowed / told.lots).toBeGreaterThan(0.38);
    expect(told.held / told.lots).toBeGreaterThan(0.72);
    expect(told.held / told.lots).toBeLessThan(0.88);
  });

  it('is as it was planned while nothing was seen of it', () => {
    const [route] = ROUTES as [DoughRoute];
    const { before, after, yeastFactor, counted } = narrowLot({
      id: '1',
      day: '2026-11-25',
      route,
    });
    expect(after).toEqual(before);
    expect([yeastFactor, counted]).toEqual([1, 0]);
    expect(before?.peak.p50).toBeCloseTo(readyWindow(route)?.peakHour ?? 0, 9);
  });

  it('is earlier where it has risen more than was thought, and later where less', () => {
    const [, route] = ROUTES as [DoughRoute, DoughRoute];
    const of = (rise: number) =>
      narrowLot({ id: '1', day: '2026-11-25', route, marks: [{ hour: 20, rise }] });
    const [ahead, behind] = [of(1.75), of(1.25)];
    expect(ahead.after?.peak.p50).toBeLessThan((ahead.before?.peak.p50 ?? 0) - 0.5);
    expect(behind.after?.peak.p50).toBeGreaterThan((behind.before?.peak.p50 ?? 0) + 0.5);
    expect(ahead.yeastFactor).toBeGreaterThan(1);
    expect(behind.yeastFactor).toBeLessThan(1);
  });

  it('is moved by no mark of nothing or of forty, no boiling core, no looks in the wrong order', () => {
    const [route] = ROUTES as [DoughRoute];
    const lot: ObservedLot = {
      id: '1',
      day: '2026-11-25',
      route,
      readings: [{ hour: 3, coreTempC: 80 }],
      marks: [
        { hour: 3, rise: 0 },
        { hour: 4, rise: 40 },
        { hour: 400, rise: 1.5 },
      ],
      looks: [
        { hour: 40, found: 'late' },
        { hour: 43, found: 'early' },
      ],
    };
    const { before, after, counted, doubted } = narrowLot(lot);
    expect(after).toEqual(before);
    expect(counted).toBe(0);
    expect([...doubted].sort()).toEqual(
      ['core-temperature', 'hour', 'order', 'order', 'rise', 'rise'].sort(),
    );
  });

  it('is hardly moved by one mark that is a slip among honest ones', () => {
    const [, route] = ROUTES as [DoughRoute, DoughRoute];
    const marks = [13, 15, 17, 19].map((hour) => ({ hour, rise: riseAt(route, hour) }));
    const lot = { id: '1', day: '2026-11-25', route, marks };
    const honest = narrowLot(lot);
    const joke = narrowLot({ ...lot, marks: [...marks, { hour: 16, rise: 4 }] });
    const moved = Math.abs((joke.after?.peak.p50 ?? 0) - (honest.after?.peak.p50 ?? 0));
    const sd = width80(honest.before?.peak) / 2.56;
    expect(moved).toBeLessThan(0.3 * sd);
  });
});
