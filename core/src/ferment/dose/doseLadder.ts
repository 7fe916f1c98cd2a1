import { convertYeast, STANDARD_YEAST_CONVERSION } from '../../formula';
import { coreTempOf, maturityOf, riseOf } from '../dough/dough';
import { simulateDough } from '../run/simulateDough';
import type { DoughRoute } from '../route/doughRoute';
import { BEYOND_H } from '../run/simulate';

/** Doses outside this, as fresh-equivalent percent of flour, are refused. */
export const LEAST_DOSE_PERCENT = 0.01;
export const MOST_DOSE_PERCENT = 4;

/** Each dose of the ladder is this many times the one before. */
const RUNG = 1.8;

/** Doses from the least to the most, fresh-equivalent percent, near enough for the rise between two to be even. */
export const DOSES: readonly number[] = Array.from(
  { length: Math.ceil(Math.log(MOST_DOSE_PERCENT / LEAST_DOSE_PERCENT) / Math.log(RUNG)) + 1 },
  (_, i) => Math.min(MOST_DOSE_PERCENT, LEAST_DOSE_PERCENT * RUNG ** i),
);

/** A dough at one hour of its last stage. */
export interface Moment {
  readonly hour: number;
  readonly rise: number;
  readonly coreTempC: number;
  readonly maturityH: number;
}

/** What a dose comes to. */
export interface Rung extends Moment {
  readonly freshPercent: number;
}

/** The route with a dose of fresh-equivalent yeast, in the formula's own form. */
export function withDose(route: DoughRoute, freshPercent: number): DoughRoute {
  const { form } = route.formula.yeast;
  const conversion = route.yeastConversion ?? STANDARD_YEAST_CONVERSION;
  const percent =
    convertYeast(freshPercent, 'fresh', form, conversion) / (route.yeastActivity ?? 1);
  return { ...route, formula: { ...route.formula, yeast: { form, percent } } };
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

function momentOf(dough: Parameters<typeof riseOf>[0], hour: number): Moment {
  return {
    hour,
    rise: riseOf(dough),
    coreTempC: coreTempOf(dough),
    maturityH: maturityOf(dough),
  };
}

function between(a: Moment, b: Moment, hour: number): Moment {
  const share = b.hour === a.hour ? 1 : (hour - a.hour) / (b.hour - a.hour);
  const mix = (x: number, y: number) => x + (y - x) * share;
  return {
    hour,
    rise: mix(a.rise, b.rise),
    coreTempC: mix(a.coreTempC, b.coreTempC),
    maturityH: mix(a.maturityH, b.maturityH),
  };
}
