import { convertYeast, STANDARD_YEAST_CONVERSION } from '../../formula';
import { lookOf, type Dough } from '../dough/dough';
import type { DoughLook } from '../dough/state';
import { simulateDough } from '../run/simulateDough';
import type { DoughRoute } from '../route/doughRoute';
import { BEYOND_H } from '../run/simulate';

/** Doses outside this, as fresh-equivalent percent of flour, are refused. */
export const LEAST_DOSE_PERCENT = 0.01;
export const MOST_DOSE_PERCENT = 4;

/** Each dose of the ladder is this many times the one before. */
const RUNG = 1.8;

/** Doses from the least to the most, fresh-equivalent percent, near enough for the volume between two to be even. */
export const DOSES: readonly number[] = Array.from(
  { length: Math.ceil(Math.log(MOST_DOSE_PERCENT / LEAST_DOSE_PERCENT) / Math.log(RUNG)) + 1 },
  (_, i) => Math.min(MOST_DOSE_PERCENT, LEAST_DOSE_PERCENT * RUNG ** i),
);

/** A dough at one hour of its last stage. */
export interface Moment extends DoughLook {
  readonly hour: number;
}

/** What a dose comes to. */
export interface Rung extends Moment {
  readonly freshPercent: number;
}

/** The route with a dose of fresh-equivalent yeast, in the formula's own form. */
export function withDose(route: DoughRoute, freshPercent: number): DoughRoute {
  const { yeast } = route.formula;
  const conversion = route.yeastConversion ?? STANDARD_YEAST_CONVERSION;
  const activity = (route.yeastActivity ?? 1) * (yeast.activity ?? 1);
  const percent = convertYeast(freshPercent, 'fresh', yeast.form, conversion) / activity;
  return { ...route, formula: { ...route.formula, yeast: { ...yeast, percent } } };
}

/** The dough at an hour of its last stage; null when the hour is not in it. */
export function rungAt(
  route: DoughRoute,
  freshPercent: number,
  atHour: number,
  stepMin: number,
): Rung | null {
  const last = route.stages.length - 1;
  let before: Moment | null = null;
  let found: Moment | null = null;
  simulateDough(withDose(route, freshPercent), stepMin, BEYOND_H, (dough, hour, stage) => {
    if (stage < last) return true;
    const now = momentOf(dough, hour);
    if (hour < atHour) {
      before = now;
      return true;
    }
    if (before) found = between(before, now, atHour);
    else if (hour === atHour) found = now;
    return false;
  });
  return found && { ...(found as Moment), freshPercent };
}

/** Every moment of the last stage and beyond, for one dose. */
export function lastStageOf(route: DoughRoute, freshPercent: number, stepMin: number): Moment[] {
  const last = route.stages.length - 1;
  const moments: Moment[] = [];
  simulateDough(withDose(route, freshPercent), stepMin, BEYOND_H, (dough, hour, stage) => {
    if (stage === last) moments.push(momentOf(dough, hour));
  });
  return moments;
}

/** The moment at an hour among moments in time's order; null outside them. */
export function momentAt(moments: readonly Moment[], hour: number): Moment | null {
  const next = moments.findIndex((moment) => moment.hour >= hour);
  const [before, after] = [moments[next - 1], moments[next]];
  if (!after) return null;
  if (before) return between(before, after, hour);
  return after.hour === hour ? after : null;
}

function momentOf(dough: Dough, hour: number): Moment {
  return { hour, ...lookOf(dough) };
}

function between(a: Moment, b: Moment, hour: number): Moment {
  const share = b.hour === a.hour ? 1 : (hour - a.hour) / (b.hour - a.hour);
  const mix = (x: number, y: number) => x + (y - x) * share;
  return {
    hour,
    volume: mix(a.volume, b.volume),
    relaxed: mix(a.relaxed, b.relaxed),
    holding: mix(a.holding, b.holding),
    coreTempC: mix(a.coreTempC, b.coreTempC),
  };
}
