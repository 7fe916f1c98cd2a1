import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { goneBy, pullWaves, usageCurve, type Pulling } from './index';

const evening = usageCurve(
  [
    { minute: 80, balls: 60 },
    { minute: 110, balls: 90 },
    { minute: 200, balls: 40 },
  ],
  300,
);
const pulling: Pulling = {
  curve: evening,
  balls: 120,
  ballsPerTray: 12,
  temperMin: 120,
  keepMin: 150,
};

describe('waves of pulling', () => {
  it('have enough ready at every moment, and none past its window', () => {
    const curve = fc
      .array(fc.double({ min: 0.01, max: 1, noNaN: true }), { minLength: 1, maxLength: 24 })
      .map((list) => list.map((each) => each / list.reduce((a, b) => a + b, 0)));
    fc.assert(
      fc.property(
        curve,
        fc.integer({ min: 1, max: 400 }),
        fc.integer({ min: 1, max: 24 }),
        fc.integer({ min: 15, max: 400 }),
        (shares, balls, ballsPerTray, keepMin) => {
          const waves = pullWaves({ ...pulling, curve: shares, balls, ballsPerTray, keepMin });
          const total = waves.reduce((sum, wave) => sum + wave.balls, 0);
          expect(total).toBe(balls);
          for (let minute = 15; minute <= shares.length * 15; minute += 15) {
            const needed = goneBy(shares, minute) * balls;
            const ready = waves
              .filter(({ readyMin }) => readyMin < minute)
              .reduce((sum, wave) => sum + wave.balls, 0);
            expect(ready).toBeGreaterThanOrEqual(Math.floor(needed + 1e-6));
            // First in, first out: what has gone by then covers every wave that is past it.
            const past = waves
              .filter(({ goodUntilMin }) => goodUntilMin <= minute)
              .reduce((sum, wave) => sum + wave.balls, 0);
            expect(past).toBeLessThanOrEqual(Math.ceil(goneBy(shares, minute) * balls + 1e-6));
          }
          for (const wave of waves)
            expect(wave.trays * ballsPerTray).toBeGreaterThanOrEqual(wave.balls);
        },
      ),
    );
  });

  it('are as few as the time that balls keep allows', () => {
    expect(pullWaves(pulling)).toHaveLength(2);
    expect(pullWaves({ ...pulling, keepMin: 300 })).toHaveLength(1);
    expect(pullWaves({ ...pulling, keepMin: 60 })).toHaveLength(5);
    expect(pullWaves({ ...pulling, balls: 0 })).toEqual([]);
  });

  it('are pulled as long before they are ready as they take to warm', () => {
    const [first, second] = pullWaves(pulling);
    expect(first).toMatchObject({ pullMin: -120, readyMin: 0, goodUntilMin: 150 });
    expect(second?.pullMin).toBe(30);
  });

  it('are refused where nothing can be pulled', () => {
    expect(() => pullWaves({ ...pulling, ballsPerTray: 0 })).toThrow(RangeError);
    expect(() => pullWaves({ ...pulling, keepMin: 5 })).toThrow(RangeError);
  });
});
