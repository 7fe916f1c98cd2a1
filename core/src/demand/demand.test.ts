import { describe, expect, it } from '@jest/globals';
import {
  backtest,
  ballsToHave,
  bestSmoothing,
  errorOf,
  expectAt,
  filterDemand,
  forecastSeries,
  START_SERVICES,
  together,
  weekdayIndex,
  type SoldDay,
} from './index';

/** Mulberry32: a small generator with a seed. */
function seeded(seed: number): () => number {
  let a = seed >>> 0;
  return () => {
    a = (a + 0x6d2b79f5) >>> 0;
    let t = Math.imul(a ^ (a >>> 15), a | 1);
    t ^= t + Math.imul(t ^ (t >>> 7), t | 61);
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296;
  };
}
const normal = (next: () => number) =>
  Math.sqrt(-2 * Math.log(1 - next())) * Math.cos(2 * Math.PI * next());
const dateOf = (day: number) => new Date(day * 86_400_000).toISOString().slice(0, 10);
/** A Monday. */
const FIRST = Date.parse('2026-01-05T00:00:00Z') / 86_400_000;
const WEEK = [0, 0.8, 0.9, 0.95, 1.3, 1.5, 0.75];

interface Truth {
  readonly level: number;
  readonly growth: number;
  readonly cv: number;
  readonly event: number;
}

/** Weekday pattern, a steady growth a week, an event now and then, and noise; closed on Mondays. */
function history(weeks: number, truth: Truth, seed: number): { day: SoldDay; mean: number }[] {
  const next = seeded(seed);
  return Array.from({ length: weeks * 7 }, (_, i) => i).flatMap((i) => {
    const date = dateOf(FIRST + i);
    const weekday = WEEK[weekdayIndex(date)] ?? 0;
    if (weekday === 0) return [];
    const isEvent = i % 31 === 17;
    const mean =
      truth.level * weekday * (1 + truth.growth) ** (i / 7) * (isEvent ? truth.event : 1);
    // The evening scatters, and so does each guest's own choice.
    const own = truth.cv > 0 ? Math.sqrt(mean) * normal(next) : 0;
    const sold = Math.max(0, Math.round(mean * (1 + truth.cv * normal(next)) + own));
    return [{ day: { date, sold, ...(isEvent && { event: 'festival' }) }, mean }];
  });
}
const days = (list: readonly { day: SoldDay }[]) => list.map(({ day }) => day);
const PLAIN: Truth = { level: 100, growth: 0, cv: 0, event: 1 };

