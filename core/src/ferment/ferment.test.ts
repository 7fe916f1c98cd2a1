import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import {
  advance,
  awake,
  co2Solubility,
  FERMENT,
  flourLimits,
  maturityOf,
  mostMaturityH,
  mostRise,
  newDough,
  pointsOf,
  doughTraits,
  riseOf,
  ripeningRate,
  saltFactor,
  shapeDough,
  simulate,
  STARTING,
  stateOf,
  sugarBrake,
  sugarHelp,
  temperatureResponse,
  type DoughPoint,
  type DoughRoute,
  type DoughStage,
  type Simulation,
} from './index';
import { ballShape } from '../heat';
import type { Container } from '../formula/route';

const leanAt = (yeastPercent: number): DoughRoute['formula'] => ({
  flours: [{ name: 'strong white', percent: 100, strengthW: 300 }],
  waterPercent: 63,
  saltPercent: 2,
  yeast: { form: 'fresh', percent: yeastPercent },
});
const bulk = (hours: number, airTempC: number, massKg = 1): DoughStage => ({
  kind: 'bulk',
  hours,
  airTempC,
  container: 'tub',
  massKg,
});
const ball = (
  hours: number,
  airTempC: number,
  container: Container = 'lidded-tray',
): DoughStage => ({ kind: 'ball', hours, airTempC, container });

const yard: DoughRoute = {
  formula: { ...leanAt(0.3), waterPercent: 62, saltPercent: 2.4 },
  ballWeightG: 275,
  doughTempC: 24,
  stages: [bulk(2, 22, 10), ball(40, 4), ball(3, 23)],
};

function run(
  route: DoughRoute,
  options?: Parameters<typeof simulate>[1],
): Simulation & { points: DoughPoint[] } {
  const result = simulate(route, options);
  if (!result.ok) throw new Error(JSON.stringify(result.reasons));
  return { ...result.value, points: pointsOf(result.value) };
}

/** Minutes until a dough has doubled in one warm place. */
function minutesToDouble(yeastPercent: number, tempC: number): number {
  const route = { ...yard, formula: leanAt(yeastPercent), doughTempC: tempC };
  const { points } = run({ ...route, stages: [bulk(40, tempC)] }, { beyondH: 0 });
  return (points.find((point) => point.rise >= 2)?.hour ?? NaN) * 60;
}

/** Gas made in some hours at a steady temperature, L per kg flour. */
function gasMade(tempC: number, hours: number): number {
  const dough = newDough(doughTraits(leanAt(0.3)), tempC, ballShape(275), 'open-tray');
  dough.hoursSinceMix = 10;
  for (let i = 0; i < hours * 60; i += 1) advance(dough, 1 / 60, tempC);
  return dough.producedL;
}

describe('temperature response (Ratkowsky et al. 1983)', () => {
  it('is 1 at 25 °C and has the anchors of docs/dough-science.md § 4', () => {
    expect(temperatureResponse(25)).toBe(1);
    expect(1 / temperatureResponse(4)).toBeCloseTo(18, 0);
    expect(temperatureResponse(10)).toBeCloseTo(0.21, 2);
    expect(temperatureResponse(20)).toBeCloseTo(0.67, 2);
    expect(temperatureResponse(30)).toBeCloseTo(1.36, 2);
  });

  it('peaks near 36 °C and is nothing outside its range', () => {
    const temps = Array.from({ length: 500 }, (_, i) => i / 10);
    const best = temps.reduce((a, b) => (temperatureResponse(b) > temperatureResponse(a) ? b : a));
    expect(Math.abs(best - 36)).toBeLessThan(2);
    expect([-10, -2.5, 46, 60].map((t) => temperatureResponse(t))).toEqual([0, 0, 0, 0]);
  });

  it('has a Q10 from 15 to 25 °C between 2.0 and 2.8', () => {
    const q10 = temperatureResponse(25) / temperatureResponse(15);
    expect(q10).toBeGreaterThanOrEqual(2);
    expect(q10).toBeLessThanOrEqual(2.8);
  });

  it('rises all the way to its peak', () => {
    const below = fc.double({ min: -2, max: 33, noNaN: true });
    fc.assert(
      fc.property(below, fc.double({ min: 0.05, max: 2, noNaN: true }), (t, more) => {
        expect(temperatureResponse(t + more)).toBeGreaterThan(temperatureResponse(t));
      }),
    );
  });
});

