import { describe, expect, it } from '@jest/globals';
import { preferredLot, USUAL_ROOM, type PlannedLot } from '@calm/core';
import { formulas, routes } from '@calm/demo';
import { airAround, AS_ROUTES_SAY, doughWarmerC } from './climate';
import type { Place, Assumption, WeekDocument } from '@calm/contract';
import { instantOfMinute, problemOfWeek } from './weekProblem';
import { weekWithAssumptions } from './assumptions';
import { simulateLot, windowOf } from './weekDoses';
import { simulateWeek } from './simulateWeek';
import { wavesOfLot, wavesWithOdds } from './weekWaves';

const crackleDough = formulas[2].formula;
const crackleRoute = routes[2]?.stages ?? [];
const NOW = 29_000_000 - (29_000_000 % 1440);
const hour = (h: number) => NOW + h * 60;
const interval = (from: number, to: number) => ({
  startsAt: instantOfMinute(hour(from)),
  endsAt: instantOfMinute(hour(to)),
});
const document: WeekDocument = {
  now: instantOfMinute(NOW),
  services: [
    { id: 'lunch', ...interval(48, 51), day: 'fri' },
    { id: 'dinner', ...interval(53.5, 58.5), day: 'fri' },
  ],
  wanted: [
    { serviceId: 'lunch', productId: 'crackle', count: 20 },
    { serviceId: 'dinner', productId: 'crackle', count: 40 },
  ],
  products: [
    { id: 'crackle', doughId: 'dough', ballWeightG: 190, trimPercent: 7, ballsPerTray: 15 },
  ],
  doughs: [
    {
      id: 'dough',
      route: crackleRoute,
      residuePercent: 0.8,
      mixers: [{ mixerId: 'planetary', minDoughKg: 1, maxDoughKg: 20 }],
      formula: crackleDough,
      doughTempC: 23,
      target: { riseMin: 1.05, riseMax: 1.6, risePeak: 1.2, openTempC: 12, maturityMinH: 5 },
    },
  ],
  people: [{ id: 'tilde', skills: ['mix', 'ball', 'sheet', 'cold'], shifts: [interval(0, 60)] }],
  benchPlaces: 3,
  places: [{ name: 'Under-counter', trays: 12, tubs: 0 }],
  tubKg: 12,
  unsocial: [],
  underWay: { works: [], rests: [] },
  published: [],
  weights: { quality: 100, unsocial: 8, mix: 40, change: 1 },
  usage: [],
  seconds: 1,
};
const place = (name: string): Place => ({
  id: name,
  version: 1,
  name,
  zones: [{ name: 'inside', positions: 6, warmerC: 0 }],
  traysAPosition: 2,
  tubs: 0,
  room: { ...USUAL_ROOM, setC: 4, defrost: null },
  airByHour: [],
});
const lot = (() => {
  const found = preferredLot(problemOfWeek(document), 'dough', ['lunch', 'dinner']);
  if (!found) throw new Error('it can be made');
  return found;
})();
const follow = (assumptions: readonly Assumption[], mixed: readonly string[] = []) =>
  simulateWeek(document, [lot], {
    places: [place('Under-counter')],
    assumptions,
    mixed: new Set(mixed),
  });

