import { coreTempOf, maturityOf, meanTempOf, riseOf, type Dough } from '../dough/dough';
import { stateOf, type DoughState, type Target } from '../dough/state';

/**
 * A dough's way, one number per moment in each row: quick to fill, to search and to hand from a
 * worker. Hours count from the mixer.
 */
export interface Course {
  readonly length: number;
  readonly hours: Float64Array;
  /** Index of the stage it is in. */
  readonly stages: Uint8Array;
  readonly coreTempsC: Float64Array;
  readonly meanTempsC: Float64Array;
  readonly rises: Float64Array;
  readonly maturitiesH: Float64Array;
}

/** A course that is still being written: its rows grow as they fill. */
export type OpenCourse = { -readonly [Row in keyof Course]: Course[Row] };

/** Dough at one moment. */
export interface DoughPoint {
  readonly hour: number;
  readonly stage: number;
  readonly coreTempC: number;
  readonly meanTempC: number;
  readonly rise: number;
  readonly maturityH: number;
  readonly state: DoughState;
}

/** Moments that a new course has room for: two days in the cold need about as many. */
const FIRST_ROOM = 160;

/** An empty course. */
export function newCourse(): OpenCourse {
  const row = () => new Float64Array(FIRST_ROOM);
  return {
    length: 0,
    hours: row(),
    stages: new Uint8Array(FIRST_ROOM),
    coreTempsC: row(),
    meanTempsC: row(),
    rises: row(),
    maturitiesH: row(),
  };
}

/** Writes down how a dough is now. */
export function record(course: OpenCourse, dough: Dough, hour: number, stage: number): void {
  const i = course.length;
  if (i === course.hours.length) grow(course);
  course.hours[i] = hour;
  course.stages[i] = stage;
  course.coreTempsC[i] = coreTempOf(dough);
  course.meanTempsC[i] = meanTempOf(dough);
  course.rises[i] = riseOf(dough);
  course.maturitiesH[i] = maturityOf(dough);
  course.length = i + 1;
}

/** Gives every row twice its room. */
function grow(course: OpenCourse): void {
  const room = course.length * 2;
  const longer = (row: Float64Array) => {
    const grown = new Float64Array(room);
    grown.set(row);
    return grown;
  };
  const stages = new Uint8Array(room);
  stages.set(course.stages);
  course.stages = stages;
  course.hours = longer(course.hours);
  course.coreTempsC = longer(course.coreTempsC);
  course.meanTempsC = longer(course.meanTempsC);
  course.rises = longer(course.rises);
  course.maturitiesH = longer(course.maturitiesH);
}

/** A row's number at a moment that is known to be there. */
export const at = (row: Float64Array | Uint8Array, i: number): number => row[i] as number;

/** A course cut to its length, for handing on. */
export function trimmed(course: Course): Course {
  const { length } = course;
  return {
    length,
    hours: course.hours.slice(0, length),
    stages: course.stages.slice(0, length),
    coreTempsC: course.coreTempsC.slice(0, length),
    meanTempsC: course.meanTempsC.slice(0, length),
    rises: course.rises.slice(0, length),
    maturitiesH: course.maturitiesH.slice(0, length),
  };
}

/** State at a moment of the course. */
export function stateAt(
  course: Course,
  i: number,
  target: Target,
  mostMaturityH: number,
): DoughState {
  return stateOf(
    at(course.rises, i),
    at(course.maturitiesH, i),
    mostMaturityH,
    at(course.coreTempsC, i),
    target,
  );
}

/** One moment of the course, with its state. */
export function pointAt(
  course: Course,
  i: number,
  target: Target,
  mostMaturityH: number,
): DoughPoint {
  return {
    hour: at(course.hours, i),
    stage: at(course.stages, i),
    coreTempC: at(course.coreTempsC, i),
    meanTempC: at(course.meanTempsC, i),
    rise: at(course.rises, i),
    maturityH: at(course.maturitiesH, i),
    state: stateAt(course, i, target, mostMaturityH),
  };
}

/** Index of the last moment that is not past an hour; 0 before the first. */
export function indexAt(course: Course, hour: number): number {
  let [low, high] = [0, course.length - 1];
  while (low < high) {
    const middle = (low + high + 1) >> 1;
    if (at(course.hours, middle) <= hour + 1e-9) low = middle;
    else high = middle - 1;
  }
  return low;
}
