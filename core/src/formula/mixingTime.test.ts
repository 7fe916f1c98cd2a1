import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { EXPERIENCES, methodTime, minutesInBowl, mixingTime, type Bowl } from './mixingTime';

const spiral: Bowl = { kind: 'spiral', doughKg: 20, maxDoughKg: 40, hydrationPercent: 62 };
const byHand: Bowl = { kind: 'hand', doughKg: 1.5, maxDoughKg: 6, hydrationPercent: 62 };
const anyBowl: fc.Arbitrary<Bowl> = fc.record({
  kind: fc.constantFrom('spiral', 'fork', 'planetary', 'hand'),
  doughKg: fc.double({ min: 0.3, max: 60, noNaN: true }),
  maxDoughKg: fc.double({ min: 1, max: 80, noNaN: true }),
  hydrationPercent: fc.double({ min: 45, max: 100, noNaN: true }),
  experience: fc.constantFrom(...EXPERIENCES),
});

describe('how long dough is worked', () => {
  it('is what the trade says: 8 to 12 in a large spiral, 7 to 15 in a small machine, 10 to 20 by hand', () => {
    expect(mixingTime(spiral)).toEqual({ leastMin: 8, usualMin: 10, mostMin: 13 });
    const small = mixingTime({ ...spiral, kind: 'planetary', doughKg: 3, maxDoughKg: 5 });
    expect(small.leastMin).toBeGreaterThanOrEqual(7);
    expect(small.mostMin).toBeLessThanOrEqual(15);
    for (const experience of EXPERIENCES) {
      const { usualMin } = mixingTime({ ...byHand, experience });
      expect(usualMin).toBeGreaterThanOrEqual(10);
      expect(usualMin).toBeLessThanOrEqual(20);
    }
  });

  it('never gets shorter with more dough, or farther from usual wetness, or with newer hands', () => {
    fc.assert(
      fc.property(anyBowl, fc.double({ min: 0, max: 20, noNaN: true }), (bowl, more) => {
        const { usualMin } = mixingTime(bowl);
        const than = (other: Partial<Bowl>) => mixingTime({ ...bowl, ...other }).usualMin;
        expect(than({ doughKg: bowl.doughKg + more })).toBeGreaterThanOrEqual(usualMin);
        expect(than({ experience: 'new' })).toBeGreaterThanOrEqual(usualMin);
        const away = Math.sign(bowl.hydrationPercent - 61) * more;
        expect(than({ hydrationPercent: bowl.hydrationPercent + away })).toBeGreaterThanOrEqual(
          usualMin,
        );
      }),
    );
  });
});

describe('a method’s minutes', () => {
  const steps = [
    {},
    { minutes: 4, speed: 'slow' as const },
    { minutes: 20 },
    { minutes: 4, speed: 'fast' as const },
  ];

  it('are of work and of standing; of none where no step tells any', () => {
    expect(methodTime(steps)).toEqual({ workedMin: 8, standsMin: 20 });
    expect(methodTime([{}, { speed: 'slow' }])).toBeNull();
  });

  it('are as told in the bowl they are told for, and only work takes longer in another', () => {
    const time = { workedMin: 8, standsMin: 20 };
    expect(minutesInBowl(time, spiral, spiral)).toBe(28);
    const fork: Bowl = { ...spiral, kind: 'fork' };
    expect(minutesInBowl(time, spiral, fork)).toBe(Math.ceil((8 * 13) / 10 + 20));
  });
});
