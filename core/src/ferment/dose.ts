import { convertYeast, STANDARD_YEAST_CONVERSION, type YeastDose } from '../formula';
import { cannot, done, type Outcome } from '../outcome';
import { coreTempOf, maturityOf, riseOf } from './dough';
import { flourLimits } from './flour';
import { followDough } from './follow';
import { routeFaults, type DoughRoute, type RouteFault } from './route';
import { BEYOND_H } from './simulate';
import { STANDARD_TARGET, type Target } from './state';

/** Doses outside this, as fresh-equivalent percent of flour, are refused. */
export const LEAST_DOSE_PERCENT = 0.01;
export const MOST_DOSE_PERCENT = 4;

/** What the dose shall do. The formula's own yeast percent is not looked at. */
export interface DoseRequest {
  readonly route: DoughRoute;
  /** Hour from the mixer at which the rise shall be at its peak. */
  readonly peakHour: number;
  readonly target?: Target;
}

/** A dose that does it. */
export interface Dose {
  /** In the form the formula names. */
  readonly yeast: YeastDose;
  readonly freshPercent: number;
}

/** One change that would make it work. */
export type DoseAlternative =
  | { readonly kind: 'peak-hour'; readonly hour: number }
  | { readonly kind: 'air-temp'; readonly stage: number; readonly tempC: number }
  | { readonly kind: 'dough-temp'; readonly tempC: number }
  | { readonly kind: 'flour-strength'; readonly strengthW: number };

/** Why no dose can do it. */
export type DoseReason =
  | RouteFault
  | { readonly kind: 'peak-not-in-last-stage'; readonly fromHour: number; readonly toHour: number }
  | { readonly kind: 'not-warm-yet'; readonly coreTempC: number; readonly openTempC: number }
  | { readonly kind: 'not-ripe-yet'; readonly maturityH: number; readonly leastH: number }
  | { readonly kind: 'past-flour-limit'; readonly maturityH: number; readonly mostH: number }
  | { readonly kind: 'needs-more-yeast'; readonly mostPercent: number; readonly rise: number }
  | { readonly kind: 'needs-less-yeast'; readonly leastPercent: number; readonly rise: number };

/** Why not, and what would work, nearest to what was asked first. */
export interface DoseRefusal {
  readonly kind: 'no-dose';
  readonly reasons: readonly DoseReason[];
  readonly alternatives: readonly DoseAlternative[];
}

/**
 * The yeast dose that puts the peak where it is wanted: rise grows with the dose, so the dose is
 * bracketed and narrowed until the rise at that hour is the target's peak.
 *
 * @returns the dose in the formula's form, or why none can do it and what would work
 */
export function solveDose(request: DoseRequest): Outcome<Dose, DoseRefusal> {
  const dose = findDose(request);
  if (dose.ok) return dose;
  const { reasons } = dose;
  const alternatives = reasons.some(isFault) ? [] : alternativesTo(request);
  return cannot({ kind: 'no-dose', reasons, alternatives });
}

/** As `solveDose`, without looking for what would work instead: quick enough for a slider. */
export function findDose(request: DoseRequest): Outcome<Dose, DoseReason> {
  const reasons = reasonsAgainst(request);
  if (reasons.length > 0) return cannot(...reasons);
  const freshPercent = narrow(request);
  const { route, peakHour, target = STANDARD_TARGET } = request;
  const found = momentOf(route, freshPercent, peakHour, STEP_MIN);
  const late = found ? reasonsAt(route, found, { ...found, rise: Infinity }, target, 0) : [];
  const real = late.filter((reason) => reason.kind !== 'needs-less-yeast');
  return real.length > 0 ? cannot(...real) : done(doseOf(request, freshPercent));
}

const FAULTS: readonly string[] = [
  'no-stages',
  'no-flour',
  'stage-hours',
  'air-temp',
  'mass',
  'until-rise',
  'dough-temp',
  'ball-weight',
  'yeast',
];
const isFault = (reason: DoseReason) => FAULTS.includes(reason.kind);

/** Everything that keeps a dose from working, or nothing. */
function reasonsAgainst(
  { route, peakHour, target = STANDARD_TARGET }: DoseRequest,
  margin = 0,
): DoseReason[] {
  const faults = routeFaults(route, LEAST_DOSE_PERCENT);
  if (faults.length > 0) return faults;
  const stepMin = margin > 0 ? ROUGH_MIN : STEP_MIN;
  const least = momentOf(route, LEAST_DOSE_PERCENT, peakHour, stepMin);
  const most = momentOf(route, MOST_DOSE_PERCENT, peakHour, stepMin);
  if (!least || !most) {
    const ends = followDough(withDose(route, LEAST_DOSE_PERCENT), STEP_MIN, 0, () => undefined);
    const fromHour = ends.at(-2) ?? 0;
    return [{ kind: 'peak-not-in-last-stage', fromHour, toHour: (ends.at(-1) ?? 0) + BEYOND_H }];
  }
  return reasonsAt(route, least, most, target, margin);
}

