import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import {
  deratingShare,
  doughForLoadsG,
  proposeDilution,
  scaleLot,
  splitLoads,
  useRemainder,
  type ScaledLot,
  type ScaleRequest,
} from './index';
import { anyScaleRequest, leanDough } from '../test-support/arbitraries';

const roundLot: ScaleRequest = {
  formula: leanDough,
  items: [{ count: 120, ballWeightG: 275 }],
  residuePercent: 1,
  residuePerLoadG: 60,
  mixer: { minDoughKg: 8, maxDoughKg: 40 },
  scaleReadabilityG: { default: 1, yeast: 0.1 },
};

function scaled(request: ScaleRequest): ScaledLot {
  const lot = scaleLot(request);
  if (!lot.ok) throw new Error(JSON.stringify(lot.reasons));
  return lot.value;
}

describe('scaleLot', () => {
  it('makes 120 balls of 275 g from one load', () => {
    const lot = scaled(roundLot);
    expect(lot.loads).toHaveLength(1);
    // (120 × 275 + 60) ÷ 0.99 = 33 393.9 g of dough; ÷ 1.647 = 20 275.6 g of flour
    expect(lot.totals.flourG).toBeCloseTo(20275.6, 1);
    const grams = Object.fromEntries(lot.loads[0]?.ingredients.map((l) => [l.key, l.grams]) ?? []);
    expect(grams).toEqual({ 'flour:strong white': 20276, water: 12571, salt: 487, yeast: 60.8 });
    expect(Math.abs(lot.remainderG)).toBeLessThan(2);
  });

  it('conserves mass to the rounding on 10,000 random lots', () => {
    fc.assert(
      fc.property(anyScaleRequest, (request) => {
        const result = scaleLot(request);
        if (!result.ok) {
          expect(result.reasons[0]?.kind).toMatch(/too-many-loads|takes-too-much/);
          return;
        }
        const { balance, loads, totals } = result.value;
        const { doughG, ballsG, trimG, residueG, remainderG } = balance;
        expect(ballsG + trimG + residueG + remainderG).toBeCloseTo(doughG, 6);
        const weighedG = loads.reduce((sum, load) => sum + load.doughG, 0);
        expect(weighedG).toBeCloseTo(doughG, 6);
        const lines = loads[0]?.ingredients ?? [];
        const steps = request.scaleReadabilityG;
        const halfStepsG = lines.reduce(
          (sum, line) => sum + (line.kind === 'yeast' ? steps.yeast : steps.default) / 2,
          0,
        );
        expect(Math.abs(remainderG)).toBeLessThanOrEqual(halfStepsG * loads.length + 1e-4);
        for (const line of totals.ingredients) {
          expect(Number.isFinite(line.grams) && line.grams >= 0).toBe(true);
        }
      }),
      { numRuns: 10_000 },
    );
  });

  it('keeps every load inside the mixer, and takes no more loads than it must', () => {
    fc.assert(
      fc.property(anyScaleRequest, (request) => {
        const result = scaleLot(request);
        if (!result.ok || !result.value.mixerRange) return;
        const mostG = result.value.mixerRange.maxDoughKg * 1000;
        const { loads, balance } = result.value;
        const slackG = 10 * request.scaleReadabilityG.default;
        expect(loads[0]?.doughG).toBeLessThanOrEqual(mostG + slackG);
        const fewer = loads.length - 1;
        if (fewer > 0) {
          const fewerTotalG = doughForLoadsG(balance.ballsG + balance.trimG, fewer, request);
          expect(fewerTotalG / fewer).toBeGreaterThan(mostG);
        }
      }),
    );
  });

  it('gives more dough for more balls', () => {
    fc.assert(
      fc.property(anyScaleRequest, fc.integer({ min: 1, max: 50 }), (request, extra) => {
        const [first] = request.items;
        if (!first) return;
        const more = { ...request, items: [{ ...first, count: first.count + extra }] };
        const [a, b] = [scaleLot({ ...request, items: [first] }), scaleLot(more)];
        if (a.ok && b.ok) expect(b.value.totals.flourG).toBeGreaterThan(a.value.totals.flourG);
      }),
    );
  });

  it('adds what sheeting trims off', () => {
    const lot = scaled({ ...roundLot, residuePercent: 0, residuePerLoadG: 0, trimPercent: 7 });
    expect(lot.balance.trimG).toBeCloseTo((33000 * 7) / 93, 6);
  });

  it('derates the mixer for stiff dough and needs more loads', () => {
    const stiff = { ...leanDough, waterPercent: 50 };
    const lot = scaled({ ...roundLot, formula: stiff });
    expect(lot.mixerRange?.maxDoughKg).toBeCloseTo(24, 9);
    expect(lot.loads).toHaveLength(2);
  });

  it('weighs the pre-ferment once, and the bowl without it', () => {
    const lot = scaled({
      ...roundLot,
      formula: {
        ...leanDough,
        preferment: {
          name: 'poolish-type',
          flourSharePercent: 30,
          waterPercent: 100,
          yeast: { form: 'fresh', percent: 0.2 },
        },
      },
    });
    const bowl = lot.loads[0]?.ingredients.find((line) => line.kind === 'preferment');
    expect(lot.preferment?.doughG).toBeCloseTo(bowl?.grams ?? NaN, -1);
    expect(lot.preferment?.ingredients.map((line) => line.kind)).toEqual([
      'flour',
      'water',
      'yeast',
    ]);
  });

  it('proposes a dilution for a dose the scale cannot show, and gives the exact dose', () => {
    const tiny = { ...leanDough, yeast: { form: 'instant' as const, percent: 0.02 } };
    const lot = scaled({
      ...roundLot,
      formula: tiny,
      items: [{ count: 20, ballWeightG: 275 }],
      mixer: { minDoughKg: 2, maxDoughKg: 40 },
      scaleReadabilityG: { default: 1, yeast: 0.1 },
    });
    const yeast = lot.loads[0]?.ingredients.find((line) => line.kind === 'yeast');
    expect(lot.dilution?.yeastInPortionG).toBeCloseTo(yeast?.exactG ?? NaN, 1);
    expect(yeast?.grams).toBe(yeast?.exactG);
  });

  it('refuses nothing, and a load no mixer can take, with the sizes that fit', () => {
    expect(scaleLot({ ...roundLot, items: [{ count: 0, ballWeightG: 275 }] })).toEqual({
      ok: false,
      reasons: [{ kind: 'nothing-to-make' }],
    });
    const small = scaleLot({ ...roundLot, items: [{ count: 5, ballWeightG: 275 }] });
    expect(small).toMatchObject({
      ok: false,
      reasons: [{ kind: 'load-below-least', loads: 1, nearest: [{ loads: 1, totalG: 8000 }] }],
    });
  });
});

