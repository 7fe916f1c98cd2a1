import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { pullWaves } from './pullWaves';
import { nextPulls, servingQuarters, serviceStateAt, type Serving } from './serving';
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
    expect(serviceStateAt(s, -200)).toMatchObject({ notYet: 100, cold: 0, ready: 0 });
    expect(serviceStateAt(s, -120)).toMatchObject({ notYet: 0, cold: 100 });
    expect(serviceStateAt(s, 250)).toMatchObject({ cold: 0, past: 100 });
  });

  it('warms after a pull, is ready, and goes as guests come', () => {
    const s = serving({ pulled: [{ atMin: -120, balls: 40 }] });
    expect(serviceStateAt(s, -60)).toMatchObject({ warming: 40, ready: 0, cold: 60 });
    expect(serviceStateAt(s, 0)).toMatchObject({ warming: 0, ready: 40 });
    const later = serviceStateAt(s, 60);
    expect(later.used).toBeCloseTo(20, 6);
    expect(later.ready).toBeCloseTo(20, 6);
    expect(later.short).toBeCloseTo(0, 6);
    // Two hours in, forty are gone; an hour on, twenty guests went without.
    expect(serviceStateAt(s, 180).short).toBeCloseTo(20, 6);
  });

  it('is past it when nobody took it in time', () => {
    const s = serving({ need: 10, pulled: [{ atMin: -300, balls: 40 }] });
    // Ready three hours before doors, good until doors.
    expect(serviceStateAt(s, -10)).toMatchObject({ ready: 40, past: 0 });
    expect(serviceStateAt(s, 10)).toMatchObject({ ready: 0, past: 40 });
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
        const at = serviceStateAt(s, atMin);
        const all = at.ready + at.warming + at.cold + at.notYet + at.past + at.used;
        expect(all).toBeCloseTo(made, 6);
        const asked = need * Math.min(1, Math.max(0, atMin / EVENING_MIN));
        expect(at.used + at.short).toBeCloseTo(asked, 6);
      }),
    );
  });

  it('runs short of less than a ball a wave when pulled in the waves that were calculated for it', () => {
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

describe('what to pull next', () => {
  const shortOf = (s: Serving) => servingQuarters(s).reduce((sum, { short }) => sum + short, 0);
  const asPulled = (s: Serving, waves: ReturnType<typeof nextPulls>) => ({
    ...s,
    pulled: [
      ...s.pulled,
      ...waves.map(({ readyMin, balls }) => ({ atMin: readyMin - 120, balls })),
    ],
  });

  it('is a wave for doors when nothing is out, and nothing when enough is', () => {
    const [first] = nextPulls(serving(), 6, -200);
    expect(first).toMatchObject({ pullMin: -120, readyMin: 0, balls: 60, trays: 10 });
    const out = serving({
      pulled: [
        { atMin: -120, balls: 60 },
        { atMin: 60, balls: 40 },
      ],
    });
    expect(nextPulls(out, 6, 30)).toEqual([]);
  });

  it('is due when what is out runs out', () => {
    const out = serving({ pulled: [{ atMin: -120, balls: 30 }] });
    // Thirty balls last ninety minutes.
    expect(nextPulls(out, 6, -60)[0]).toMatchObject({ pullMin: -30, readyMin: 90 });
  });

  it('comes out now when it is late, and says since when', () => {
    const [first] = nextPulls(serving(), 6, -60);
    expect(first).toMatchObject({ pullMin: -120, readyMin: 60 });
  });

  it('is timed to the minute that runs short, not to the next quarter', () => {
    const s = serving({ need: 90, pulled: [{ atMin: -120, balls: 31 }] });
    const [first] = nextPulls(s, 6, -100);
    // Thirty-one of ninety balls in 300 minutes last 103 minutes and 20 seconds.
    expect(first?.readyMin).toBe(103);
    const later = serving({ pulled: [{ atMin: -113, balls: 20 }] });
    // Ready seven minutes after doors: those seven minutes are what a wave now is due for.
    expect(shortOf(asPulled(later, nextPulls(later, 6, -200)))).toBeLessThan(1e-3);
  });

  it('is never before the dough is ripe, nor after what is cold is over', () => {
    const young = nextPulls(serving({ ripeFromMin: 45 }), 6, -300);
    expect(Math.min(...young.map(({ readyMin }) => readyMin))).toBe(45);
    const old = nextPulls(serving({ coldUntilMin: -60, keepMin: 120 }), 6, -200);
    expect(old.map(({ readyMin }) => readyMin)).toEqual([0]);
  });

  it('is whole trays, with some more than is expected, while enough stays cold', () => {
    const plenty = serving({ made: 200, spread: { cv: 0.2, cover: 0.9 } });
    for (const { balls, trays } of nextPulls(plenty, 12, -200)) expect(balls).toBe(trays * 12);
    const [first] = nextPulls(plenty, 12, -200);
    expect(first?.balls).toBeGreaterThan(60 + 7);
  });

  it('leaves nobody without while there is time and dough', () => {
    const outs = fc.array(
      fc.record({
        atMin: fc.integer({ min: -180, max: -60 }),
        balls: fc.integer({ min: 1, max: 30 }),
      }),
      { maxLength: 3 },
    );
    fc.assert(
      fc.property(outs, fc.integer({ min: 45, max: 240 }), (pulled, keepMin) => {
        const s = serving({ pulled, keepMin, made: 300 });
        const waves = nextPulls(s, 6, -200);
        expect(shortOf(asPulled(s, waves))).toBeLessThan(1);
        const times = waves.map(({ readyMin }) => readyMin);
        expect(times).toEqual([...times].sort((a, b) => a - b));
      }),
    );
  });

  it('never takes out more than there is', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: 120 }),
        fc.integer({ min: -200, max: 280 }),
        (made, atMin) => {
          const waves = nextPulls(serving({ made }), 6, atMin);
          const balls = waves.reduce((sum, wave) => sum + wave.balls, 0);
          expect(balls).toBeLessThanOrEqual(made);
          for (const { readyMin } of waves) expect(readyMin).toBeGreaterThanOrEqual(atMin + 120);
        },
      ),
    );
  });
});
