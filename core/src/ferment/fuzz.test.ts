import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { CONTAINERS } from '../formula/route';
import {
  applyAlternative,
  remediesFor,
  SHAPINGS,
  simulate,
  simulateDough,
  solveDose,
  STANDARD_TARGET,
  withRemedy,
  type DoughRoute,
} from './index';

const double = (min: number, max: number) => fc.double({ min, max, noNaN: true });

/** Any way a kitchen could send a dough, sensible or not. */
const anyRoute: fc.Arbitrary<DoughRoute> = fc
  .record({
    w: double(140, 420),
    water: double(48, 85),
    salt: double(0, 4),
    sugar: double(0, 12),
    oil: double(0, 8),
    form: fc.constantFrom('fresh' as const, 'active-dry' as const, 'instant' as const),
    percent: double(0.02, 1.2),
    activity: double(0.5, 1.2),
    isPreWetted: fc.boolean(),
    maltPercent: double(0, 3),
    altitudeM: double(0, 3000),
    off: double(16, 32),
    ballWeightG: double(60, 900),
    stages: fc.array(
      fc.record({
        kind: fc.constantFrom('bulk' as const, 'ball' as const),
        hours: double(0.1, 40),
        airTempC: double(0, 34),
        container: fc.constantFrom(...CONTAINERS),
        massKg: double(0.5, 40),
        shaping: fc.option(fc.constantFrom(...SHAPINGS), { nil: undefined }),
      }),
      { minLength: 1, maxLength: 5 },
    ),
  })
  .map((r) => ({
    formula: {
      flours: [{ name: 'white', percent: 100, strengthW: r.w }],
      waterPercent: r.water,
      saltPercent: r.salt,
      sugarPercent: r.sugar,
      oilPercent: r.oil,
      yeast: { form: r.form, percent: r.percent, activity: r.activity, isPreWetted: r.isPreWetted },
    },
    ballWeightG: r.ballWeightG,
    doughTempC: r.off,
    maltPercent: r.maltPercent,
    altitudeM: r.altitudeM,
    stages: r.stages.map(({ shaping, ...stage }) => ({ ...stage, ...(shaping && { shaping }) })),
  }));

const SEED = 1126;

describe('whatever way a kitchen sends a dough', () => {
  it('neither gas nor heat is made or lost unseen, volume never falls below the mixer’s, nothing is not a number: 10,000 ways', () => {
    for (const route of fc.sample(anyRoute, { numRuns: 10_000, seed: SEED })) {
      simulateDough(route, 15, 2, (dough) => {
        const { producedL, dissolvedL, freeL, lostL, volumeL, mixedL, meanC, ageH } = dough;
        const heatK = route.doughTempC - dough.heatGivenK + dough.yeastHeatK - meanC;
        const unseenL = Math.abs(producedL - dissolvedL - freeL - lostL);
        const isSound =
          unseenL <= 1e-6 * Math.max(1e-3, producedL) &&
          Math.min(dissolvedL, freeL, lostL) >= -1e-12 &&
          volumeL >= mixedL - 1e-9 &&
          // What the air took and the yeast made is all that warms or cools it.
          Math.abs(heatK) < 1e-6 &&
          Number.isFinite(meanC + ageH + volumeL);
        if (!isSound) throw new Error(JSON.stringify({ route, dough }));
      });
    }
  }, 240_000);

  it('what never opens has a remedy, and every remedy works', () => {
    let never = 0;
    for (const route of fc.sample(anyRoute, { numRuns: 400, seed: SEED + 1 })) {
      const way = simulate(route, { stepMin: 5 });
      if (!way.ok || way.value.window.kind === 'ready') continue;
      never += 1;
      if (never > 60) break;
      const remedies = remediesFor(route, STANDARD_TARGET);
      if (remedies.length === 0) throw new Error(`no remedy: ${JSON.stringify(route)}`);
      for (const remedy of remedies) {
        const helped = simulate(withRemedy(route, remedy));
        if (!helped.ok || helped.value.window.kind !== 'ready') {
          throw new Error(JSON.stringify({ route, remedy }));
        }
      }
    }
    expect(never).toBeGreaterThan(40);
  }, 240_000);

  it('a dose that is refused comes with another way that works', () => {
    let refused = 0;
    for (const route of fc.sample(anyRoute, { numRuns: 400, seed: SEED + 2 })) {
      const hours = route.stages.reduce((sum, stage) => sum + stage.hours, 0);
      const request = { route, peakHour: hours };
      const dose = solveDose(request);
      if (dose.ok) continue;
      const [refusal] = dose.reasons;
      if (refusal?.kind !== 'no-dose') throw new Error(JSON.stringify(refusal));
      refused += 1;
      if (refused > 60) break;
      const [first] = refusal.alternatives;
      if (!first) throw new Error(`no alternative: ${JSON.stringify(request)}`);
      if (!solveDose(applyAlternative(request, first)).ok) {
        throw new Error(JSON.stringify({ request, first }));
      }
    }
    expect(refused).toBeGreaterThan(40);
  }, 240_000);
});
