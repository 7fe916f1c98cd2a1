import { at, type Course } from '@calm/core';

/** A dough at one moment of the charts; null where its way does not reach. */
export interface WayRow {
  readonly hour: number;
  readonly rise: number | null;
  readonly ripeH: number | null;
  readonly coreC: number | null;
  /** As the house makes it. */
  readonly plannedRise: number | null;
  readonly plannedRipeH: number | null;
  readonly plannedCoreC: number | null;
}

/** Points across the charts: one every six pixels. More would cost frames while a lever is dragged. */
export const POINTS = 100;

/** Two ways of a dough, side by side on one even grid of hours. */
export function wayRows(
  course: Course,
  planned: Course | null,
  fromHour: number,
  toHour: number,
): WayRow[] {
  const reader = courseReader(course);
  const plannedReader = planned && courseReader(planned);
  return Array.from({ length: POINTS + 1 }, (_, i) => {
    const hour = fromHour + ((toHour - fromHour) * i) / POINTS;
    const here = reader(hour);
    const then = plannedReader?.(hour) ?? null;
    return {
      hour,
      rise: here?.rise ?? null,
      ripeH: here?.ripeH ?? null,
      coreC: here?.coreC ?? null,
      plannedRise: then?.rise ?? null,
      plannedRipeH: then?.ripeH ?? null,
      plannedCoreC: then?.coreC ?? null,
    };
  });
}

/** A dough at an hour. */
export interface DoughAt {
  readonly stage: number;
  readonly rise: number;
  readonly ripeH: number;
  readonly coreC: number;
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
      rise: mix(course.rises),
      ripeH: mix(course.maturitiesH),
      coreC: mix(course.coreTempsC),
    };
  };
}