describe('ripening', () => {
  it('counts hours at 20 °C, by Arrhenius with 50 kJ/mol', () => {
    expect(ripeningRate(20)).toBe(1);
    expect(ripeningRate(30)).toBeCloseTo(
      Math.exp((50 / 0.008314462618) * (1 / 293.15 - 1 / 303.15)),
      9,
    );
  });

  it('goes on in the cold while gas almost stops', () => {
    expect(ripeningRate(4) / temperatureResponse(4)).toBeGreaterThan(4);
  });
});

describe('CO₂ in water', () => {
  it('has the table’s points and lies between them', () => {
    expect([0, 5, 20, 40].map(co2Solubility)).toEqual([1.713, 1.424, 0.878, 0.53]);
    expect(co2Solubility(2.5)).toBeCloseTo((1.713 + 1.424) / 2, 12);
    expect([-5, 60].map(co2Solubility)).toEqual([1.713, 0.53]);
  });
});

describe('brakes and helps', () => {
  it('salt slows and never stops', () => {
    expect(saltFactor(0)).toBe(1);
    expect(saltFactor(2)).toBeCloseTo(0.82, 12);
    expect(saltFactor(20)).toBe(0.3);
  });

  it('sugar helps a little early and brakes when there is much', () => {
    expect([0, 5, 10, 15, 30].map(sugarBrake)).toEqual([1, 1, 0.75, 0.5, 0.5]);
    expect(sugarHelp(3, 0)).toBeCloseTo(1.1, 12);
    expect(sugarHelp(3, 48)).toBeLessThan(1.001);
    expect(sugarHelp(0, 0)).toBe(1);
  });

  it('active dry wakes up later', () => {
    expect(awake(0.3, 'fresh')).toBeCloseTo(1 - 1 / Math.E, 12);
    expect(awake(0.3, 'active-dry')).toBeLessThan(awake(0.3, 'instant'));
  });
});

describe('flour', () => {
  it('stands ripening by its strength', () => {
    expect([200, 280, 320, 380].map(mostMaturityH)).toEqual([12.5, 22.5, 27.5, 35]);
  });

  it('is guessed from protein, and says that it is a guess', () => {
    expect(flourLimits([{ name: 'a', percent: 100, proteinPercent: 13 }])).toMatchObject({
      strengthW: 280,
      basis: 'protein',
      strengthOffBy: 40,
    });
    expect(flourLimits([{ name: 'a', percent: 100 }]).basis).toBe('assumed');
  });

  it('blends by share, as sure as its least sure part', () => {
    const blend = flourLimits([
      { name: 'a', percent: 75, strengthW: 320 },
      { name: 'b', percent: 25, proteinPercent: 11 },
    ]);
    expect(blend.strengthW).toBeCloseTo(290, 9);
    expect(blend.basis).toBe('protein');
  });

  it('weak or dry holds less', () => {
    expect(mostRise(300, 62)).toBeCloseTo(4.2, 12);
    expect(mostRise(200, 62)).toBeLessThan(mostRise(300, 62));
    expect(mostRise(300, 52)).toBeLessThan(mostRise(300, 62));
  });
});

