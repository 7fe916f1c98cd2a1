import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import {
  advance,
  maturityOf,
  newDough,
  doughTraits,
  riseOf,
  simulate,
  stateOf,
  type DoughRoute,
} from './index';
import { ballShape } from '../heat';

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
    expect(preferments.stages[0]?.maturityH).toBeCloseTo(
      (plain.stages[0]?.maturityH ?? 0) + 4.2,
      6,
    );
    expect(preferments.stages.at(-1)?.rise).toBeGreaterThan(plain.stages.at(-1)?.rise ?? NaN);
  });

  it('slumps when it is long past it', () => {
    const { points } = run({ ...yard, formula: leanAt(1), stages: [ball(70, 24)] }, { beyondH: 0 });
    const highest = Math.max(...points.map((point) => point.rise));
    expect(points.at(-1)?.rise).toBeLessThan(highest * 0.9);
    expect(points.at(-1)?.state).toBe('spent');
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
        { kind: 'dough-temp', tempC: NaN },
        { kind: 'stage-hours', stage: 0, hours: -2 },
        { kind: 'air-temp', stage: 0, tempC: 60 },
        { kind: 'mass', stage: 0, massKg: 0 },
        { kind: 'stage-hours', stage: 1, hours: Infinity },
      ],
    });
    expect(simulate({ ...yard, stages: [] })).toMatchObject({ reasons: [{ kind: 'no-stages' }] });
  });
});

describe('states and window', () => {
  it('go from tight to spent in order', () => {
    const { points } = run(yard);
    const order = ['tight', 'waking', 'ready', 'soft', 'spent'];
    const seen = points
      .filter((point) => point.stage === 2 && point.state !== 'ready-but-cold')
      .map((point) => order.indexOf(point.state));
    expect([...seen].sort((a, b) => a - b)).toEqual(seen);
    expect(new Set(seen)).toEqual(new Set([0, 1, 2, 3, 4]));
  });

  it('call dough that is ready but cold just that', () => {
    expect(stateOf(1.9, 12, 25, 8)).toBe('ready-but-cold');
    expect(stateOf(1.9, 12, 25, 16)).toBe('ready');
    expect(stateOf(1.9, 26, 25, 16)).toBe('soft');
    expect(stateOf(1.9, 3, 25, 16)).toBe('waking');
    expect(stateOf(3.1, 12, 25, 16)).toBe('spent');
  });

  it('open, peak and close in that order, at the bounds themselves', () => {
    const { window, points } = run(yard);
    if (window.kind !== 'ready') throw new Error('should be ready');
    expect(window.earliestHour).toBeLessThan(window.peakHour);
    expect(window.peakHour).toBeLessThan(window.latestHour);
    const near = points.find((point) => point.hour >= window.peakHour);
    expect(near?.rise).toBeCloseTo(1.95, 2);
  });

  it('say why when dough never gets there', () => {
    const why = (route: DoughRoute) => {
      const { window } = run(route, { beyondH: 2 });
      return window.kind === 'never' ? window.why : 'ready';
    };
    expect(why({ ...yard, formula: leanAt(0.02), stages: [ball(4, 20)] })).toBe('too-little-rise');
    expect(why({ ...yard, formula: leanAt(2), stages: [ball(2, 27)] })).toBe('too-young');
    expect(why({ ...yard, formula: leanAt(1.2), stages: [ball(1, 24), ball(70, 6)] })).toBe(
      'too-cold',
    );
  });
});
