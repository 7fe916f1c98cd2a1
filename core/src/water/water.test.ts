import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import {
  adviseWater,
  baseSumOfC,
  frictionOfLoadC,
  iceFor,
  learnFriction,
  learnMixerLine,
  mixedTempC,
  priorLine,
  waterByBaseSumC,
  waterByFrictionC,
  waterByHeatBalance,
  waterByLineC,
  type MixerLine,
  type WaterRequest,
} from './index';

const kitchen: WaterRequest = {
  doughTempC: 24,
  roomTempC: 22,
  flourTempC: 21,
  tapTempC: 16,
  frictionC: 14,
  flourG: 20_000,
  waterG: 12_400,
};
const temp = (min: number, max: number) => fc.double({ min, max, noNaN: true });
const anyKitchen = fc.record({
  doughTempC: temp(20, 28),
  roomTempC: temp(12, 36),
  flourTempC: temp(8, 34),
  tapTempC: temp(4, 30),
  frictionC: temp(2, 30),
  flourG: temp(1000, 40_000),
  waterG: temp(600, 28_000),
});

describe('base sum and friction', () => {
  it('are the same line with B = n · dough − friction', () => {
    fc.assert(
      fc.property(anyKitchen, fc.option(temp(4, 30), { nil: undefined }), (k, pre) => {
        const temps = pre === undefined ? k : { ...k, prefermentTempC: pre };
        const n = pre === undefined ? 3 : 4;
        const baseC = baseSumOfC(k.doughTempC, k.frictionC, n);
        expect(waterByBaseSumC(baseC, temps)).toBeCloseTo(
          waterByFrictionC(k.doughTempC, k.frictionC, temps),
          9,
        );
      }),
    );
  });

  it('gives the textbook figure: 3 · 24 − 22 − 21 − 14 = 15', () => {
    expect(adviseWater(kitchen).friction.waterTempC).toBe(15);
    expect(adviseWater(kitchen).baseSum).toEqual({ waterTempC: 15, baseC: 58 });
  });

  it('differs when the house has a base sum of its own', () => {
    expect(adviseWater({ ...kitchen, baseSumC: 55 }).baseSum.waterTempC).toBe(12);
  });
});

describe('heat balance', () => {
  it('balances: what the water gives the others take, less the heat that arises', () => {
    fc.assert(
      fc.property(anyKitchen, (k) => {
        const b = waterByHeatBalance(k.doughTempC, k.frictionC, k, k);
        const gainedKJ =
          b.othersKJPerK * (k.doughTempC - k.flourTempC) +
          b.waterKJPerK * (k.doughTempC - b.waterTempC);
        expect(gainedKJ).toBeCloseTo(b.heatKJ, 5);
      }),
    );
  });

  it('agrees with the rule when everything starts at one temperature', () => {
    const even = 24 - 14 / 3;
    const temps = { roomTempC: even, flourTempC: even };
    expect(waterByFrictionC(24, 14, temps)).toBeCloseTo(even, 9);
    expect(waterByHeatBalance(24, 14, temps, kitchen).waterTempC).toBeCloseTo(even, 9);
  });

  it('asks for colder water when the flour or the pre-ferment is warmer', () => {
    const water = (flourTempC: number) =>
      waterByHeatBalance(24, 14, { ...kitchen, flourTempC }, kitchen).waterTempC;
    expect(water(28)).toBeLessThan(water(18));
    const withPre = (prefermentTempC: number) =>
      adviseWater({ ...kitchen, prefermentTempC, prefermentG: 6000 }).heatBalance.waterTempC;
    expect(withPre(26)).toBeLessThan(withPre(12));
  });

  it('needs water', () => {
    expect(() => waterByHeatBalance(24, 14, kitchen, { flourG: 1, waterG: 0 })).toThrow(RangeError);
  });
});

