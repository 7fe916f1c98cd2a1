import { at, lookAt, type Course, type DoughLook } from '@calm/core';

/** A dough at an hour. */
export interface DoughAt {
  readonly stage: number;
  readonly ripeH: number;
  readonly look: DoughLook;
}

/** Reads a course at rising or falling hours; null before its start and after its end. */
export function courseReader(course: Course): (hour: number) => DoughAt | null {
  let i = 0;
  const last = course.length - 1;
  return (hour) => {
    if (last < 0 || hour < at(course.hours, 0) || hour > at(course.hours, last)) return null;
    while (i > 0 && at(course.hours, i) > hour) i -= 1;
    while (i < last && at(course.hours, i + 1) <= hour) i += 1;
    const next = Math.min(i + 1, last);
    const span = at(course.hours, next) - at(course.hours, i);
    const share = span > 0 ? (hour - at(course.hours, i)) / span : 0;
    const mix = (row: Float64Array) => at(row, i) + (at(row, next) - at(row, i)) * share;
    return {
      stage: at(course.stages, i),
      ripeH: mix(course.maturitiesH),
      look: lookAt(course, i, share),
    };
  };
}

/** What of a course a line can follow. */
export type CourseRow = 'volumes' | 'maturitiesH' | 'coreTempsC';

const PX_PER_POINT = 3;

/**
 * A line over a course as an SVG path, a point every few pixels and at both ends of every stage, where
 * a rise may jump. Empty for a course without moments.
 *
 * @param toX places an hour, px
 * @param toY places a value of the row, px
 */
export function coursePath(
  course: Course,
  row: CourseRow,
  toX: (hour: number) => number,
  toY: (value: number) => number,
): string {
  const values = course[row];
  let path = '';
  let lastX = -Infinity;
  for (let i = 0; i < course.length; i += 1) {
    const x = toX(at(course.hours, i));
    const stage = at(course.stages, i);
    const isEdge =
      i === 0 ||
      i === course.length - 1 ||
      at(course.stages, i - 1) !== stage ||
      at(course.stages, i + 1) !== stage;
    if (!isEdge && x - lastX < PX_PER_POINT) continue;
    lastX = x;
    path += `${path ? 'L' : 'M'}${x.toFixed(1)},${toY(at(values, i)).toFixed(1)}`;
  }
  return path;
}
