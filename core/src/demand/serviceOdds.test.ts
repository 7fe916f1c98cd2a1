import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { demandShareBelow, nextPulls, oddsOfEnough, servingQuarters, type Serving } from './index';

const EVENING = 20;
const even = (balls: number) => Array.from({ length: EVENING }, () => balls / EVENING);
const allAt = (balls: number) => [{ balls, readyMin: 0, lastMin: 300 }];

describe('the odds that balls are enough', () => {
  it.each([
    [100, 100, 0.2],
    [100, 130, 0.2],
    [60, 80, 0.3],
    [40, 50, 0.05],
  ])('of %d expected and %d there, are what the forecast’s own spread says', (mean, have, cv) => {
    const odds = oddsOfEnough(even(mean), cv, allAt(have));
    expect(Math.abs(odds - demandShareBelow(mean, { cv }, have))).toBeLessThan(0.03);
  });

  it('are the same each time, and nothing where a stretch has none', () => {
    expect(oddsOfEnough(even(80), 0.2, allAt(100))).toBe(oddsOfEnough(even(80), 0.2, allAt(100)));
    const late = [{ balls: 500, readyMin: 30, lastMin: 300 }];
    expect(oddsOfEnough(even(80), 0.2, late)).toBeLessThan(0.01);
    const gone = [{ balls: 500, readyMin: 0, lastMin: 200 }];
    expect(oddsOfEnough(even(80), 0.2, gone)).toBeLessThan(0.01);
  });
});

describe('waves of a thousand services', () => {
  it('leave nobody without at the expected demand, wherever trays are there in time', () => {
    const service = fc.record({
      shares: fc.array(fc.double({ min: 0.02, max: 1, noNaN: true }), {
        minLength: 6,
        maxLength: 24,
      }),
      need: fc.integer({ min: 5, max: 400 }),
      tray: fc.integer({ min: 2, max: 24 }),
      temperMin: fc.integer({ min: 20, max: 240 }),
      keepMin: fc.integer({ min: 60, max: 400 }),
      out: fc.array(
        fc.record({
          atMin: fc.integer({ min: -300, max: -1 }),
          balls: fc.integer({ min: 1, max: 40 }),
        }),
        { maxLength: 3 },
      ),
    });
    fc.assert(
      fc.property(service, ({ shares, need, tray, temperMin, keepMin, out }) => {
        const sum = shares.reduce((a, b) => a + b, 0);
        const serving: Serving = {
          curve: shares.map((share) => share / sum),
          need,
          made: 3 * need + 1000,
          pulled: out,
          temperMin,
          keepMin,
          ripeFromMin: -Infinity,
          coldUntilMin: Infinity,
          spread: { cv: 0.2, cover: 0.9 },
        };
        const waves = nextPulls(serving, tray, -1000);
        const pulled = [
          ...out,
          ...waves.map(({ readyMin, balls }) => ({ atMin: readyMin - temperMin, balls })),
        ];
        for (const { short } of servingQuarters({ ...serving, pulled })) {
          expect(short).toBeLessThan(0.01);
        }
      }),
      { numRuns: 1000 },
    );
  });
});
