import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { EMPTY_SCALE, pourRate, putOn, readScale, tare } from './benchScale';

const grams = fc.double({ min: 0, max: 30_000, noNaN: true });
const steps = fc.constantFrom(0.01, 0.1, 1, 5);

describe('the bench scale', () => {
  it('shows what lies on it to its step, once it has settled', () => {
    fc.assert(
      fc.property(grams, steps, (onIt, stepG) => {
        const load = putOn(EMPTY_SCALE, onIt, 0);
        const { grams: shown, isStable } = readScale(load, 2000, stepG);
        expect(isStable).toBe(true);
        expect(Math.abs(shown - onIt)).toBeLessThanOrEqual(stepG / 2 + 1e-6);
        expect(Math.abs(shown / stepG - Math.round(shown / stepG))).toBeLessThan(1e-6);
      }),
    );
  });

  it('swings at first, near what lies on it, and says so', () => {
    const load = putOn(EMPTY_SCALE, 5000, 0);
    const swung = [50, 90, 250, 400].map((at) => readScale(load, at, 1));
    expect(swung.every(({ isStable }) => !isStable)).toBe(true);
    expect(swung.some(({ grams: g }) => g !== 5000)).toBe(true);
    expect(swung.every(({ grams: g }) => Math.abs(g - 5000) <= 20)).toBe(true);
  });

  it('shows nothing when nothing was ever put on it', () => {
    expect(readScale(EMPTY_SCALE, 0, 1)).toEqual({ grams: 0, isStable: true });
  });

  it('counts from its tare, and never holds less than nothing', () => {
    const bowl = tare(putOn(EMPTY_SCALE, 1200, 0));
    expect(readScale(bowl, 5000, 1).grams).toBe(0);
    expect(readScale(putOn(bowl, 300, 5000), 9000, 1).grams).toBe(300);
    expect(readScale(putOn(bowl, -5000, 5000), 9000, 1).grams).toBe(-1200);
  });

  it('is reached by a hand that pours, which then has the time to stop', () => {
    fc.assert(
      fc.property(fc.integer({ min: 2, max: 25_000 }), steps, (wantedG, stepG) => {
        let shown = 0;
        let seconds = 0;
        let secondsRight = 0;
        for (; shown < wantedG + 3 * stepG && seconds < 60; seconds += 0.05) {
          shown += pourRate(shown, wantedG, stepG) * 0.05;
          if (Math.abs(shown - wantedG) <= 1.5 * stepG) secondsRight += 0.05;
        }
        expect(seconds).toBeLessThan(25);
        expect(secondsRight).toBeGreaterThan(0.7);
      }),
    );
  });
});
