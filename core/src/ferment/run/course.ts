import {
  ageOf,
  coreTempOf,
  maturityOf,
  meanTempOf,
  riseOf,
  volumeOf,
  type Dough,
} from '../dough/dough';
import { firstIndex } from '../../numerics';
import { holdingOdds, strengthLeft } from '../laws/flour';
import { openingOdds, stateOf, type DoughLook, type DoughState, type Target } from '../dough/state';

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
  /** Since the last shaping. */
  readonly rises: Float64Array;
  /** Over the volume off the mixer. */
  readonly volumes: Float64Array;
  readonly maturitiesH: Float64Array;
  /** Since the last shaping, in relaxation times. */
  readonly relaxedTimes: Float64Array;
  /** As a share of the flour's rule-of-thumb hours. */
  readonly ages: Float64Array;
  /** How steeply its odds fall with age. */
  readonly steepness: number;
}

/** Rows of numbers, one for each moment. */
const ROWS = [
  'hours',
  'coreTempsC',
  'meanTempsC',
  'rises',
  'volumes',
  'maturitiesH',
  'relaxedTimes',
  'ages',
] as const satisfies readonly (keyof Course)[];

/** A course that is still being written: its rows grow as they fill. */
export type OpenCourse = { -readonly [Row in keyof Course]: Course[Row] };

/** Dough at one moment. */
export interface DoughPoint {
  readonly hour: number;
  readonly stage: number;
  readonly coreTempC: number;
  readonly meanTempC: number;
  /** Volumes since the last shaping. */
  readonly rise: number;
  /** Volumes since mixing. */
  readonly volume: number;
  readonly maturityH: number;
  /** 0–1 each. */
  readonly relaxed: number;
  readonly strength: number;
  readonly state: DoughState;
  /** That it opens well, 0–1; 0 for dough that stands in one piece. */
  readonly odds: number;
}

/** Moments that a new course has room for: two days in the cold need about as many. */
const FIRST_ROOM = 256;

/** An empty course. @param steepness how the dough's odds fall with age */
export function newCourse(steepness: number): OpenCourse {
  const rows = Object.fromEntries(ROWS.map((row) => [row, new Float64Array(FIRST_ROOM)]));
  return { length: 0, steepness, stages: new Uint8Array(FIRST_ROOM), ...rows } as OpenCourse;
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
  course.volumes[i] = volumeOf(dough);
  course.maturitiesH[i] = maturityOf(dough);
  course.relaxedTimes[i] = dough.relaxedTimes;
  course.ages[i] = ageOf(dough);
  course.length = i + 1;
}

/** Gives every row twice its room. */
function grow(course: OpenCourse): void {
  const room = course.length * 2;
  for (const row of ROWS) {
    const grown = new Float64Array(room);
    grown.set(course[row]);
    course[row] = grown;
  }
  const stages = new Uint8Array(room);
  stages.set(course.stages);
  course.stages = stages;
}

/** A row's number at a moment that is known to be there. */
export const at = (row: Float64Array | Uint8Array, i: number): number => row[i] as number;

/** A course cut to its length, for handing on. */
export function trimmed(course: Course): Course {
  const { length, steepness } = course;
  const rows = Object.fromEntries(ROWS.map((row) => [row, course[row].slice(0, length)]));
  return { length, steepness, stages: course.stages.slice(0, length), ...rows } as Course;
}

/** What dough is judged by, part of the way from one moment of a course to the next. @param share 0–1 */
export function lookAt(course: Course, i: number, share = 0): DoughLook {
  const { volumes, relaxedTimes, ages, coreTempsC, steepness } = course;
  return {
    volume: between(volumes, i, share),
    relaxed: 1 - Math.exp(-between(relaxedTimes, i, share)),
    holding: holdingOdds(between(ages, i, share), steepness),
    coreTempC: between(coreTempsC, i, share),
  };
}

/** A row's number part of the way to the next moment. @param share 0–1; of the last moment 0 */
function between(row: Float64Array, i: number, share: number): number {
  const here = at(row, i);
  return share === 0 ? here : here + (at(row, i + 1) - here) * share;
}

/** What the dough of a route is at each stage. */
export type StageKinds = readonly ('bulk' | 'ball')[];

/**
 * A moment of the course, or part of the way to the next, with its state.
 *
 * @param kinds of the route's stages
 * @param share 0–1
 */
export function pointAt(
  course: Course,
  i: number,
  target: Target,
  kinds: StageKinds,
  share = 0,
): DoughPoint {
  const look = lookAt(course, i, share);
  const stage = at(course.stages, i);
  const kind = kinds[stage] ?? 'ball';
  const mix = (row: Float64Array) => between(row, i, share);
  return {
    hour: mix(course.hours),
    stage,
    coreTempC: look.coreTempC,
    meanTempC: mix(course.meanTempsC),
    rise: mix(course.rises),
    volume: look.volume,
    maturityH: mix(course.maturitiesH),
    relaxed: look.relaxed,
    strength: strengthLeft(mix(course.ages)),
    state: stateOf(kind, look, target),
    odds: kind === 'ball' ? openingOdds(look, target) : 0,
  };
}

/** The moment at an hour, between the two it lies between; those before and after the course are its ends. */
export function pointBetween(
  course: Course,
  hour: number,
  target: Target,
  kinds: StageKinds,
): DoughPoint {
  const [i, share] = placeOf(course, hour);
  return { ...pointAt(course, i, target, kinds, share), hour };
}

/** What dough is judged by at an hour, between the two moments it lies between. */
export function lookBetween(course: Course, hour: number): DoughLook {
  const [i, share] = placeOf(course, hour);
  return lookAt(course, i, share);
}

/** Index of the moment before an hour, and how far on to the next it lies, 0–1. */
function placeOf(course: Course, hour: number): [i: number, share: number] {
  const i = indexAt(course, hour);
  const next = Math.min(i + 1, course.length - 1);
  const span = at(course.hours, next) - at(course.hours, i);
  return [i, span > 0 ? Math.max(0, (hour - at(course.hours, i)) / span) : 0];
}

/** Index of the last moment that is not past an hour; 0 before the first. */
export const indexAt = ({ hours, length }: Course, hour: number): number =>
  Math.max(0, firstIndex(length, (i) => at(hours, i) > hour + 1e-9) - 1);
