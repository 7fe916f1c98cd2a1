import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { seriesMiddle } from '../test-support/seriesSolutions';
import {
  ballShape,
  conduct,
  cutShells,
  DOUGH_HEAT,
  filmOf,
  massShape,
  meanOf,
  middleTempC,
  tubShape,
  type ShapeKind,
} from './index';

const { conductivityWPerMK: k, densityKgPerM3, specificHeatJPerKgK } = DOUGH_HEAT;
const diffusivity = k / (densityKgPerM3 * specificHeatJPerKgK);
const RADIUS_M = 0.04;

/** The middle's remaining share after a Fourier number, by our shells. */
function ourMiddle(kind: ShapeKind, biot: number, fourier: number, count: number, steps: number) {
  const shells = cutShells({ kind, radiusM: RADIUS_M }, (biot * k) / RADIUS_M, count);
  const temps = new Float64Array(count).fill(1);
  const seconds = (fourier * RADIUS_M ** 2) / diffusivity;
  for (let i = 0; i < steps; i += 1) conduct(shells, temps, 0, seconds / steps);
  return middleTempC(shells, temps);
}

describe('conduction', () => {
  const kinds: ShapeKind[] = ['slab', 'cylinder', 'sphere'];
  const cases = kinds.flatMap((kind) => [0.1, 1, 10].map((biot) => [kind, biot] as const));

  it.each(cases)('in a %s matches the series solution within 1 %% at Biot %s', (kind, biot) => {
    for (const fourier of [0.2, 0.5, 1, 2]) {
      const exact = seriesMiddle(kind, biot, fourier);
      if (exact < 0.01) continue;
      const ours = ourMiddle(kind, biot, fourier, 40, 4000);
      expect(Math.abs(ours / exact - 1)).toBeLessThan(0.01);
    }
  });

  it('gets as much better as its steps get shorter: first order in time', () => {
    const reference = ourMiddle('sphere', 1, 0.5, 12, 20_000);
    const errors = [50, 100, 200].map((steps) =>
      Math.abs(ourMiddle('sphere', 1, 0.5, 12, steps) - reference),
    );
    expect((errors[0] ?? 0) / (errors[1] ?? 1)).toBeCloseTo(2, 0);
    expect((errors[1] ?? 0) / (errors[2] ?? 1)).toBeCloseTo(2, 0);
  });

  it('is near with four shells, and nears second order in space as they get thinner', () => {
    const errors = [4, 12, 24].map((count) =>
      Math.abs(ourMiddle('sphere', 1, 0.5, count, 8000) - seriesMiddle('sphere', 1, 0.5)),
    );
    expect(errors[0]).toBeLessThan(0.005);
    expect((errors[1] ?? 0) / (errors[2] ?? 1)).toBeGreaterThan(3);
  });

  it('loses no heat: what the dough gives, the air takes', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...kinds),
        fc.double({ min: -5, max: 40, noNaN: true }),
        fc.double({ min: 1, max: 3600, noNaN: true }),
        fc.array(fc.double({ min: 0, max: 40, noNaN: true }), { minLength: 6, maxLength: 6 }),
        (kind, airC, stepS, start) => {
          const shells = cutShells({ kind, radiusM: 0.05 }, 8, 6);
          const temps = Float64Array.from(start);
          const before = meanOf(shells, temps);
          let givenK = 0;
          for (let i = 0; i < 20; i += 1) {
            givenK += conduct(shells, temps, airC, stepS);
          }
          expect(Math.abs(before - meanOf(shells, temps) - givenK)).toBeLessThan(1e-9);
        },
      ),
    );
  });

  it('stays between the dough and the air at any step', () => {
    const shells = cutShells(ballShape(275), 12, 6);
    const temps = new Float64Array(6).fill(24);
    conduct(shells, temps, 3, 1e9);
    for (const temp of temps) expect(temp).toBeCloseTo(3, 3);
  });

  it('fills the body: shares of volume sum to one', () => {
    for (const kind of kinds) {
      const { volumeShare } = cutShells({ kind, radiusM: 0.05 }, 8, 9, 2.5);
      expect(volumeShare.reduce((sum, share) => sum + share, 0)).toBeCloseTo(1, 12);
    }
  });
});

describe('bodies and containers', () => {
  it('keep the mass they stand for', () => {
    const { radiusM } = ballShape(275);
    expect((4 / 3) * Math.PI * radiusM ** 3 * densityKgPerM3).toBeCloseTo(0.275, 9);
    const tub = tubShape(12);
    expect(2 * Math.PI * tub.radiusM ** 3 * densityKgPerM3).toBeCloseTo(12, 9);
  });

  it('spread a mass in a tray and stand it up in a tub', () => {
    expect(massShape('lidded-tray', 6).kind).toBe('slab');
    expect(massShape('tub', 6).kind).toBe('cylinder');
  });

  it('lose less in still room air than in a fan’s', () => {
    expect(filmOf('open-tray', 3)).toBeGreaterThan(filmOf('open-tray', 22));
    expect(filmOf('stacked-tray', 3)).toBe(filmOf('stacked-tray', 22));
  });
});