describe('ice', () => {
  it('matches the melting of ice by hand', () => {
    // 6200 · (24 − 10) ÷ (24 + 79.9 + 5) = 797.1, from −10 °C; 835.4 where it melts already.
    expect(iceFor(6200, 24, 10).iceG).toBeCloseTo(797.1, 1);
    expect(iceFor(6200, 24, 10, 0).iceG).toBeCloseTo(835.4, 1);
    expect(iceFor(6200, 12, 15)).toEqual({ iceG: 0, tapWaterG: 6200 });
  });

  it('together with the tap water comes to the wanted temperature', () => {
    fc.assert(
      fc.property(temp(500, 30_000), temp(10, 30), temp(-5, 9), (waterG, tapC, wantC) => {
        const mix = iceFor(waterG, tapC, wantC);
        expect(mix.iceG + mix.tapWaterG).toBeCloseTo(waterG, 6);
        expect(mixedTempC(mix, tapC)).toBeCloseTo(wantC, 6);
      }),
    );
  });
});

describe('advice', () => {
  it('never pours water above 40 °C or below 0, and says what dough that makes', () => {
    fc.assert(
      fc.property(anyKitchen, (k) => {
        const { pourTempC, friction, baseSum, heatBalance, learned } = adviseWater(k);
        expect(pourTempC).toBeLessThanOrEqual(40);
        for (const tempC of [
          pourTempC,
          ...[friction, baseSum, heatBalance, learned].map((m) => m.waterTempC),
        ]) {
          expect(tempC).toBeGreaterThanOrEqual(0);
        }
      }),
    );
    const icy = { ...kitchen, roomTempC: 5, flourTempC: 4, frictionC: 6 };
    expect(adviseWater({ ...icy, pourBy: 'friction' }).warnings[0]).toEqual({
      kind: 'water-too-hot',
      mostTempC: 40,
      wantedTempC: 57,
      doughTempC: 24 - 17 / 3,
    });
  });

  it('warns above 35 °C and when the tap must be warmed', () => {
    const cool = { ...kitchen, roomTempC: 12, flourTempC: 10 };
    expect(adviseWater({ ...cool, pourBy: 'friction' }).warnings.map((w) => w.kind)).toEqual([
      'water-hot',
      'warm-the-tap',
      'methods-part',
    ]);
  });

  it('says so when ice would be most of the water, or more than all of it', () => {
    const hot = { ...kitchen, roomTempC: 40, flourTempC: 38, tapTempC: 30, frictionC: 30 };
    const byFriction = { ...hot, pourBy: 'friction' } as const;
    expect(adviseWater(byFriction).warnings.map((w) => w.kind)).toContain('much-ice');
    const absurd = adviseWater({ ...byFriction, frictionC: 90 });
    expect(absurd.warnings.map((w) => w.kind)).toContain('ice-exceeds-water');
    expect(absurd.tapWaterG).toBe(0);
  });

  it('in a hot room pours by the balance, and says that the methods part', () => {
    const hot = { ...kitchen, roomTempC: 32, flourTempC: 30, frictionC: 24, tapTempC: 24 };
    const advice = adviseWater(hot);
    expect(advice.pourBy).toBe('heat-balance');
    expect(advice.pourTempC).toBeGreaterThan(0);
    expect(advice.pourTempC).toBeLessThan(12);
    expect(advice.friction.waterTempC).toBe(0);
    expect(advice.warnings.map((w) => w.kind)).toContain('methods-part');
  });

  it('warns where dry yeast would go into cold water', () => {
    const kinds = (yeastForm: 'fresh' | 'instant') =>
      adviseWater({ ...kitchen, roomTempC: 28, flourTempC: 26, yeastForm }).warnings.map(
        (w) => w.kind,
      );
    expect(kinds('instant')).toContain('cold-for-dry-yeast');
    expect(kinds('fresh')).not.toContain('cold-for-dry-yeast');
  });

  it('pours by the method the house chose', () => {
    const byBase = adviseWater({ ...kitchen, baseSumC: 55, pourBy: 'base-sum' });
    expect(byBase.pourTempC).toBe(12);
    expect(byBase.spreadC).toBeGreaterThanOrEqual(3);
  });
});

