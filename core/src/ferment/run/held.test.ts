import { describe, expect, it } from '@jest/globals';
import { simulate, timeAbove, type DoughRoute } from '..';
import { holdingLimitsOf } from '../../pantry';

const formula = {
  flours: [{ name: 'strong white', percent: 100, strengthW: 300 }],
  waterPercent: 55,
  saltPercent: 2,
  yeast: { form: 'fresh' as const, percent: 0.4 },
};
const courseOf = (stages: DoughRoute['stages']) => {
  const way = simulate({ formula, ballWeightG: 250, doughTempC: 24, stages });
  if (!way.ok) throw new Error(JSON.stringify(way.reasons));
  return way.value.course;
};
const tray = { kind: 'ball', container: 'open-tray' } as const;
const bench = (hours: number) => ({ ...tray, hours, airTempC: 23 });
const cold = (hours: number) => ({ ...tray, hours, airTempC: 3 });

describe('how long a dough is warm', () => {
  it('is all of a day at room temperature, and says when that was too long', () => {
    const day = courseOf([bench(24)]);
    const held = timeAbove(day, { aboveC: 8, mostMin: 240 }, 24);
    expect(held.minutes).toBeCloseTo(24 * 60, 0);
    expect(held.overHour).toBeCloseTo(4, 2);
    expect(timeAbove(day, { aboveC: 8, mostMin: 240 }, 2).minutes).toBeCloseTo(120, 0);
  });

  it('adds up, however short each time was', () => {
    // Each time out it warms past the limit for some minutes only.
    const once = courseOf([cold(20), bench(0.5), cold(8)]);
    const often = courseOf([
      cold(20),
      ...Array.from({ length: 6 }, () => [bench(0.5), cold(3)]).flat(),
    ]);
    const limit = { aboveC: 8, mostMin: 10_000 };
    const afterCooling = (course: typeof once) =>
      timeAbove(course, limit, 999).minutes - timeAbove(course, limit, 19).minutes;
    expect(afterCooling(once)).toBeGreaterThan(0);
    expect(afterCooling(often)).toBeGreaterThan(5 * afterCooling(once));
  });

  it('is over by the colder limit first, and never where it stays cold', () => {
    const kept = courseOf([cold(40)]);
    expect(timeAbove(kept, { aboveC: 30, mostMin: 0 }, 40)).toEqual({ minutes: 0, overHour: null });
    const [at5, at12] = [5, 12].map((aboveC) => timeAbove(kept, { aboveC, mostMin: 30 }, 40));
    expect(at5?.minutes).toBeGreaterThan(at12?.minutes ?? NaN);
  });
});

describe('what limits a dough', () => {
  const egg = { name: 'egg', allergens: ['egg'], holding: { aboveC: 5, mostMin: 120 } };
  const milk = { name: 'milk', allergens: ['milk'], holding: { aboveC: 8, mostMin: 240 } };
  const rich = {
    ...formula,
    additions: [
      { name: 'milk', percent: 20 },
      { name: 'egg', percent: 8 },
    ],
  };

  it('is everything in it that the house limits, the shortest first', () => {
    expect(holdingLimitsOf(rich, [milk, egg]).map(({ name }) => name)).toEqual(['egg', 'milk']);
    expect(holdingLimitsOf(formula, [milk, egg])).toEqual([]);
    const none = { ...rich, additions: [{ name: 'milk', percent: 0 }] };
    expect(holdingLimitsOf(none, [milk, egg])).toEqual([]);
  });
});
