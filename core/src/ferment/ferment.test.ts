import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import {
  advance,
  strengthLeft,
  holdingSteepness,
  holdingOdds,
  awake,
  co2Solubility,
  FERMENT,
  flourLimits,
  maturityOf,
  mostMaturityH,
  mostRise,
  newDough,
  doughTraits,
  riseOf,
  ripeningRate,
  saltFactor,
  shapeDough,
  STARTING,
  sugarBrake,
  sugarHelp,
  temperatureResponse,
} from './index';
import { ballShape } from '../heat';

import { leanAt, bulk, ball, yard, run, minutesToDouble, gasMade } from '../test-support/doughs';

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
    expect(saltFactor(2, 50)).toBeLessThan(saltFactor(2, 70));
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
    expect(awake(0.3, 'active-dry', true)).toBe(awake(0.3, 'instant'));
  });
});

describe('flour', () => {
  it('stands by its strength, as a rule of thumb', () => {
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
    expect(mostRise(300, 62, { fatPercent: 3 })).toBeGreaterThan(mostRise(300, 62));
    expect(mostRise(300, 62, { fatPercent: 12 })).toBeLessThan(mostRise(300, 62));
    expect(mostRise(300, 62, { branPercent: 10 })).toBeCloseTo(0.94 * mostRise(300, 62), 12);
  });

  it('wears out softly: even odds at half as long again, and no cliff anywhere', () => {
    const steep = holdingSteepness(280, 15);
    expect(holdingOdds(1.5, steep)).toBeCloseTo(0.5, 9);
    expect(holdingOdds(1, steep)).toBeGreaterThan(0.9);
    expect(holdingOdds(2, steep)).toBeLessThan(0.15);
    const ages = Array.from({ length: 300 }, (_, i) => i / 100);
    for (const law of [strengthLeft, (age: number) => holdingOdds(age, steep)]) {
      ages.slice(1).forEach((age, i) => {
        const step = law(ages[i] ?? 0) - law(age);
        expect(step).toBeGreaterThanOrEqual(-1e-12);
        expect(step).toBeLessThan(0.03);
      });
    }
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
    expect((later?.volume ?? 0) - (pulled?.volume ?? 0)).toBeGreaterThan(0.05);
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

  it('is pressed out by shaping, more by knocking back, and rise counts again', () => {
    const kept = (['gentle', 'ball', 'knock-back'] as const).map((shaping) => {
      const dough = newDough(doughTraits(leanAt(1)), 26, ballShape(275), 'lidded-tray');
      for (let i = 0; i < 90; i += 1) advance(dough, 1 / 60, 26);
      const before = dough.freeL;
      shapeDough(dough, shaping);
      expect(riseOf(dough)).toBe(1);
      expect(dough.volumeL).toBeGreaterThan(dough.mixedL);
      return dough.freeL / before;
    });
    // Gas comes out of the water into the bubbles that are left.
    expect(kept[0]).toBeCloseTo(0.8, 9);
    expect(kept[1]).toBeCloseTo(0.4, 9);
    expect(kept[2]).toBeCloseTo(0.1, 9);
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
    const dough = newDough(doughTraits(leanAt(1)), 24, ballShape(275), 'tub', {
      constants: lively,
    });
    expect(maturityOf(dough)).toBe(0);
  });
});