describe('a model of demand', () => {
  it('finds weekdays and level of a history without noise', () => {
    const model = filterDemand(days(history(10, PLAIN, 1)), {
      level: 0.1,
      trend: 0.02,
      weekday: 0.05,
    }).at(-1);
    const series = forecastSeries(days(history(10, PLAIN, 1)));
    expect(model?.weekdays[5]).toBeGreaterThan(1.3);
    for (let i = 1; i < 7; i += 1) {
      const date = dateOf(FIRST + 70 + i);
      expect(expectAt(series, date, 0).mean).toBeCloseTo(100 * (WEEK[i] ?? 0), -0.5);
    }
  });

  it('learns an event from having seen it, starting where the house guesses', () => {
    const truth = { ...PLAIN, event: 1.6 };
    const series = forecastSeries(days(history(14, truth, 3)));
    const date = dateOf(FIRST + 14 * 7 + 4);
    const plain = expectAt(series, date, 0).mean;
    const guess = (expectedFactor: number) =>
      expectAt(series, date, 0, { name: 'festival', expectedFactor }).mean / plain;
    expect(guess(1.6)).toBeCloseTo(1.6, 1);
    expect(guess(1)).toBeGreaterThan(1.2);
    expect(
      expectAt(series, date, 0, { name: 'regatta', expectedFactor: 1.4 }).mean / plain,
    ).toBeCloseTo(1.4, 9);
  });

  it('is not drawn down by evenings that ran out, nor up or down by events', () => {
    const full = days(history(14, PLAIN, 5));
    const cut = full.map((day, i) =>
      i >= 40 && i % 3 === 0 ? { ...day, sold: day.sold * 0.7, isSoldOut: true } : day,
    );
    const date = dateOf(FIRST + 14 * 7 + 2);
    const mean = (list: readonly SoldDay[]) => expectAt(forecastSeries(list), date, 0).mean;
    expect(mean(cut) / mean(full)).toBeGreaterThan(0.97);
  });

  it('follows a trend for a while, and lets it fade', () => {
    const series = forecastSeries(days(history(20, { ...PLAIN, growth: 0.02 }, 7)));
    if (series.kind === 'short') throw new Error('twenty weeks are enough');
    expect(series.model.trendPerWeek).toBeGreaterThan(0);
    const near = expectAt(series, dateOf(FIRST + 20 * 7 + 4), 0).mean;
    const far = expectAt(series, dateOf(FIRST + 60 * 7 + 4), 0).mean;
    const farther = expectAt(series, dateOf(FIRST + 90 * 7 + 4), 0).mean;
    expect(far).toBeGreaterThan(near);
    expect(farther - far).toBeLessThan(0.01 * far);
  });

  it('says what moved it, and the parts make the number', () => {
    const series = forecastSeries(days(history(12, { ...PLAIN, cv: 0.1, event: 1.5 }, 9)));
    const guess = { name: 'festival', expectedFactor: 1.5 };
    const { mean, parts } = expectAt(series, dateOf(FIRST + 12 * 7 + 5), 0, guess);
    const level = parts.reduce((sum, part) => {
      if (part.kind === 'level' || part.kind === 'trend') return sum + part.balls;
      return part.kind === 'last' ? part.balls : sum;
    }, 0);
    const factor = parts.reduce((all, part) => ('factor' in part ? all * part.factor : all), 1);
    expect(mean).toBeCloseTo(level * factor, -0.3);
  });

  it('is the house’s usual count where there is no history, moved by a little of it', () => {
    const none = forecastSeries([]);
    expect(expectAt(none, '2026-11-27', 80)).toMatchObject({ mean: 80 });
    const one = forecastSeries([{ date: '2026-11-20', sold: 110 }]);
    expect(expectAt(one, '2026-11-27', 80)).toMatchObject({ mean: 90 });
    expect(expectAt(one, '2026-11-28', 80)).toMatchObject({ mean: 80 });
    expect(
      expectAt(none, '2026-11-27', 80, { name: 'regatta', expectedFactor: 1.5 }).mean,
    ).toBeCloseTo(120, 9);
  });
});

describe('several services held as one', () => {
  const expectation = (mean: number, cv: number) => ({ mean, spread: { cv }, parts: [] });

  it('add up what is expected, and what scatters apart scatters less', () => {
    const { mean, spread } = together([expectation(100, 0.3), expectation(100, 0.4)]);
    expect(mean).toBe(200);
    expect(spread.cv).toBeCloseTo(0.25, 12);
    const only = expectation(80, 0.2);
    expect(together([only])).toBe(only);
    expect(together([expectation(0, 0.2), expectation(0, 0.3)]).spread.cv).toBe(0.2);
    expect(() => together([])).toThrow(RangeError);
  });
});