describe('everyday facts (docs/dough-science.md § 9)', () => {
  it('lean dough with 2 % fresh yeast at 27 °C doubles in 55–100 min', () => {
    expect(minutesToDouble(2, 27)).toBeGreaterThan(55);
    expect(minutesToDouble(2, 27)).toBeLessThan(100);
  });

  it('half the yeast at room temperature takes 1.5–2 times as long', () => {
    for (const percent of [1, 0.5, 0.25]) {
      const ratio = minutesToDouble(percent / 2, 22) / minutesToDouble(percent, 22);
      expect(ratio).toBeGreaterThan(1.5);
      expect(ratio).toBeLessThan(2);
    }
  });

  it('an hour at 22 °C makes about as much gas as 10–20 h at 3–4 °C', () => {
    const warm = gasMade(22, 1);
    expect(gasMade(4, 10)).toBeLessThan(warm);
    expect(gasMade(3, 20)).toBeGreaterThan(warm * 0.85);
  });

  it.each([
    ['open-tray', 2, 4],
    ['lidded-tray', 3, 6],
    ['stacked-tray', 5, 9],
  ] as const)('a 275 g ball in a %s takes %s–%s h from 24 to 6 °C', (container, least, most) => {
    const { points } = run({ ...yard, stages: [ball(12, 3, container)] }, { beyondH: 0 });
    const hour = points.find((point) => point.coreTempC <= 6)?.hour ?? NaN;
    expect(hour).toBeGreaterThan(least);
    expect(hour).toBeLessThan(most);
  });

  it('a 12 kg tub takes 15–35 h', () => {
    const { points } = run({ ...yard, stages: [bulk(48, 3, 12)] }, { beyondH: 0 });
    const hour = points.find((point) => point.coreTempC <= 6)?.hour ?? NaN;
    expect(hour).toBeGreaterThan(15);
    expect(hour).toBeLessThan(35);
  });

  it('cold balls puff while they temper: warming drives gas out of the water', () => {
    const { points } = run(yard);
    const pulled = points.find((point) => point.stage === 2);
    const later = points.find((point) => point.hour >= (pulled?.hour ?? 0) + 1);
    expect((later?.rise ?? 0) - (pulled?.rise ?? 0)).toBeGreaterThan(0.05);
  });
});

describe('gas', () => {
  it('is never made or lost unseen', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.05, max: 3, noNaN: true }),
        fc.array(fc.double({ min: 0, max: 35, noNaN: true }), { minLength: 3, maxLength: 6 }),
        (yeast, airs) => {
          const dough = newDough(doughTraits(leanAt(yeast)), 24, ballShape(275), 'lidded-tray');
          for (const airC of airs) {
            for (let i = 0; i < 240; i += 1) advance(dough, 1 / 60, airC);
            shapeDough(dough, 'ball');
          }
          const { producedL, dissolvedL, freeL, lostL } = dough;
          expect(Math.abs(producedL - dissolvedL - freeL - lostL)).toBeLessThan(1e-6 * producedL);
          expect(Math.min(producedL, dissolvedL, freeL, lostL)).toBeGreaterThanOrEqual(0);
        },
      ),
      { numRuns: 40 },
    );
  });

  it('is pressed out by shaping, more by knocking back, and rise counts anew', () => {
    const kept = (['gentle', 'ball', 'knock-back'] as const).map((shaping) => {
      const dough = newDough(doughTraits(leanAt(1)), 26, ballShape(275), 'lidded-tray');
      for (let i = 0; i < 180; i += 1) advance(dough, 1 / 60, 26);
      const before = dough.freeL;
      shapeDough(dough, shaping);
      expect(riseOf(dough)).toBe(1);
      expect(dough.volumeL).toBeGreaterThan(dough.gasFreeL);
      return dough.freeL / before;
    });
    expect(kept[0]).toBeCloseTo(0.8, 9);
    expect(kept[1]).toBeCloseTo(0.4, 9);
    expect(kept[2]).toBeCloseTo(0.1, 9);
  });
});

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

describe('constants', () => {
  it('lie within their own plausible range, and are what the engine uses', () => {
    for (const [name, { value, low, high }] of Object.entries(FERMENT)) {
      expect([name, low < value && value < high]).toEqual([name, true]);
    }
    expect(STARTING.gasAt25).toBe(0.08);
  });

  it('can be a house’s own', () => {
    const lively = { ...STARTING, gasAt25: 0.095 };
    const [usual, own] = [run(yard), run({ ...yard, constants: lively })];
    expect(own.stages.at(-1)?.rise).toBeGreaterThan(usual.stages.at(-1)?.rise ?? NaN);
    expect(own.stages.at(-1)?.maturityH).toBeCloseTo(usual.stages.at(-1)?.maturityH ?? NaN, 0);
    const dough = newDough(doughTraits(leanAt(1)), 24, ballShape(275), 'tub', lively);
    expect(maturityOf(dough)).toBe(0);
  });
});
