import { randomOf } from '../../numerics';
import { describe, expect, it } from '@jest/globals';
import { quantile } from 'simple-statistics';
import { simulate, USUAL_SPREAD, windowSpread, withStrength, type DoughRoute } from '..';

const yard: DoughRoute = {
  formula: {
    flours: [{ name: 'strong white', percent: 100, strengthW: 300 }],
    waterPercent: 62,
    saltPercent: 2.4,
    yeast: { form: 'fresh', percent: 0.5 },
  },
  ballWeightG: 275,
  doughTempC: 24,
  stages: [
    { kind: 'bulk', hours: 2, airTempC: 22, container: 'tub', massKg: 10 },
    { kind: 'ball', hours: 40, airTempC: 4, container: 'lidded-tray' },
    { kind: 'ball', hours: 4, airTempC: 23, container: 'lidded-tray' },
  ],
};

describe('how sure a window is', () => {
  it('agrees with a thousand kitchens drawn at random', () => {
    const { normal } = randomOf(1126);
    const drawn = Array.from({ length: 1000 }, () => {
      const yeast = Math.hypot(USUAL_SPREAD.dose, USUAL_SPREAD.yeastActivity);
      const route = withStrength(
        {
          ...yard,
          yeastActivity: 1 + yeast * normal(),
          stages: yard.stages.map((s) => ({ ...s, airTempC: s.airTempC + normal() })),
        },
        300 + 15 * normal(),
      );
      const way = simulate(route, { stepMin: 5 });
      const window = way.ok ? way.value.window : null;
      return window?.kind === 'ready' ? window : null;
    }).filter((window) => window !== null);
    const spread = windowSpread(yard);
    if (!spread) throw new Error('should be ready');
    for (const edge of ['earliestHour', 'peakHour', 'latestHour'] as const) {
      const hours = drawn.map((window) => window[edge]);
      const width = quantile(hours, 0.9) - quantile(hours, 0.1);
      expect(Math.abs(spread[edge].p10 - quantile(hours, 0.1))).toBeLessThan(0.3 * width);
      expect(Math.abs(spread[edge].p90 - quantile(hours, 0.9))).toBeLessThan(0.3 * width);
    }
  });

  it('has the planned window inside it', () => {
    const way = simulate(yard);
    const spread = windowSpread(yard);
    if (!way.ok || way.value.window.kind !== 'ready' || !spread) throw new Error('ready');
    const { peakHour } = way.value.window;
    expect(spread.peakHour.p10).toBeLessThan(peakHour);
    expect(spread.peakHour.p90).toBeGreaterThan(peakHour);
  });

  it('is wider for flour whose strength is guessed, and for a careless scale', () => {
    const width = (route: DoughRoute, dose = 0.03) => {
      const spread = windowSpread(route, undefined, { ...USUAL_SPREAD, dose });
      return spread ? spread.peakHour.p90 - spread.peakHour.p10 : NaN;
    };
    const flours = [{ name: 'white', percent: 100, proteinPercent: 13.5 }];
    const guessed = { ...yard, formula: { ...yard.formula, flours } };
    expect(width(guessed)).toBeGreaterThan(width(yard));
    expect(width(yard, 0.3)).toBeGreaterThan(width(yard));
  });

  it('says nothing about dough that is never ready', () => {
    const never = {
      ...yard,
      formula: { ...yard.formula, yeast: { form: 'fresh', percent: 0.01 } },
    };
    expect(windowSpread(never as DoughRoute)).toBeNull();
    expect(windowSpread({ ...yard, stages: [] })).toBeNull();
  });

  it('warns where a single ordinary error costs the whole window', () => {
    const edge = {
      ...yard,
      formula: { ...yard.formula, yeast: { form: 'fresh' as const, percent: 2.4 } },
    };
    const sure = windowSpread(yard);
    expect(sure?.mayMiss).toBe(false);
    expect(windowSpread(edge)?.mayMiss ?? true).toBe(true);
  });
});
