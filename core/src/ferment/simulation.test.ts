import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import {
  advance,
  moveTo,
  openingOdds,
  remediesFor,
  SHELLS,
  withRemedy,
  maturityOf,
  newDough,
  doughTraits,
  riseOf,
  simulate,
  stateOf,
  type DoughRoute,
} from './index';
import { ballShape, massShape, meanOf } from '../heat';

import { leanAt, bulk, ball, yard, run } from '../test-support/doughs';

describe('a simulation', () => {
  it('changes by less than 0.5 % when its step is halved', () => {
    const routes = [
      yard,
      { ...yard, stages: [ball(48, 4, 'open-tray'), ball(4, 25)] },
      { ...yard, formula: leanAt(2), doughTempC: 27, stages: [bulk(3, 27)] },
      { ...yard, stages: [bulk(3, 20, 25), bulk(20, 3, 25), ball(5, 24, 'single-tub')] },
    ];
    for (const route of routes) {
      const at = (stepMin: number) => run(route, { stepMin, beyondH: 0 }).stages.at(-1)?.rise;
      expect(Math.abs((at(1) ?? NaN) / (at(0.5) ?? NaN) - 1)).toBeLessThan(0.005);
    }
  });

  it('converges at first order, as its implicit heat does', () => {
    const after6h = (stepMin: number) => {
      const dough = newDough(doughTraits(leanAt(1.5)), 24, ballShape(275), 'lidded-tray');
      for (let i = 0; i < 360 / stepMin; i += 1) advance(dough, stepMin / 60, 8);
      return [riseOf(dough), maturityOf(dough)];
    };
    const exact = after6h(1 / 16);
    const off = [4, 2, 1].map((step) =>
      after6h(step).map((value, i) => Math.abs(value - (exact[i] ?? NaN))),
    );
    for (const i of [0, 1]) {
      const ratios = [
        (off[0]?.[i] ?? 0) / (off[1]?.[i] ?? 1),
        (off[1]?.[i] ?? 0) / (off[2]?.[i] ?? 1),
      ];
      const orders = ratios.map(Math.log2);
      for (const order of orders) expect(Math.abs(order - 1)).toBeLessThan(0.2);
    }
  });

  it('rises more with more yeast, more warmth, more time', () => {
    const yeast = fc.double({ min: 0.05, max: 1.5, noNaN: true });
    const roomC = fc.double({ min: 10, max: 28, noNaN: true });
    fc.assert(
      fc.property(yeast, roomC, fc.double({ min: 1, max: 4, noNaN: true }), (y, tempC, hours) => {
        const rise = (yy: number, t: number, h: number) =>
          run({ ...yard, formula: leanAt(yy), stages: [bulk(h, t)] }, { beyondH: 0, stepMin: 5 })
            .stages[0]?.rise ?? NaN;
        const base = rise(y, tempC, hours);
        expect(rise(y * 1.2, tempC, hours)).toBeGreaterThanOrEqual(base);
        expect(rise(y, tempC + 1.5, hours)).toBeGreaterThanOrEqual(base - 1e-9);
        expect(rise(y, tempC, hours + 0.5)).toBeGreaterThanOrEqual(base);
      }),
      { numRuns: 60 },
    );
  });

  it('ends a stage by its rise where that comes first', () => {
    const until = { ...bulk(20, 26), untilRise: 1.8 };
    const { stages } = run({ ...yard, formula: leanAt(1), stages: [until, ball(24, 4)] });
    expect(stages[0]?.rise).toBeCloseTo(1.8, 1);
    expect(stages[0]?.endHour).toBeLessThan(20);
    expect((stages[1]?.endHour ?? 0) - (stages[0]?.endHour ?? 0)).toBeCloseTo(24, 9);
  });

  it('takes balls straight to the cold, and several bulks at different temperatures', () => {
    const straight = run({ ...yard, stages: [ball(48, 4), ball(4, 23)] });
    expect(straight.stages).toHaveLength(2);
    const twice = run({ ...yard, stages: [bulk(1, 22), bulk(18, 5), ball(4, 22)] });
    expect(twice.stages.map((stage) => stage.kind)).toEqual(['bulk', 'bulk', 'ball']);
  });

  it('knocks back when told to, also a second time', () => {
    const again = run({
      ...yard,
      formula: leanAt(1),
      stages: [bulk(2, 26), { ...bulk(1, 26), shaping: 'knock-back' }, ball(2, 24)],
    });
    const second = again.points.find((point) => point.stage === 1);
    expect(second?.rise).toBe(1);
  });

  it('gets a head start from a pre-ferment', () => {
    const headstarts = [{ flourShare: 0.3, yeastGPerKg: 4, maturityH: 14 }];
    const plain = run({ ...yard, formula: leanAt(0.1) });
    const preferments = run({ ...yard, formula: leanAt(0.1), headstarts });
    // More yeast is a little warmer, too.
    expect(preferments.stages[0]?.maturityH).toBeCloseTo(
      (plain.stages[0]?.maturityH ?? 0) + 4.2,
      1,
    );
    expect(preferments.stages.at(-1)?.rise).toBeGreaterThan(plain.stages.at(-1)?.rise ?? NaN);
  });

  it('falls when its flour is worn out, and never below what came off the mixer', () => {
    const { points } = run({ ...yard, formula: leanAt(1), stages: [ball(96, 24)] }, { beyondH: 0 });
    const highest = Math.max(...points.map((point) => point.volume));
    expect(points.at(-1)?.volume).toBeLessThan(highest * 0.9);
    expect(Math.min(...points.map((point) => point.volume))).toBeGreaterThanOrEqual(1);
    expect(points.at(-1)?.state).toBe('over-proofed');
  });

  it('is warmed by its yeast: a stiff pre-ferment in a cool room', () => {
    const formula = { ...leanAt(1), waterPercent: 45, saltPercent: 0 };
    const { stages } = run(
      { ...yard, formula, doughTempC: 19, stages: [bulk(16, 17, 25)] },
      { beyondH: 0 },
    );
    expect(stages[0]?.coreTempC).toBeGreaterThan(22.5);
    expect(stages[0]?.coreTempC).toBeLessThan(27);
  });

  it('swells more where the air is thin', () => {
    const high = run({ ...yard, altitudeM: 2000 });
    expect(high.stages.at(-1)?.volume).toBeGreaterThan(
      (run(yard).stages.at(-1)?.volume ?? NaN) + 0.05,
    );
  });

  it('ripens faster with diastatic malt', () => {
    const malted = run({ ...yard, maltPercent: 2 }).stages.at(-1)?.maturityH ?? NaN;
    expect(malted / (run(yard).stages.at(-1)?.maturityH ?? NaN)).toBeCloseTo(1.3, 2);
  });

  it('keeps its heat when it is only tipped from a tub into trays', () => {
    const dough = newDough(doughTraits(leanAt(0.01)), 24, massShape('tub', 12), 'tub');
    for (let i = 0; i < 240; i += 1) advance(dough, 1 / 60, 4);
    const before = dough.meanC;
    moveTo(dough, massShape('open-tray', 12), 'open-tray', 4);
    expect(meanOf(dough.shells, dough.tempsC)).toBeCloseTo(before, 6);
    expect(dough.tempsC[0]).toBeGreaterThan(dough.tempsC[SHELLS - 1] ?? NaN);
    for (let i = 0; i < 24 * 60; i += 1) advance(dough, 1 / 60, 4);
    expect(dough.meanC).toBeCloseTo(4, 0);
    expect(dough.meanC).toBeGreaterThanOrEqual(4);
  });

  it('is shaped once more and holds longer: shaping forgives part of its age', () => {
    const long = [bulk(30, 20, 5), ball(4, 20)];
    const once = run({ ...yard, stages: [bulk(34, 20, 5)] }, { beyondH: 0 });
    const balled = run({ ...yard, stages: long }, { beyondH: 0 });
    expect(balled.points.at(-1)?.strength).toBeGreaterThan(once.points.at(-1)?.strength ?? NaN);
    expect(balled.stages.at(-1)?.maturityH).toBeCloseTo(once.stages.at(-1)?.maturityH ?? NaN, 0);
  });

  it('names every fault of a route and lets no NaN out', () => {
    const result = simulate({
      ...yard,
      formula: { ...leanAt(12), flours: [] },
      doughTempC: NaN,
      stages: [{ ...bulk(-2, 60), massKg: 0 }, ball(Infinity, 4)],
    });
    expect(result).toEqual({
      ok: false,
      reasons: [
        { kind: 'no-flour' },
        { kind: 'yeast', percent: 12, most: 6 },
        { kind: 'dough-temp', tempC: NaN, least: 1, most: 40 },
        { kind: 'stage-hours', stage: 0, hours: -2, least: 0, most: 240 },
        { kind: 'air-temp', stage: 0, tempC: 60, least: -5, most: 45 },
        { kind: 'mass', stage: 0, massKg: 0, least: 0.05, most: 500 },
        { kind: 'stage-hours', stage: 1, hours: Infinity, least: 0, most: 240 },
      ],
    });
    expect(simulate({ ...yard, stages: [] })).toMatchObject({ reasons: [{ kind: 'no-stages' }] });
  });
});

