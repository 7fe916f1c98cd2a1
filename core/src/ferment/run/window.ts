import { at, lookAt, type Course } from './course';
import { EVEN_ODDS_AGE } from '../laws/flour';
import { openingOdds, OPENS_AFTER_TIMES, type Target } from '../dough/state';

/** From one moment to another, in hours from the mixer. */
export interface HoursFromTo {
  readonly from: number;
  readonly to: number;
}

/** When a dough opens well, in hours from the mixer; or why it never does. */
export type ReadyWindow =
  | {
      readonly kind: 'ready';
      readonly earliestHour: number;
      readonly peakHour: number;
      readonly latestHour: number;
      /** That it opens well at the peak, 0–1. */
      readonly odds: number;
      /** While it opens well nine times in ten, and one time in ten; null where it never does so often. */
      readonly odds90: HoursFromTo | null;
      readonly odds10: HoursFromTo | null;
    }
  | { readonly kind: 'never'; readonly why: NeverReady };

/** What keeps dough from ever being ready: the first of these that is in the way. */
export type NeverReady = (typeof NEVER_READY)[number];
export const NEVER_READY = [
  'too-little-rise',
  'over-ripe-before-risen',
  'flour-worn-out',
  'past-band',
  'past-band-before-warm',
  'too-cold',
  'too-tight',
] as const;

/**
 * The first to the last moment a dough is ready, and the moment its volume is nearest the peak, judged on the stage
 * it is opened in alone. Moments are placed between points by where the bounds are crossed, not on the grid.
 *
 * @param course in time's order
 * @param lastStage index of the stage it is opened in
 */
export function readWindow(course: Course, target: Target, lastStage: number): ReadyWindow {
  const start = firstOf(course, lastStage);
  const run = readyRun(course, target, start);
  if (!run) return { kind: 'never', why: whyNever(course, target, start) };
  const { first, last } = run;
  const begins =
    first > start
      ? crossings(course, first - 1, [
          [course.volumes, target.riseMin],
          [course.relaxedTimes, OPENS_AFTER_TIMES],
          [course.coreTempsC, target.openTempC],
        ])
      : [];
  const ends = crossings(course, last, [
    [course.volumes, target.riseMax],
    [course.volumes, target.riseMin],
    [course.ages, EVEN_ODDS_AGE],
    [course.coreTempsC, target.openTempC],
  ]);
  const earliestHour = begins.length > 0 ? Math.max(...begins) : at(course.hours, first);
  const next = Math.min(last + 1, course.length - 1);
  const latestHour = ends.length > 0 ? Math.min(...ends) : at(course.hours, next);
  const peakHour = Math.min(
    latestHour,
    Math.max(earliestHour, peak(course, first, last, target.risePeak)),
  );
  const odds = Array.from({ length: course.length - start }, (_, i) =>
    openingOdds(lookAt(course, start + i), target),
  );
  return {
    kind: 'ready',
    earliestHour,
    peakHour,
    latestHour,
    odds: oddsAt(course, start, odds, peakHour),
    odds90: above(course, start, odds, 0.9),
    odds10: above(course, start, odds, 0.1),
  };
}

/** Index of the first moment of a stage; past the end where it was never reached. */
function firstOf(course: Course, stage: number): number {
  let i = course.length;
  while (i > 0 && at(course.stages, i - 1) >= stage) i -= 1;
  return i;
}

function isReady(course: Course, i: number, target: Target): boolean {
  const volume = at(course.volumes, i);
  return (
    volume >= target.riseMin &&
    volume <= target.riseMax &&
    at(course.relaxedTimes, i) >= OPENS_AFTER_TIMES &&
    at(course.ages, i) <= EVEN_ODDS_AGE &&
    at(course.coreTempsC, i) >= target.openTempC
  );
}

/** The first run of ready moments from a moment on. */
function readyRun(course: Course, target: Target, start: number) {
  let first = start;
  while (first < course.length && !isReady(course, first, target)) first += 1;
  if (first === course.length) return null;
  let last = first;
  while (last + 1 < course.length && isReady(course, last + 1, target)) last += 1;
  return { first, last };
}

type Bound = readonly [row: Float64Array, bound: number];

