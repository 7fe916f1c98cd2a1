import {
  simulate,
  simulateRoomsAndLots,
  USUAL_ROOM,
  USUAL_SETTING,
  type DoughRoute,
  type ColdSystem,
} from '@calm/core';
import { flatLoop } from './flatLoop';
import type { FlatWeek } from './flatState';

/** How long one thing takes, and the same by hand, in milliseconds. */
export interface EngineTiming {
  readonly what: string;
  readonly limitMs: number;
  readonly engineMs: Spread;
  readonly flatMs: Spread;
  /** Of the fastest runs: what the engine's abstractions cost. */
  readonly ratio: number;
}

/** Of many runs: a shared machine is slow at times. */
export interface Spread {
  readonly fastest: number;
  readonly median: number;
}

const ROUTE: DoughRoute = {
  formula: {
    flours: [{ name: 'strong white', percent: 100, strengthW: 300 }],
    waterPercent: 62,
    saltPercent: 2.4,
    yeast: { form: 'fresh', percent: 0.3 },
  },
  ballWeightG: 275,
  doughTempC: 24,
  stages: [
    { kind: 'bulk', hours: 2, airTempC: 22, container: 'tub', massKg: 10 },
    { kind: 'ball', hours: 40, airTempC: 4, container: 'lidded-tray' },
    { kind: 'ball', hours: 4, airTempC: 23, container: 'lidded-tray' },
  ],
};

/**
 * Times the engine against the same loop written by hand, turn by turn in one run.
 *
 * @param runs of each, after as many to warm up
 * @throws Error when the two do not give the same dough
 */
export function benchEngine(runs: number): EngineTiming[] {
  return [oneLot(runs * 20), week(runs)];
}

/** One lot over 96 h in one-minute steps. */
function oneLot(runs: number): EngineTiming {
  const stages = ROUTE.stages.map((stage, i) => (i === 1 ? { ...stage, hours: 90 } : stage));
  const route = { ...ROUTE, stages };
  const flat: FlatWeek = {
    ...FLAT,
    route,
    startTicks: [0],
    roomOf: [-1],
    rooms: 0,
    ticks: 96 * 60 + 1,
    tickMin: 1,
    mostWaitTicks: 5,
    coldWaitTicks: 5,
    beyondTicks: 0,
  };
  const engine = () => {
    const way = simulate(route, { stepMin: 1, beyondH: 0 });
    if (!way.ok) throw new Error('a fine route');
    return way.value.course.rises[way.value.course.length - 1] ?? NaN;
  };
  return timed('one lot, 96 h, 1-min steps', 1, runs, engine, () => flatLoop(flat).rises[0] ?? NaN);
}

const LOTS = 60;
const TICK_MIN = 7.5;

/** A week of 60 lots in two cold rooms, coupled. */
function week(runs: number): EngineTiming {
  // Every 2 h 37.5 min one: the last is still cold when the week ends.
  const startTicks = Array.from({ length: LOTS }, (_, i) => i * 21);
  const house: ColdSystem = {
    rooms: ['0', '1'].map((name) => ({
      name,
      room: USUAL_ROOM,
      setting: USUAL_SETTING,
      airC: USUAL_ROOM.setC,
      readings: [],
    })),
    lots: startTicks.map((tick, i) => ({
      name: String(i),
      startHour: (tick * TICK_MIN) / 60,
      doughKg: FLAT.doughKg,
      route: {
        ...ROUTE,
        stages: ROUTE.stages.map((s, at) => (at === 1 ? { ...s, room: String(i % 2) } : s)),
      },
    })),
  };
  const flat: FlatWeek = {
    ...FLAT,
    startTicks,
    roomOf: startTicks.map((_, i) => i % 2),
    rooms: 2,
    ticks: (168 * 60) / TICK_MIN,
  };
  const engine = () => {
    const run = simulateRoomsAndLots(house, { hours: 168, stepMin: TICK_MIN });
    if (!run.ok) throw new Error('a fine house');
    return run.value.lots[0]?.course.rises.at(-1) ?? NaN;
  };
  const what = 'a week of 60 lots in two cold rooms, coupled';
  return timed(what, 16, runs, engine, () => flatLoop(flat).rises[0] ?? NaN);
}

const FLAT: FlatWeek = {
  route: ROUTE,
  doughKg: 30,
  startTicks: [],
  roomOf: [],
  room: USUAL_ROOM,
  rooms: 2,
  outsideC: USUAL_SETTING.outsideC,
  doorShare: USUAL_SETTING.doorMinPerH / 60,
  ticks: 0,
  tickMin: TICK_MIN,
  mostWaitTicks: 2,
  coldWaitTicks: 8,
  beyondTicks: (12 * 60) / TICK_MIN,
};

/** The engine cuts steps where stages begin, the flat loop does not: rises agree to this share. */
const SAME_WITHIN = 0.002;

function timed(
  what: string,
  limitMs: number,
  runs: number,
  engine: () => number,
  flat: () => number,
): EngineTiming {
  const [ours, byHand] = [engine(), flat()];
  if (!(Math.abs(ours / byHand - 1) < SAME_WITHIN)) {
    throw new Error(`${what}: the engine's rise ${ours} is not the flat loop's ${byHand}`);
  }
  const engineMs: number[] = [];
  const flatMs: number[] = [];
  for (let i = 0; i < runs * 2; i += 1) {
    const started = performance.now();
    engine();
    const between = performance.now();
    flat();
    if (i < runs) continue;
    engineMs.push(between - started);
    flatMs.push(performance.now() - between);
  }
  const [engineSpread, flatSpread] = [spread(engineMs), spread(flatMs)];
  const ratio = engineSpread.fastest / flatSpread.fastest;
  return { what, limitMs, engineMs: engineSpread, flatMs: flatSpread, ratio };
}

function spread(times: readonly number[]): Spread {
  const sorted = [...times].sort((a, b) => a - b);
  return { fastest: sorted[0] ?? NaN, median: sorted[sorted.length >> 1] ?? NaN };
}