function reasonsAt(
  route: DoughRoute,
  least: Moment,
  most: Moment,
  target: Target,
  margin: number,
): DoseReason[] {
  const { mostMaturityH } = flourLimits(route.formula.flours);
  const reasons: DoseReason[] = [];
  if (Math.min(least.coreTempC, most.coreTempC) < target.openTempC + margin) {
    reasons.push({ kind: 'not-warm-yet', coreTempC: least.coreTempC, openTempC: target.openTempC });
  }
  if (Math.min(least.maturityH, most.maturityH) < target.maturityMinH + margin) {
    const maturityH = Math.min(least.maturityH, most.maturityH);
    reasons.push({ kind: 'not-ripe-yet', maturityH, leastH: target.maturityMinH });
  }
  if (Math.max(least.maturityH, most.maturityH) > mostMaturityH - margin) {
    const maturityH = Math.max(least.maturityH, most.maturityH);
    reasons.push({ kind: 'past-flour-limit', maturityH, mostH: mostMaturityH });
  }
  if (most.rise < target.risePeak + margin * SURE_RISE_PER_C) {
    reasons.push({ kind: 'needs-more-yeast', mostPercent: MOST_DOSE_PERCENT, rise: most.rise });
  }
  if (least.rise > target.risePeak - margin * SURE_RISE_PER_C) {
    reasons.push({ kind: 'needs-less-yeast', leastPercent: LEAST_DOSE_PERCENT, rise: least.rise });
  }
  return reasons;
}

/**
 * What is proposed instead keeps this far from every bound, in °C and in hours of maturity: how
 * warm and how ripe dough is depends a little on how far it has swollen, and so on the dose itself.
 */
const SURE = 0.4;
/** … and in rise, per °C of that. */
const SURE_RISE_PER_C = 0.1;
/**
 * Steps while looking for what else would work, and for the dose itself, min. Five-minute steps move
 * the peak by seconds against one-minute steps.
 */
const ROUGH_MIN = 15;
const STEP_MIN = 5;

interface Moment {
  readonly rise: number;
  readonly coreTempC: number;
  readonly maturityH: number;
}

/** The dough at an hour of its last stage; null when the hour is not in it. */
function momentOf(
  route: DoughRoute,
  freshPercent: number,
  atHour: number,
  stepMin: number,
): Moment | null {
  const last = route.stages.length - 1;
  let before: (Moment & { hour: number; stage: number }) | null = null;
  let found: Moment | null = null;
  followDough(withDose(route, freshPercent), stepMin, BEYOND_H, (dough, hour, stage) => {
    const now = {
      hour,
      stage,
      rise: riseOf(dough),
      coreTempC: coreTempOf(dough),
      maturityH: maturityOf(dough),
    };
    if (stage === last && hour >= atHour) {
      if (before?.stage === last) found = between(before, now, atHour);
      else if (hour === atHour) found = now;
      return false;
    }
    before = now;
    return true;
  });
  return found;
}

function between(
  a: Moment & { hour: number },
  b: Moment & { hour: number },
  atHour: number,
): Moment {
  const share = b.hour === a.hour ? 1 : (atHour - a.hour) / (b.hour - a.hour);
  const mix = (x: number, y: number) => x + (y - x) * share;
  return {
    rise: mix(a.rise, b.rise),
    coreTempC: mix(a.coreTempC, b.coreTempC),
    maturityH: mix(a.maturityH, b.maturityH),
  };
}

/** The route with a dose of fresh-equivalent yeast, in the formula's own form. */
function withDose(route: DoughRoute, freshPercent: number): DoughRoute {
  const { form } = route.formula.yeast;
  const conversion = route.yeastConversion ?? STANDARD_YEAST_CONVERSION;
  const percent =
    convertYeast(freshPercent, 'fresh', form, conversion) / (route.yeastActivity ?? 1);
  return { ...route, formula: { ...route.formula, yeast: { form, percent } } };
}

const doseOf = ({ route }: DoseRequest, freshPercent: number): Dose => ({
  yeast: withDose(route, freshPercent).formula.yeast,
  freshPercent,
});

/** Rise this near to the peak's is the peak. */
const RISE_TOLERANCE = 1e-4;
const MOST_NARROWINGS = 60;

/** Doses from least to most, each this many times the one before, are tried for the bracket. */
const DOSE_STEP = 1.8;

/**
 * Logarithms of two doses that have the wanted one between them, the smaller side first. A huge
 * dose may swell before it is balled and be falling again at the hour: the least dose that gets
 * there is the one that is wanted.
 */