/** Hours between a moment and the next at which bounds are crossed. */
function crossings(course: Course, i: number, bounds: readonly Bound[]): number[] {
  if (i < 0 || i + 1 >= course.length) return [];
  return bounds
    .filter(([row, bound]) => at(row, i) < bound !== at(row, i + 1) < bound)
    .map(([row, bound]) => hourAt(course, i, at(row, i), at(row, i + 1), bound));
}

function hourAt(course: Course, i: number, before: number, after: number, bound: number): number {
  const span = after - before;
  const share = span === 0 ? 0 : (bound - before) / span;
  const hour = at(course.hours, i);
  return hour + Math.min(1, Math.max(0, share)) * (at(course.hours, i + 1) - hour);
}

/** Hour at which the volume is nearest the peak; where it is crossed, exactly there. */
function peak(course: Course, first: number, last: number, risePeak: number): number {
  const { volumes } = course;
  let best = first;
  for (let i = first; i <= last; i += 1) {
    const [here, next] = [at(volumes, i), i < last ? at(volumes, i + 1) : NaN];
    if (here < risePeak && next >= risePeak) return hourAt(course, i, here, next, risePeak);
    if (Math.abs(here - risePeak) < Math.abs(at(volumes, best) - risePeak)) best = i;
  }
  return at(course.hours, best);
}

function oddsAt(course: Course, start: number, odds: readonly number[], hour: number): number {
  let i = 0;
  while (i + 1 < odds.length && at(course.hours, start + i + 1) <= hour) i += 1;
  const [here = 0, next = here] = [odds[i], odds[i + 1]];
  const from = at(course.hours, start + i);
  const to = i + 1 < odds.length ? at(course.hours, start + i + 1) : from;
  return to > from ? here + ((next - here) * (hour - from)) / (to - from) : here;
}

/** The first to the last moment of the longest run at which the odds are so good. */
function above(
  course: Course,
  start: number,
  odds: readonly number[],
  level: number,
): HoursFromTo | null {
  let best: HoursFromTo | null = null;
  for (let i = 0; i < odds.length; i += 1) {
    if ((odds[i] as number) < level) continue;
    let last = i;
    while (last + 1 < odds.length && (odds[last + 1] as number) >= level) last += 1;
    const edge = (before: number) =>
      hourAt(course, start + before, odds[before] as number, odds[before + 1] as number, level);
    const from = i > 0 ? edge(i - 1) : at(course.hours, start);
    const to = last + 1 < odds.length ? edge(last) : at(course.hours, start + last);
    if (!best || to - from > best.to - best.from) best = { from, to };
    i = last;
  }
  return best;
}

function whyNever(course: Course, target: Target, start: number): NeverReady {
  const seen = { risen: false, inBand: false, holding: false, warm: false, warmLater: false };
  const holdsAtStart = start < course.length && at(course.ages, start) <= EVEN_ODDS_AGE;
  for (let i = start; i < course.length; i += 1) {
    const volume = at(course.volumes, i);
    const isWarm = at(course.coreTempsC, i) >= target.openTempC;
    const isInBand = volume >= target.riseMin && volume <= target.riseMax;
    const holds = isInBand && at(course.ages, i) <= EVEN_ODDS_AGE;
    seen.risen ||= volume >= target.riseMin;
    seen.inBand ||= isInBand;
    seen.holding ||= holds;
    seen.warm ||= holds && isWarm;
    seen.warmLater ||= isWarm && volume > target.riseMax;
  }
  if (!seen.risen) {
    if (start >= course.length) return 'too-little-rise';
    if (!holdsAtStart) return 'flour-worn-out';
    return at(course.ages, course.length - 1) > EVEN_ODDS_AGE && isStillRising(course)
      ? 'over-ripe-before-risen'
      : 'too-little-rise';
  }
  if (!seen.inBand) {
    const isCold = at(course.coreTempsC, start) < target.openTempC;
    return isCold ? 'past-band-before-warm' : 'past-band';
  }
  if (!seen.holding) return holdsAtStart ? 'over-ripe-before-risen' : 'flour-worn-out';
  if (!seen.warm) return seen.warmLater ? 'past-band-before-warm' : 'too-cold';
  return 'too-tight';
}

/** Whether more time would still have brought more volume. */
function isStillRising({ volumes, length }: Course): boolean {
  const quarter = Math.max(0, length - 1 - Math.ceil(length / 8));
  return at(volumes, length - 1) > at(volumes, quarter) + 0.01;
}
