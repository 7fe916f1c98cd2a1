import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { chanceOf } from './chance';

const count = fc.integer({ min: 0, max: 60 });

describe('what chance alone would do', () => {
  it('is the tabled sign test', () => {
    expect(chanceOf(0, 0)).toBe(1);
    expect(chanceOf(8, 1)).toBeCloseTo(0.0390625, 9);
    expect(chanceOf(5, 0)).toBeCloseTo(0.0625, 9);
    expect(chanceOf(10, 2)).toBeCloseTo(0.0385742, 6);
    expect(chanceOf(4, 4)).toBe(1);
  });

  it('is the same either way round, and less the further they part', () => {
    fc.assert(
      fc.property(count, count, (a, b) => {
        expect(chanceOf(a, b)).toBe(chanceOf(b, a));
        expect(chanceOf(a, b)).toBeGreaterThan(0);
        expect(chanceOf(a, b)).toBeLessThanOrEqual(1);
        if (a > b) expect(chanceOf(a + 1, b)).toBeLessThanOrEqual(chanceOf(a, b));
      }),
    );
  });
});