describe('splitLoads', () => {
  const flat = (totalG: number) => () => totalG;

  it('names the nearest totals on both sides of a gap', () => {
    const split = splitLoads(flat(45_000), { minDoughKg: 25, maxDoughKg: 40 });
    expect(split).toMatchObject({
      ok: false,
      reasons: [
        {
          kind: 'load-below-least',
          loads: 2,
          loadKg: 22.5,
          nearest: [
            { loads: 1, totalG: 40_000 },
            { loads: 2, totalG: 50_000 },
          ],
        },
      ],
    });
  });

  it('takes the most exactly', () => {
    expect(splitLoads(flat(80_000), { minDoughKg: 5, maxDoughKg: 40 })).toMatchObject({
      ok: true,
      value: { loads: 2, loadG: 40_000 },
    });
  });

  it('refuses an empty range and a mistyped number', () => {
    const empty = splitLoads(flat(1000), { minDoughKg: 30, maxDoughKg: 20 });
    expect(empty).toMatchObject({ ok: false, reasons: [{ kind: 'mixer-range-empty' }] });
    const absurd = splitLoads(flat(1e9), { minDoughKg: 1, maxDoughKg: 40 });
    expect(absurd).toMatchObject({ ok: false, reasons: [{ kind: 'too-many-loads' }] });
  });
});

describe('deratingShare', () => {
  it.each([
    [45, 0.6],
    [50, 0.6],
    [55, 0.8],
    [60, 1],
    [75, 1],
  ])('at %s %% hydration is %s', (hydration, share) => {
    expect(deratingShare(hydration)).toBeCloseTo(share, 12);
  });
});

describe('proposeDilution', () => {
  it('gives 80 g of a 1-in-200 solution for 0.4 g', () => {
    expect(proposeDilution(0.4, 2, 6200, 0.1, 1)).toEqual({
      yeastG: 5,
      waterG: 995,
      portionG: 80,
      yeastInPortionG: 0.4,
      waterInPortionG: 79.6,
      leftOverG: 840,
    });
  });

  it('leaves a dose alone that the scale can weigh', () => {
    expect(proposeDilution(1, 2, 6200, 0.1, 1)).toBeNull();
  });

  it('is off by at most a few percent, has enough for every load, and fits the water', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.05, max: 0.99, noNaN: true }),
        fc.integer({ min: 1, max: 12 }),
        fc.double({ min: 500, max: 20_000, noNaN: true }),
        (yeastG, loads, waterG) => {
          const dilution = proposeDilution(yeastG, loads, waterG, 0.1, 1);
          if (!dilution) return;
          expect(Math.abs(dilution.yeastInPortionG / yeastG - 1)).toBeLessThan(0.08);
          expect(dilution.leftOverG).toBeGreaterThanOrEqual(-1e-6);
          expect(dilution.portionG).toBeLessThanOrEqual(waterG / 2 + 1);
          expect(dilution.yeastG).toBeGreaterThanOrEqual(5);
        },
      ),
    );
  });
});

describe('useRemainder', () => {
  it.each([
    [0.2, 'none'],
    [40, 'shared'],
    [-40, 'shared'],
    [300, 'smaller'],
    [-2000, 'short'],
  ])('%s g over 120 balls of 275 g is %s', (remainderG, kind) => {
    expect(useRemainder(remainderG, 120, 275, 2, 140).kind).toBe(kind);
  });

  it('counts the smaller balls and what they leave', () => {
    expect(useRemainder(300, 10, 275, 2, 140)).toEqual({
      kind: 'smaller',
      count: 2,
      ballWeightG: 140,
      leftG: 20,
    });
  });

  it('keeps what is too little for a ball and too much to share as old dough', () => {
    expect(useRemainder(120, 10, 275, 2, 140)).toEqual({ kind: 'old-dough', leftG: 120 });
  });
});

describe('a dose that no dilution fits', () => {
  it('takes no more water than the formula has, and says which scale it needs', () => {
    const scaled = scaleLot({
      formula: {
        flours: [{ name: 'white', percent: 100 }],
        waterPercent: 62,
        saltPercent: 2,
        yeast: { form: 'instant', percent: 0.03 },
      },
      items: [{ count: 2, ballWeightG: 270 }],
      scaleReadabilityG: { default: 1, yeast: 0.1 },
    });
    if (!scaled.ok) throw new Error('an ordinary small lot');
    const { dilution, finerScaleG, totals } = scaled.value;
    expect(dilution?.waterG ?? 0).toBeLessThanOrEqual(totals.waterG);
    expect(finerScaleG).toBe(0.001);
  });
});