describe('a mixer’s own line', () => {
  const truth = { wFlour: 0.38, wWater: 0.42, wRoom: 0.17, qC: 6.2 };
  const load = (i: number, noiseC = 0) => {
    const mix = {
      date: `2026-11-${String(1 + i).padStart(2, '0')}`,
      flourTempC: 14 + ((i * 7) % 13),
      waterTempC: 4 + ((i * 5) % 17),
      roomTempC: 17 + ((i * 3) % 11),
    };
    const { wFlour, wWater, wRoom, qC } = truth;
    const outC = wFlour * mix.flourTempC + wWater * mix.waterTempC + wRoom * mix.roomTempC + qC;
    return { ...mix, doughOutC: outC + noiseC };
  };
  const loads = (n: number) => Array.from({ length: n }, (_, i) => load(i, 0.3 * Math.sin(i * 9)));
  const missOf = (line: MixerLine) =>
    Math.max(
      ...loads(28).map(({ doughOutC, waterTempC, ...temps }) =>
        Math.abs(waterByLineC(doughOutC, line, temps, kitchen) - waterTempC),
      ),
    );

  it('stays where it begins until there are loads of five days', () => {
    const oneDay = loads(12).map((mix) => ({ ...mix, date: '2026-11-01' }));
    expect(learnMixerLine(oneDay, 15)).toEqual({ line: priorLine(15), loads: 0 });
  });

  it('finds its way from its loads, and is not moved by one that was mis-read', () => {
    const learned = learnMixerLine(loads(28), 15);
    expect(missOf(learned.line)).toBeLessThan(1.6);
    expect(missOf(learned.line)).toBeLessThan(missOf(priorLine(15)) / 2);
    const wild = loads(28).map((mix, i) => (i === 20 ? { ...mix, doughOutC: 41 } : mix));
    expect(missOf(learnMixerLine(wild, 15).line)).toBeLessThan(2.2);
  });

  it('is poured by once it is known', () => {
    const advice = adviseWater({ ...kitchen, mixer: truth });
    expect(advice.pourBy).toBe('learned');
    expect(advice.pourTempC).toBe(advice.learned.waterTempC);
  });
});

describe('learned friction', () => {
  const load = (doughOutC: number, day = 0) => ({
    date: `2026-11-${String(1 + (day % 28)).padStart(2, '0')}`,
    roomTempC: 21,
    flourTempC: 20,
    waterTempC: 15,
    doughOutC,
  });

  it('is what the load came out above the sum', () => {
    expect(frictionOfLoadC(load(24))).toBe(16);
    expect(frictionOfLoadC({ ...load(24), prefermentTempC: 20 })).toBe(20);
  });

  it('keeps the set value until there are loads of five days, however many of one', () => {
    const untouched = { frictionC: 12, loads: 0 };
    expect(learnFriction([24, 24, 24, 24].map(load), 12)).toMatchObject(untouched);
    const oneDay = Array.from({ length: 20 }, () => load(24));
    expect(learnFriction(oneDay, 12)).toMatchObject(untouched);
  });

  it('is of the last loads: what was so in another season no longer counts', () => {
    const summer = Array.from({ length: 80 }, (_, i) => load(28, i));
    const winter = Array.from({ length: 40 }, (_, i) => load(24, i));
    expect(learnFriction([...summer, ...winter], 12).frictionC).toBeCloseTo(16, 9);
  });

  it('is not moved by a mis-read thermometer', () => {
    const learned = learnFriction([24, 24.1, 23.9, 24.2, 23.8, 31].map(load), 12);
    expect(learned.leftOut).toBe(1);
    expect(learned.frictionC).toBeCloseTo(16, 9);
  });

  it('finds a true friction from noisy loads', () => {
    fc.assert(
      fc.property(
        temp(4, 30),
        fc.array(temp(-0.4, 0.4), { minLength: 12, maxLength: 40 }),
        (trueC, noise) => {
          const mixes = noise.map((n, day) => load((56 + trueC) / 3 + n, day));
          expect(Math.abs(learnFriction(mixes, 0).frictionC - trueC)).toBeLessThan(1.2);
        },
      ),
    );
  });
});