describe('looking back', () => {
  const noisy = days(history(16, { ...PLAIN, cv: 0.15, event: 1.5 }, 11));

  it('tells eight weeks, each service from what its Monday knew', () => {
    const told = backtest(noisy);
    expect(told).toHaveLength(8 * 6);
    // What comes later changes nothing of what was told.
    const later = backtest(noisy.slice(0, -6), () => 1, 7);
    expect(later).toEqual(told.slice(0, -6));
  });

  it('is nearer than the last of the same weekday, on noise', () => {
    let better = 0;
    for (let seed = 1; seed <= 20; seed += 1) {
      const told = backtest(days(history(16, { ...PLAIN, cv: 0.15, event: 1.5 }, seed)));
      const [model, naive] = [errorOf(told, 'expected'), errorOf(told, 'naive')];
      if ((model?.wapePercent ?? 99) < (naive?.wapePercent ?? 0)) better += 1;
    }
    expect(better).toBeGreaterThanOrEqual(18);
  });

  it('uses the plainer one where that was nearer', () => {
    // Two weeks in turn, one twice the other: smoothing sees their mean, and so does the last one not.
    const steps = days(history(16, PLAIN, 13)).map((day) => ({
      ...day,
      sold: day.date >= dateOf(FIRST + 13 * 7) ? day.sold * 2.5 : day.sold,
    }));
    const series = forecastSeries(steps);
    expect(series.kind).toBe('naive');
    expect(expectAt(series, dateOf(FIRST + 16 * 7 + 5), 0).mean).toBeCloseTo(375, 0);
  });

  it('counts an evening that ran out only where the forecast was below it', () => {
    const each = { date: '2026-01-06', expected: 100, naive: 100 };
    const sold = (balls: number, isSoldOut: boolean) => ({ ...each, sold: balls, isSoldOut });
    expect(errorOf([sold(80, false)], 'expected')).toEqual({ wapePercent: 25, biasPercent: 25 });
    expect(errorOf([sold(80, true), sold(125, true)], 'expected')).toEqual({
      wapePercent: 20,
      biasPercent: -20,
    });
    expect(errorOf([], 'naive')).toBeNull();
    expect(errorOf([sold(0, false)], 'naive')).toBeNull();
  });
});

describe('200 histories whose truth is known', () => {
  /** The week after each: what the middle and the eighth-in-ten said, and what came. */
  const runs = Array.from({ length: 200 }, (_, run) => {
    const next = seeded(1000 + run);
    const truth: Truth = {
      level: 30 + 150 * next(),
      growth: -0.01 + 0.02 * next(),
      cv: 0.08 + 0.17 * next(),
      event: 1.2 + 0.6 * next(),
    };
    const all = history(17, truth, 5000 + run);
    const known = days(all).filter(({ date }) => date < dateOf(FIRST + 16 * 7));
    const series = forecastSeries(known, () => 1.4);
    return days(all)
      .slice(known.length)
      .map(({ date, sold, event }) => {
        const guess = event === undefined ? undefined : { name: event, expectedFactor: 1.4 };
        const { mean, spread } = expectAt(series, date, 0, guess);
        const at = (share: number) => ballsToHave(mean, spread, share);
        return { sold, p10: at(0.1), p50: at(0.5), p80: at(0.8), p90: at(0.9) };
      });
  }).flat();
  const sum = (of: (run: (typeof runs)[number]) => number) =>
    runs.reduce((total, run) => total + of(run), 0);
  const share = (of: (run: (typeof runs)[number]) => boolean) =>
    runs.filter(of).length / runs.length;

  it('the middle is unbiased within 3 %', () => {
    expect(runs).toHaveLength(1200);
    expect(Math.abs(sum(({ p50 }) => p50) / sum(({ sold }) => sold) - 1)).toBeLessThan(0.03);
  });

  it('eight in ten are 75 to 85 in a hundred: below the eighth-in-ten, and inside the middle eight', () => {
    const below = share(({ sold, p80 }) => sold <= p80);
    expect(below).toBeGreaterThan(0.75);
    expect(below).toBeLessThan(0.85);
    const inside = share(({ sold, p10, p90 }) => sold >= p10 && sold <= p90);
    expect(inside).toBeGreaterThan(0.75);
    expect(inside).toBeLessThan(0.85);
  });

  it('has its own smoothing chosen, from enough services', () => {
    const steady = days(history(16, { ...PLAIN, cv: 0.2 }, 21));
    expect(bestSmoothing(steady).level).toBeLessThanOrEqual(0.1);
    expect(filterDemand(steady.slice(0, START_SERVICES), bestSmoothing(steady))).toHaveLength(1);
  });
});