describe('a planned lot', () => {
  it('is dosed so that both services find it open, the later one an hour on', () => {
    const { dose, ways } = simulateLot(document, lot);
    expect(dose?.kind).toBe('dosed');
    expect(ways.map(({ serviceId }) => serviceId)).toEqual(['dinner', 'lunch']);
    for (const way of ways) {
      const window = windowOf(way);
      const service = document.services.find(({ id }) => id === way.serviceId);
      const doorsMs = Date.parse(service?.startsAt ?? '');
      expect(Date.parse(window?.from ?? '')).toBeLessThanOrEqual(doorsMs + 15 * 60_000);
      expect(Date.parse(window?.until ?? '')).toBeGreaterThanOrEqual(doorsMs + 60 * 60_000);
    }
  });

  it('is dosed for the least of the odds of its services: no other dose does better by both', () => {
    // A band so narrow that what suits dinner is late for lunch.
    const target = { riseMin: 1.15, riseMax: 1.35, risePeak: 1.25 };
    const doughs = document.doughs.map((dough) => ({ ...dough, target }));
    const narrow = { ...document, doughs };
    const leastOf = (windows: readonly { readonly odds: number }[]) =>
      Math.min(...windows.map(({ odds }) => odds));
    const { dose, ways, windows } = simulateLot(narrow, lot);
    if (dose?.kind !== 'dosed') throw new Error('it can be dosed');
    const { yeast } = ways[0]?.route.formula ?? crackleDough;
    for (const share of [0.6, 0.75, 0.85, 1.15, 1.3, 1.6]) {
      const formula = { ...crackleDough, yeast: { ...yeast, percent: yeast.percent * share } };
      const other = { ...narrow, doughs: doughs.map((dough) => ({ ...dough, formula })) };
      const tried = simulateLot(other, lot, { isMixed: true });
      expect(leastOf(tried.windows)).toBeLessThan(leastOf(windows) + 0.02);
    }
  });

  it('says how often its balls are enough at every minute, where it is known what is expected', () => {
    const { windows } = simulateLot(document, lot);
    expect(wavesWithOdds(document, lot, windows).map(({ odds }) => odds)).toEqual([null, null]);
    const oddsWith = (mean: number) => {
      const usage = document.wanted.map(({ serviceId, productId }) => ({
        serviceId,
        productId,
        curve: [1, 2, 2, 1],
        expected: { mean, cv: 0.2, carried: 0 },
      }));
      return wavesWithOdds({ ...document, usage }, lot, windows).map(({ odds }) => odds ?? NaN);
    };
    // 20 for lunch, 40 for dinner.
    for (const odds of oddsWith(12)) expect(odds).toBeGreaterThan(0.9);
    for (const odds of oddsWith(60)) expect(odds).toBeLessThan(0.1);
  });

  it('finds the air of the place that a rest is moved to', () => {
    const last = lot.rests.at(-1);
    const moved = {
      ...lot,
      rests: lot.rests.map((rest) =>
        rest.stage === last?.stage ? { ...rest, place: 'Cabinet' } : rest,
      ),
    };
    const openFrom = (airC: number, planned: PlannedLot = moved) => {
      const places = [
        ...document.places,
        { name: 'Cabinet', trays: 12, tubs: 0, airByHour: [{ fromMin: 0, airC }] },
      ];
      const { windows } = simulateLot({ ...document, places }, planned, { isMixed: true });
      return Date.parse(windows[0]?.window?.from ?? '');
    };
    expect(openFrom(32)).toBeLessThan(openFrom(20));
    // Where nothing is moved the route says how warm it is.
    expect(openFrom(32, lot)).toBe(openFrom(20, lot));
  });

  it('keeps the yeast it has once it is mixed', () => {
    const { dose, ways, windows } = simulateLot(document, lot, { isMixed: true });
    expect(dose).toBeNull();
    // It is pulled in waves all the same.
    const waves = wavesOfLot(document, lot, windows);
    const pulled = waves.flatMap((each) => each.waves.map(({ balls }) => balls));
    const wanted = waves.flatMap(({ serviceId }) =>
      document.wanted.filter((each) => each.serviceId === serviceId).map(({ count }) => count),
    );
    const sum = (list: readonly number[]) => list.reduce((all, each) => all + each, 0);
    expect(waves.length).toBeGreaterThan(0);
    expect(sum(pulled)).toBe(sum(wanted));
    expect(ways[0]?.route.formula.yeast).toEqual(crackleDough.yeast);
  });
});

