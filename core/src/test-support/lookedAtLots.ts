import { bandOdds, STANDARD_TARGET } from '../ferment/dough/state';
import type { DoughRoute } from '../ferment/route/doughRoute';
import { lookBetween, pointBetween } from '../ferment/run/course';
import { simulate } from '../ferment/run/simulate';
import { EYE_LN_SD } from '../learn/lots/likelihood';
import { narrowLot, type HourOdds } from '../learn/lots/narrow';
import type { Look, ObservedLot } from '../learn/lots/observed';
import { randomOf, type Random } from '../numerics';

const formula = (yeastPercent: number) => ({
  flours: [{ name: 'strong white', percent: 100, strengthW: 300 }],
  waterPercent: 62,
  saltPercent: 2.6,
  yeast: { form: 'fresh' as const, percent: yeastPercent },
});
/** Two nights cold, a day at room, and a warm afternoon. */
export const LOOKED_AT_ROUTES: readonly DoughRoute[] = [
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

const NEVER = { earliestHour: 0, peakHour: 0, latestHour: 0 };

function readyWindow(route: DoughRoute) {
  const way = simulate(route, { stepMin: 5 });
  return way.ok && way.value.window.kind === 'ready' ? way.value.window : null;
}

/** A lot whose yeast, flour and places are not quite what was thought, with two marks and one look at it. */
function made(
  seed: number,
  random: Random,
): { readonly lot: ObservedLot; readonly truth: DoughRoute } {
  const route = LOOKED_AT_ROUTES[seed % LOOKED_AT_ROUTES.length] as DoughRoute;
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

/** How much two marks and a look narrow the windows of made-up lots, and how often these go on holding the truth. */
export function narrowedLots(seed: number, count: number): { narrowed: number; held: number } {
  const random = randomOf(seed);
  const told = { lots: 0, held: 0, narrowed: 0 };
  const width = ({ p10, p90 }: HourOdds) => p90 - p10;
  for (let n = 0; n < count; n += 1) {
    const { lot, truth } = made(n, random);
    const { before, after } = narrowLot(lot);
    const really = readyWindow(truth);
    if (!really || !before || !after) continue;
    told.lots += 1;
    told.narrowed += 1 - width(after.peak) / width(before.peak);
    if (really.peakHour >= after.peak.p10 && really.peakHour <= after.peak.p90) told.held += 1;
  }
  return { narrowed: told.narrowed / told.lots, held: told.held / told.lots };
}
