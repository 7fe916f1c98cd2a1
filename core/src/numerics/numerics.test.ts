import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import {
  firstIndex,
  maximumBetween,
  normalQuantile,
  normalShareBelow,
  randomOf,
  rootBetween,
} from './index';

describe('the first index from which something holds', () => {
  it('is what looking at each would find', () => {
    const sorted = fc
      .array(fc.integer({ min: -50, max: 50 }))
      .map((list) => list.sort((a, b) => a - b));
    fc.assert(
      fc.property(sorted, fc.integer({ min: -60, max: 60 }), (list, limit) => {
        const plain = list.findIndex((each) => each > limit);
        const found = firstIndex(list.length, (i) => (list[i] as number) > limit);
        expect(found).toBe(plain < 0 ? list.length : plain);
      }),
    );
  });
});

describe('the normal distribution', () => {
  it('turns round: share and quantile undo each other', () => {
    for (let z = -3.5; z <= 3.5; z += 0.25) {
      expect(normalQuantile(normalShareBelow(z))).toBeCloseTo(z, 3);
    }
    expect(normalShareBelow(1.96)).toBeCloseTo(0.975, 3);
  });
});

describe('a root between two places', () => {
  it('is found in few looks, inside its bracket', () => {
    fc.assert(
      fc.property(fc.double({ min: 0.05, max: 9.5, noNaN: true }), (root) => {
        let looks = 0;
        const look = (x: number) => {
          looks += 1;
          expect(x).toBeGreaterThanOrEqual(0);
          expect(x).toBeLessThanOrEqual(10);
          return { x, miss: x ** 3 - root ** 3, at: x };
        };
        expect(rootBetween(look(0), look(10), look, 1e-6).at).toBeCloseTo(root, 3);
        expect(looks).toBeLessThan(40);
      }),
    );
  });
});

describe('the highest place between two', () => {
  it('is found of anything with one hump, at an end too', () => {
    fc.assert(
      fc.property(fc.double({ min: -2, max: 12, noNaN: true }), (top) => {
        const found = maximumBetween(0, 10, (x) => -Math.abs(x - top), 30);
        expect(found.x).toBeCloseTo(Math.min(10, Math.max(0, top)), 4);
        expect(found.value).toBe(-Math.abs(found.x - top));
      }),
    );
  });
});

describe('draws', () => {
  const DRAWS = 20_000;
  const momentsOf = (draw: () => number) => {
    const list = Array.from({ length: DRAWS }, draw);
    const mean = list.reduce((sum, x) => sum + x, 0) / DRAWS;
    return { mean, sd: Math.sqrt(list.reduce((sum, x) => sum + (x - mean) ** 2, 0) / DRAWS) };
  };

  it('are the same for the same seed and others for another', () => {
    const some = (seed: number) => Array.from({ length: 5 }, randomOf(seed).uniform);
    expect(some(7)).toEqual(some(7));
    expect(some(7)).not.toEqual(some(8));
  });

  const random = randomOf(3);
  it.each([
    ['uniform', random.uniform, 0.5, Math.sqrt(1 / 12)],
    ['normal', random.normal, 0, 1],
    ['gamma', () => random.gamma(0.2), 1, 0.2],
    ['wide gamma', () => random.gamma(0.6), 1, 0.6],
    ['poisson', () => random.poisson(3), 3, Math.sqrt(3)],
    ['poisson of many', () => random.poisson(400), 400, 20],
  ] as const)('have the mean and spread of %s', (_name, draw, mean, sd) => {
    const found = momentsOf(draw);
    expect(Math.abs(found.mean - mean)).toBeLessThan(0.04 * Math.max(1, sd));
    expect(Math.abs(found.sd - sd)).toBeLessThan(0.04 * Math.max(1, sd));
  });
});