describe('states and window', () => {
  it('go from tight to over-proofed in order', () => {
    const { points } = run(yard);
    const order = ['tight', 'waking', 'ready', 'soft', 'over-proofed'];
    const seen = points
      .filter((point) => point.stage === 2 && point.state !== 'ready-but-cold')
      .map((point) => order.indexOf(point.state));
    expect([...seen].sort((a, b) => a - b)).toEqual(seen);
    expect([...new Set(seen)].slice(-3)).toEqual([2, 3, 4]);
  });

  it('call balls by what is in the way of opening them, and dough in its tub by words of its own', () => {
    const look = { volume: 2, relaxed: 1, holding: 1, coreTempC: 16 };
    expect(stateOf('ball', look)).toBe('ready');
    expect(stateOf('ball', { ...look, coreTempC: 8 })).toBe('ready-but-cold');
    expect(stateOf('ball', { ...look, relaxed: 0.5 })).toBe('tight');
    expect(stateOf('ball', { ...look, holding: 0.4 })).toBe('soft');
    expect(stateOf('ball', { ...look, volume: 2.6 })).toBe('soft');
    expect(stateOf('ball', { ...look, volume: 1.4 })).toBe('waking');
    expect(stateOf('ball', { ...look, volume: 3.3 })).toBe('over-proofed');
    expect(stateOf('bulk', { ...look, volume: 1.3 })).toBe('rising');
    expect(stateOf('bulk', { ...look, volume: 2.8 })).toBe('risen');
    expect(stateOf('bulk', { ...look, volume: 3.6 })).toBe('past-best');
  });

  it('opens one time in two at a bound, and nine in ten well inside', () => {
    const look = { volume: 2, relaxed: 1, holding: 1, coreTempC: 20 };
    expect(openingOdds(look)).toBeGreaterThan(0.9);
    expect(openingOdds({ ...look, volume: 1.6 })).toBeCloseTo(0.5, 2);
    expect(openingOdds({ ...look, coreTempC: 12 })).toBeCloseTo(0.5, 1);
    expect(openingOdds({ ...look, holding: 0.5 })).toBeCloseTo(0.5, 1);
    expect(openingOdds({ ...look, volume: 1.2 })).toBeLessThan(0.01);
  });

  it('open, peak and close in that order, at the bounds themselves', () => {
    const { window, points } = run(yard);
    if (window.kind !== 'ready') throw new Error('should be ready');
    expect(window.earliestHour).toBeLessThan(window.peakHour);
    expect(window.peakHour).toBeLessThan(window.latestHour);
    const near = points.find((point) => point.hour >= window.peakHour);
    expect(near?.volume).toBeCloseTo(2, 2);
    expect(window.odds).toBeGreaterThan(0.9);
    expect(window.odds90?.from).toBeGreaterThan(window.earliestHour);
    expect(window.odds90?.to).toBeLessThan(window.latestHour);
    expect(window.odds10?.from).toBeLessThan(window.earliestHour);
  });

  const never = {
    'too-little-rise': { ...yard, formula: leanAt(0.02), stages: [ball(4, 20)] },
    'past-band': { ...yard, formula: leanAt(3), stages: [ball(5, 27), ball(1, 27)] },
    'past-band-before-warm': {
      ...yard,
      formula: leanAt(2),
      stages: [bulk(1, 24), ball(20, 6), ball(4, 8)],
    },
    'too-cold': { ...yard, formula: leanAt(1.1), stages: [ball(1, 26), ball(12, 3)] },
    'too-tight': {
      ...yard,
      formula: leanAt(3),
      doughTempC: 30,
      stages: [bulk(1, 30), ball(0.2, 30)],
    },
    'flour-worn-out': {
      ...yard,
      formula: { ...leanAt(0.05), flours: [{ name: 'weak', percent: 100, strengthW: 150 }] },
      stages: [bulk(40, 22), ball(4, 22)],
    },
  } as const;

  it.each(Object.entries(never))(
    'says that it is %s, and every remedy it names works',
    (why, route) => {
      const { window, target } = run(route as DoughRoute, { beyondH: why === 'too-tight' ? 0 : 2 });
      expect(window).toEqual({ kind: 'never', why });
      const remedies = remediesFor(route as DoughRoute, target);
      expect(remedies.length).toBeGreaterThan(0);
      for (const remedy of remedies) {
        expect(run(withRemedy(route as DoughRoute, remedy)).window.kind).toBe('ready');
      }
    },
  );
});