describe('a week with its rooms', () => {
  it('is calculated until neither doses nor air move, and the room stays about its setting', () => {
    const { rounds, climate } = follow([]);
    expect(rounds).toBeLessThan(4);
    const [room] = climate.rooms;
    const mean = [...(room?.airC ?? [])].reduce((sum, c) => sum + c, 0) / (room?.airC.length ?? 1);
    expect(Math.abs(mean - 4)).toBeLessThan(0.6);
  });

  it('warms where a room fails, and nowhere else in time', () => {
    const when = { startMin: hour(30), endMin: hour(33) };
    const { climate } = follow([{ kind: 'room-down', place: 'Under-counter', when }]);
    const air = (from: number, to: number) =>
      airAround(climate, 'Under-counter', 99, hour(from), hour(to));
    expect(air(32, 33)).toBeGreaterThan(air(27, 28) + 2);
    expect(Math.abs(air(27, 28) - 4)).toBeLessThan(1);
    expect(follow([{ kind: 'room-down', place: 'Elsewhere', when }]).climate.rooms).toEqual(
      follow([]).climate.rooms,
    );
  });

  it('puts mixed dough past it sooner when its room fails', () => {
    const when = { startMin: hour(30), endMin: hour(42) };
    const untilOf = (assumptions: readonly Assumption[]) => {
      const [way] = follow(assumptions, [lot.id]).lots[0]?.ways ?? [];
      return way ? Date.parse(windowOf(way)?.until ?? instantOfMinute(NOW)) : NaN;
    };
    expect(untilOf([{ kind: 'room-down', place: 'Under-counter', when }])).toBeLessThan(
      untilOf([]),
    );
  });
});

describe('what a plan takes to be so', () => {
  it('warms places as warm as the house, by its share of the time', () => {
    const warmer: Assumption = {
      kind: 'warmer',
      byC: 8,
      when: { startMin: hour(0), endMin: hour(1) },
    };
    const climate = { ...AS_ROUTES_SAY, assumptions: [warmer] };
    expect(airAround(climate, 'Bench', 22, hour(0), hour(2))).toBeCloseTo(26, 9);
    expect(airAround(climate, 'Bench', 22, hour(1), hour(2))).toBe(22);
    expect(airAround(climate, 'Proof cabinet', 26, hour(0), hour(1))).toBe(26);
    const tap: Assumption = { kind: 'warm-tap', byC: 6 };
    expect(doughWarmerC({ rooms: [], assumptions: [tap] }, false)).toBe(2);
    expect(doughWarmerC({ rooms: [], assumptions: [tap] }, true)).toBe(1.5);
  });

  it('changes who is in and what is wanted, and nothing for warmth', () => {
    const away: Assumption = {
      kind: 'away',
      personId: 'tilde',
      when: { startMin: hour(10), endMin: hour(20) },
    };
    const { problem } = weekWithAssumptions(document, [away]);
    expect(problem.people[0]?.shifts).toEqual([
      { startMin: hour(0), endMin: hour(10) },
      { startMin: hour(20), endMin: hour(60) },
    ]);
    const more = weekWithAssumptions(document, [
      { kind: 'more-balls', serviceId: 'dinner', percent: 25 },
    ]);
    expect(more.document.wanted.map(({ count }) => count)).toEqual([20, 50]);
    const bench = weekWithAssumptions(document, [
      { kind: 'relaxation', relaxation: { kind: 'more-bench', people: 2 } },
    ]);
    expect(bench.problem.benchPlaces).toBe(5);
    const warm = weekWithAssumptions(document, [{ kind: 'warm-tap', byC: 6 }]);
    expect(warm.problem).toEqual(problemOfWeek(document));
  });

  it('has a mixer stand for a while, and every other take its doughs', () => {
    const doughs = document.doughs.map((dough) => ({
      ...dough,
      mixers: [
        { mixerId: 'large', minDoughKg: 5, maxDoughKg: 60 },
        { mixerId: 'small', minDoughKg: 1, maxDoughKg: 12, isStandIn: true },
      ],
    }));
    const when = { startMin: hour(12), endMin: hour(20) };
    const down = (mixerId: string) =>
      weekWithAssumptions({ ...document, doughs }, [{ kind: 'mixer-down', mixerId, when }]).problem;
    expect(down('large').frozenWorks.at(-1)).toEqual({
      ...when,
      personIds: [],
      mixerId: 'large',
      bench: 0,
    });
    const standIns = (mixerId: string) =>
      down(mixerId).doughs[0]?.mixers.filter(({ isStandIn }) => isStandIn).length;
    expect(standIns('large')).toBe(0);
    // One that only stands in is missed by nobody but those it stands in for.
    expect(standIns('small')).toBe(1);
  });
});
