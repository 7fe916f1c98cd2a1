import { describe, expect, it } from '@jest/globals';
import { at, simulate, type Course } from '@calm/core';
import { coursePath, courseReader } from './courseReader';

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
      { kind: 'bulk', hours: 5, airTempC: 24, container: 'tub' },
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

describe('a line over a course', () => {
  const pointsOf = (path: string) =>
    path
      .slice(1)
      .split('L')
      .map((point) => point.split(',').map(Number) as [number, number]);
  const line = pointsOf(
    coursePath(
      course,
      'volumes',
      (hour) => 100 + hour * 20,
      (rise) => rise * 1000,
    ),
  );

  it('runs from the first moment to the last, never back', () => {
    expect(line[0]?.[0]).toBe(100);
    expect(line.at(-1)?.[0]).toBeCloseTo(100 + at(course.hours, course.length - 1) * 20, 1);
    line.slice(1).forEach(([x], i) => expect(x).toBeGreaterThanOrEqual(line[i]?.[0] ?? NaN));
  });

  it('is where the course is', () => {
    const read = courseReader(course);
    for (const [x, y] of [line[10], line[60], line[120]] as [number, number][]) {
      expect(y / 1000).toBeCloseTo(read((x - 100) / 20)?.look.volume ?? NaN, 2);
    }
  });

  it('falls at once where the dough is shaped, and takes few points', () => {
    const atShaping = line.filter(([x]) => Math.abs(x - 200) < 0.5);
    const rises = atShaping.map(([, y]) => y / 1000);
    expect(Math.max(...rises) - Math.min(...rises)).toBeGreaterThan(0.05);
    expect(line.length).toBeLessThan(180);
  });

  it('is empty without moments', () => {
    expect(coursePath({ ...course, length: 0 }, 'volumes', Number, Number)).toBe('');
  });
});
