import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { goneBy, oddsOfEnough, pullWaves, usageCurve, type Pulling } from './index';

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
  it('have enough ready in every minute, and hardly a tray too many', () => {
    const curve = fc
      .array(fc.double({ min: 0.01, max: 1, noNaN: true }), { minLength: 1, maxLength: 24 })
      .map((list) => list.map((each) => each / list.reduce((a, b) => a + b, 0)));
    fc.assert(
      fc.property(
        curve,
        fc.integer({ min: 1, max: 400 }),
        fc.integer({ min: 1, max: 24 }),
        fc.integer({ min: 90, max: 400 }),
        (shares, balls, ballsPerTray, keepMin) => {
          const waves = pullWaves({ ...pulling, curve: shares, balls, ballsPerTray, keepMin });
          for (let minute = 0; minute < shares.length * 15; minute += 1) {
            const ready = waves
              .filter(({ readyMin }) => readyMin <= minute)
              .reduce((sum, wave) => sum + wave.balls, 0);
            expect(ready).toBeGreaterThan(goneBy(shares, minute) * balls - 1e-3);
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
    expect(pullWaves({ ...pulling, keepMin: 60 })).toHaveLength(4);
    expect(pullWaves({ ...pulling, balls: 0 })).toEqual([]);
  });

  it('are pulled as long before they are ready as they take to warm', () => {
    const [first, second] = pullWaves(pulling);
    expect(first).toMatchObject({ pullMin: -120, readyMin: 0, goodUntilMin: 150 });
    expect(second?.pullMin).toBe(30);
  });

  it('leave whoever comes last their share of what is too little for a busy evening', () => {
    const curve = Array.from({ length: 20 }, () => 1 / 20);
    const scarce: Pulling = {
      ...pulling,
      curve,
      balls: 108,
      need: 100,
      keepMin: 225,
      spread: { cv: 0.15, cover: 0.95 },
    };
    const waves = pullWaves(scarce);
    expect(waves.reduce((sum, { balls }) => sum + balls, 0)).toBe(108);
    // Three quarters of the evening are the first wave’s, and so many balls, whole trays at most.
    expect(waves[0]?.balls).toBeLessThan(0.75 * 108 + 12);
    const batches = waves.map(({ balls, readyMin, goodUntilMin }) => ({
      balls,
      readyMin,
      lastMin: goodUntilMin,
    }));
    expect(
      oddsOfEnough(
        curve.map((share) => 100 * share),
        0.05,
        batches,
      ),
    ).toBeGreaterThan(0.2);
  });

  it('are refused where nothing can be pulled', () => {
    expect(() => pullWaves({ ...pulling, ballsPerTray: 0 })).toThrow(RangeError);
    expect(() => pullWaves({ ...pulling, keepMin: 5 })).toThrow(RangeError);
  });
});
