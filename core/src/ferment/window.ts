import type { DoughPoint } from './simulate';
import type { Target } from './state';

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
 * @param points in time's order
 * @param lastStage index of the stage it is opened in
 */
export function readWindow(
  points: readonly DoughPoint[],
  target: Target,
  mostMaturityH: number,
  lastStage: number,
): ReadyWindow {
  const run = readyRun(points, lastStage);
  if (!run) return { kind: 'never', why: whyNever(points, target) };
  const { first, last } = run;
  const bounds: readonly Bound[] = [
    [(p) => p.rise, target.riseMin],
    [(p) => p.maturityH, target.maturityMinH],
    [(p) => p.coreTempC, target.openTempC],
  ];
  const ends: readonly Bound[] = [
    [(p) => p.rise, target.riseMax],
    [(p) => p.maturityH, mostMaturityH],
  ];
  const earliestHour = crossing(points[first - 1], points[first], bounds, Math.max);
  const latestHour = crossing(points[last], points[last + 1], ends, Math.min);
  const peakHour = peak(points, first, last, target.risePeak);
  return {
    kind: 'ready',
    earliestHour,
    peakHour: Math.min(latestHour, Math.max(earliestHour, peakHour)),
    latestHour,
  };
}

/** The first run of ready points that reaches the last stage. */
function readyRun(points: readonly DoughPoint[], lastStage: number) {
  let first = -1;
  for (let i = 0; i <= points.length; i += 1) {
    const isReady = points[i]?.state === 'ready';
    if (isReady && first < 0) first = i;
    if (!isReady && first >= 0) {
      if ((points[i - 1]?.stage ?? 0) >= lastStage) return { first, last: i - 1 };
      first = -1;
    }
  }
  return null;
}

type Bound = readonly [(point: DoughPoint) => number, number];

/** Hour between two points at which the last (or first) of some bounds is crossed. */
function crossing(
  before: DoughPoint | undefined,
  after: DoughPoint | undefined,
  bounds: readonly Bound[],
  choose: (...hours: number[]) => number,
): number {
  if (!before || !after) return (before ?? after)?.hour ?? 0;
  const hours = bounds
    .filter(([read, bound]) => read(before) < bound !== read(after) < bound)
    .map(([read, bound]) => hourAt(before, after, read, bound));
  return hours.length > 0 ? choose(...hours) : after.hour;
}

function hourAt(
  before: DoughPoint,
  after: DoughPoint,
  read: (point: DoughPoint) => number,
  bound: number,
): number {
  const span = read(after) - read(before);
  const share = span === 0 ? 0 : (bound - read(before)) / span;
  return before.hour + Math.min(1, Math.max(0, share)) * (after.hour - before.hour);
}

/** Hour at which the rise is nearest the peak; where it is crossed, exactly there. */
function peak(points: readonly DoughPoint[], first: number, last: number, risePeak: number) {
  let best = points[first] as DoughPoint;
  for (let i = first; i <= last; i += 1) {
    const [point, next] = [points[i] as DoughPoint, points[i + 1]];
    if (next && i < last && point.rise < risePeak && next.rise >= risePeak) {
      return hourAt(point, next, (p) => p.rise, risePeak);
    }
    if (Math.abs(point.rise - risePeak) < Math.abs(best.rise - risePeak)) best = point;
  }
  return best.hour;
}

function whyNever(points: readonly DoughPoint[], target: Target): NeverReady {
  const mature = points.filter((point) => point.maturityH >= target.maturityMinH);
  if (!points.some((point) => point.rise >= target.riseMin)) return 'too-little-rise';
  if (mature.length === 0) return 'too-young';
  if (points.some((point) => point.state === 'ready-but-cold')) {
    const isEverWarm = points.some(
      (point) => point.coreTempC >= target.openTempC && point.rise >= target.riseMin,
    );
    return isEverWarm ? 'past-it-before-warm' : 'too-cold';
  }
  return mature.some((point) => point.rise >= target.riseMin) ? 'past-it-before-warm' : 'too-young';
}
