import { describe, expect, it } from '@jest/globals';
import { at, simulate, type Course } from '@calm/core';
import { courseReader, POINTS, wayRows } from './wayRows';

const way = simulate(
  {
    formula: {
      flours: [{ name: 'strong white', percent: 100, strengthW: 300 }],
      waterPercent: 62,
      saltPercent: 2.4,
      yeast: { form: 'fresh', percent: 0.45 },
    },
    ballWeightG: 275,
    doughTempC: 24,
    stages: [
      { kind: 'bulk', hours: 2, airTempC: 22, container: 'tub' },
      { kind: 'ball', hours: 20, airTempC: 4, container: 'lidded-tray' },
    ],
  },
  { beyondH: 2 },
);
if (!way.ok) throw new Error('a fine route');
const { course } = way.value;

describe('a course read at any hour', () => {
  it('gives its own moments back, forwards and backwards', () => {
    const read = courseReader(course);
    const picks = [3, 40, 200, course.length - 1, 120, 12];
    for (const i of picks) {
      expect(read(at(course.hours, i))?.ripeH).toBeCloseTo(at(course.maturitiesH, i), 9);
    }
  });

  it('lies between its neighbours in between, and is nothing outside', () => {
    const read = courseReader(course);
    const middle = (at(course.hours, 50) + at(course.hours, 51)) / 2;
    const ripe = read(middle)?.ripeH ?? NaN;
    expect(ripe).toBeGreaterThan(at(course.maturitiesH, 50));
    expect(ripe).toBeLessThan(at(course.maturitiesH, 51));
    expect(read(-0.1)).toBeNull();
    expect(read(500)).toBeNull();
  });

  it('is nothing without moments', () => {
    const none: Course = { ...course, length: 0 };
    expect(courseReader(none)(1)).toBeNull();
  });
});

describe('rows of the charts', () => {
  it('lie evenly over the hours, empty where the dough is not', () => {
    const rows = wayRows(course, course, -2, 30);
    expect(rows[0]).toMatchObject({ hour: -2, rise: null, plannedRise: null });
    expect(rows.at(-1)).toMatchObject({ hour: 30, rise: null });
    const [a, b] = [rows[40], rows[41]];
    expect((b?.hour ?? 0) - (a?.hour ?? 0)).toBeCloseTo(32 / POINTS, 9);
    expect(a?.rise).toBe(a?.plannedRise);
  });

  it('have nothing planned where there is nothing to compare with', () => {
    const [, second] = wayRows(course, null, 0, 20);
    expect(second?.rise).toBeGreaterThan(0);
    expect(second?.plannedRise).toBeNull();
  });
});