function bracketOf({ route, peakHour, target = STANDARD_TARGET }: DoseRequest): [number, number] {
  let low = LEAST_DOSE_PERCENT;
  for (;;) {
    const high = Math.min(MOST_DOSE_PERCENT, low * DOSE_STEP);
    const rise = momentOf(route, high, peakHour, STEP_MIN)?.rise ?? NaN;
    if (rise >= target.risePeak || high === MOST_DOSE_PERCENT) {
      return [Math.log(low), Math.log(high)];
    }
    low = high;
  }
}

/** The dose between least and most at which the rise at the hour is the peak's; by Illinois steps. */
function narrow({ route, peakHour, target = STANDARD_TARGET }: DoseRequest): number {
  const missAt = (logDose: number) =>
    (momentOf(route, Math.exp(logDose), peakHour, STEP_MIN)?.rise ?? NaN) - target.risePeak;
  let [low, high] = bracketOf({ route, peakHour, target });
  let [lowMiss, highMiss] = [missAt(low), missAt(high)];
  let side = 0;
  let guess = low;
  for (let i = 0; i < MOST_NARROWINGS; i += 1) {
    guess = (low * highMiss - high * lowMiss) / (highMiss - lowMiss);
    const miss = missAt(guess);
    if (Math.abs(miss) < RISE_TOLERANCE || high - low < 1e-9) break;
    if (miss > 0) {
      [high, highMiss] = [guess, miss];
      if (side === 1) lowMiss /= 2;
      side = 1;
    } else {
      [low, lowMiss] = [guess, miss];
      if (side === -1) highMiss /= 2;
      side = -1;
    }
  }
  return Math.exp(guess);
}

const HOUR_STEP = 0.25;
const TEMP_STEPS_C = [1, 2, 3, 4, 6, 8, 10, 12];

/** Changes that would make a dose possible: time first, then place, dough temperature, flour. */
function alternativesTo(request: DoseRequest): DoseAlternative[] {
  const { route } = request;
  const works = (changed: DoseRequest) => reasonsAgainst(changed, SURE).length === 0;
  const hour = nearestHour(request);
  const places = route.stages.flatMap(({ airTempC }, stage) =>
    nearestTemp(airTempC, (tempC) => {
      const stages = route.stages.map((s, i) => (i === stage ? { ...s, airTempC: tempC } : s));
      return works({ ...request, route: { ...route, stages } });
    }).map((tempC): DoseAlternative => ({ kind: 'air-temp', stage, tempC })),
  );
  const dough = nearestTemp(route.doughTempC, (doughTempC) =>
    works({ ...request, route: { ...route, doughTempC } }),
  ).map((tempC): DoseAlternative => ({ kind: 'dough-temp', tempC }));
  const flour = [280, 320, 360, 400]
    .filter((strengthW) => {
      const flours = route.formula.flours.map((f) => ({ ...f, strengthW }));
      return works({ ...request, route: { ...route, formula: { ...route.formula, flours } } });
    })
    .slice(0, 1)
    .map((strengthW): DoseAlternative => ({ kind: 'flour-strength', strengthW }));
  return [
    ...(hour === null ? [] : [{ kind: 'peak-hour' as const, hour }]),
    ...places,
    ...dough,
    ...flour,
  ];
}

function nearestTemp(fromC: number, works: (tempC: number) => boolean): number[] {
  const wanted = TEMP_STEPS_C.flatMap((step) => [fromC + step, fromC - step]).find(
    (tempC) => tempC >= 1 && tempC <= 35 && works(tempC),
  );
  return wanted === undefined ? [] : [wanted];
}

/** The hour of the last stage nearest to the one asked at which a dose would work; null if none. */
function nearestHour({ route, peakHour, target = STANDARD_TARGET }: DoseRequest): number | null {
  const last = route.stages.length - 1;
  const way = (freshPercent: number) => {
    const moments: (Moment & { hour: number })[] = [];
    followDough(withDose(route, freshPercent), ROUGH_MIN, BEYOND_H, (dough, hour, stage) => {
      if (stage < last) return;
      const [rise, coreTempC, maturityH] = [riseOf(dough), coreTempOf(dough), maturityOf(dough)];
      moments.push({ hour, rise, coreTempC, maturityH });
    });
    return moments;
  };
  const [least, most] = [way(LEAST_DOSE_PERCENT), way(MOST_DOSE_PERCENT)];
  const possible = least
    .filter((moment, i) => {
      const other = most[i];
      return other && reasonsAt(route, moment, other, target, SURE).length === 0;
    })
    .map(({ hour }) => hour);
  if (possible.length === 0) return null;
  const [first = 0, final = 0] = [Math.min(...possible), Math.max(...possible)];
  const inside = Math.min(final, Math.max(first, peakHour));
  const rounded = Math.ceil(inside / HOUR_STEP) * HOUR_STEP;
  return rounded <= final ? rounded : inside;
}
