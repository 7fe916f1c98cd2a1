import { at, type Course } from './course';
import type { Target } from '../dough/state';

/** When a dough opens well, in hours from the mixer; or why it never does. */
export type ReadyWindow =
  | {
      readonly kind: 'ready';
      readonly earliestHour: number;
      readonly peakHour: number;
      readonly latestHour: number;
    }
  | { readonly kind: 'never'; readonly why: NeverReady };

/** What keeps dough from ever being ready. */
export type NeverReady = 'too-little-rise' | 'too-young' | 'too-cold' | 'past-it-before-warm';

/**
 * The first to the last moment a dough is ready, and the moment its rise is nearest the peak.
 * Moments are placed between points by where the bounds are crossed, not on the grid.
 *
 * A dough may be ready, go cold and be ready again: what counts is the time that reaches the last
 * stage, where it is opened.
 *
 * @param course in time's order
 * @param lastStage index of the stage it is opened in
 */
export function readWindow(
  course: Course,
  target: Target,
  mostMaturityH: number,
  lastStage: number,
): ReadyWindow {
  const run = readyRun(course, target, mostMaturityH, lastStage);
  if (!run) return { kind: 'never', why: whyNever(course, target, mostMaturityH) };
  const { first, last } = run;
  const { rises, maturitiesH, coreTempsC } = course;
  const begins = crossings(course, first - 1, [
    [rises, target.riseMin],
    [maturitiesH, target.maturityMinH],
    [coreTempsC, target.openTempC],
  ]);
  const ends = crossings(course, last, [
    [rises, target.riseMax],
    [maturitiesH, mostMaturityH],
  ]);
  const earliestHour = begins.length > 0 ? Math.max(...begins) : at(course.hours, first);
  const next = Math.min(last + 1, course.length - 1);
  const latestHour = ends.length > 0 ? Math.min(...ends) : at(course.hours, next);
  const peakHour = peak(course, first, last, target.risePeak);
  return {
    kind: 'ready',
    earliestHour,
    peakHour: Math.min(latestHour, Math.max(earliestHour, peakHour)),
    latestHour,
  };
}

/** Whether the dough can be opened at a moment. */
function isReady(course: Course, i: number, target: Target, mostMaturityH: number): boolean {
  const rise = at(course.rises, i);
  const maturityH = at(course.maturitiesH, i);
  return (
    rise >= target.riseMin &&
    rise <= target.riseMax &&
    maturityH >= target.maturityMinH &&
    maturityH <= mostMaturityH &&
    at(course.coreTempsC, i) >= target.openTempC
  );
}

/** The first run of ready moments that reaches the last stage. */
function readyRun(course: Course, target: Target, mostMaturityH: number, lastStage: number) {
  let first = -1;
  for (let i = 0; i <= course.length; i += 1) {
    const isReadyNow = i < course.length && isReady(course, i, target, mostMaturityH);
    if (isReadyNow && first < 0) first = i;
    if (!isReadyNow && first >= 0) {
      if (at(course.stages, i - 1) >= lastStage) return { first, last: i - 1 };
      first = -1;
    }
  }
  return null;
}

type Bound = readonly [row: Float64Array, bound: number];

/** Hours between a moment and the next at which bounds are crossed. */
function crossings(course: Course, i: number, bounds: readonly Bound[]): number[] {
  if (i < 0 || i + 1 >= course.length) return [];
  return bounds
    .filter(([row, bound]) => at(row, i) < bound !== at(row, i + 1) < bound)
    .map(([row, bound]) => hourAt(course, i, row, bound));
}

function hourAt(course: Course, i: number, row: Float64Array, bound: number): number {
  const [before, after] = [at(row, i), at(row, i + 1)];
  const span = after - before;
  const share = span === 0 ? 0 : (bound - before) / span;
  const hour = at(course.hours, i);
  return hour + Math.min(1, Math.max(0, share)) * (at(course.hours, i + 1) - hour);
}

/** Hour at which the rise is nearest the peak; where it is crossed, exactly there. */
function peak(course: Course, first: number, last: number, risePeak: number): number {
  const { rises } = course;
  let best = first;
  for (let i = first; i <= last; i += 1) {
    const isCrossed = i < last && at(rises, i) < risePeak && at(rises, i + 1) >= risePeak;
    if (isCrossed) return hourAt(course, i, rises, risePeak);
    if (Math.abs(at(rises, i) - risePeak) < Math.abs(at(rises, best) - risePeak)) best = i;
  }
  return at(course.hours, best);
}

function whyNever(course: Course, target: Target, mostMaturityH: number): NeverReady {
  const seen = { risen: false, ripe: false, risenAndRipe: false, readyButCold: false, warm: false };
  for (let i = 0; i < course.length; i += 1) {
    const rise = at(course.rises, i);
    const maturityH = at(course.maturitiesH, i);
    const isRisen = rise >= target.riseMin;
    const isRipe = maturityH >= target.maturityMinH;
    const isWarm = at(course.coreTempsC, i) >= target.openTempC;
    const isPast = rise > target.riseMax || maturityH > mostMaturityH;
    seen.risen ||= isRisen;
    seen.ripe ||= isRipe;
    seen.risenAndRipe ||= isRisen && isRipe;
    seen.readyButCold ||= isRisen && isRipe && !isPast && !isWarm;
    seen.warm ||= isRisen && isWarm;
  }
  if (!seen.risen) return 'too-little-rise';
  if (!seen.ripe) return 'too-young';
  if (seen.readyButCold) return seen.warm ? 'past-it-before-warm' : 'too-cold';
  return seen.risenAndRipe ? 'past-it-before-warm' : 'too-young';
}
