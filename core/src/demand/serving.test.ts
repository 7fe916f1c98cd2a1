import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { pullWaves } from './pullWaves';
import { servingQuarters, standingAt, type Serving } from './serving';
import { usageCurve } from './usage';

const EVENING_MIN = 300;
const even = usageCurve([], EVENING_MIN);
const serving = (change: Partial<Serving> = {}): Serving => ({
  curve: even,
  need: 100,
  made: 100,
  pulled: [],
  temperMin: 120,
  keepMin: 180,
  ripeFromMin: 0,
  coldUntilMin: 600,
  ...change,
});

describe('how balls stand', () => {
  it('before a pull is all in the cold: too young, then ripe, then past it', () => {
    const s = serving({ ripeFromMin: -30, coldUntilMin: 200 });
    expect(standingAt(s, -200)).toMatchObject({ notYet: 100, cold: 0, ready: 0 });
    expect(standingAt(s, -120)).toMatchObject({ notYet: 0, cold: 100 });
    expect(standingAt(s, 250)).toMatchObject({ cold: 0, past: 100 });
  });

  it('warms after a pull, is ready, and goes as guests come', () => {
    const s = serving({ pulled: [{ atMin: -120, balls: 40 }] });
    expect(standingAt(s, -60)).toMatchObject({ warming: 40, ready: 0, cold: 60 });
    expect(standingAt(s, 0)).toMatchObject({ warming: 0, ready: 40 });
    const later = standingAt(s, 60);
    expect(later.used).toBeCloseTo(20, 6);
    expect(later.ready).toBeCloseTo(20, 6);
    expect(later.short).toBeCloseTo(0, 6);
    // Two hours in, forty are gone; an hour on, twenty guests went without.
    expect(standingAt(s, 180).short).toBeCloseTo(20, 6);
  });

  it('is past it when nobody took it in time', () => {
    const s = serving({ need: 10, pulled: [{ atMin: -300, balls: 40 }] });
    // Ready three hours before doors, good until doors.
    expect(standingAt(s, -10)).toMatchObject({ ready: 40, past: 0 });
    expect(standingAt(s, 10)).toMatchObject({ ready: 0, past: 40 });
  });

  it('counts every ball once, whatever was pulled when', () => {
    const pulls = fc.array(
      fc.record({
        atMin: fc.integer({ min: -240, max: 240 }),
        balls: fc.integer({ min: 1, max: 30 }),
      }),
      { maxLength: 5 },
    );
    const moments = fc.integer({ min: -240, max: 300 });
    fc.assert(
      fc.property(pulls, moments, fc.integer({ min: 0, max: 200 }), (pulled, atMin, need) => {
        const made = 150;
        const s = serving({ pulled, made, need });
        const at = standingAt(s, atMin);
        const all = at.ready + at.warming + at.cold + at.notYet + at.past + at.used;
        expect(all).toBeCloseTo(made, 6);
        const asked = need * Math.min(1, Math.max(0, atMin / EVENING_MIN));
        expect(at.used + at.short).toBeCloseTo(asked, 6);
      }),
    );
  });

  it('runs short of less than a ball a wave when pulled in the waves that were reckoned for it', () => {
    const lengths = fc.integer({ min: 60, max: 240 });
    fc.assert(
      fc.property(lengths, fc.integer({ min: 5, max: 160 }), (keepMin, balls) => {
        const waves = pullWaves({ curve: even, balls, ballsPerTray: 6, temperMin: 120, keepMin });
        const s = serving({
          need: balls,
          made: balls,
          keepMin,
          pulled: waves.map(({ pullMin, balls: out }) => ({ atMin: pullMin, balls: out })),
        });
        // A ball is whole: what a wave has beyond its guests is past it when the next one opens.
        const short = servingQuarters(s).reduce((sum, quarter) => sum + quarter.short, 0);
        expect(short).toBeLessThan(waves.length);
      }),
    );
  });
});
