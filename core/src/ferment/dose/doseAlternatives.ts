import {
  isSurelyPossible,
  limitsAt,
  ROUGH_MIN,
  SURE,
  SURE_RISE_PER_C,
  type DoseRequest,
} from './dose';
import { DOSES, lastStageOf, momentAt, type Moment } from './doseLadder';
import type { DoughRoute, DoughStage } from '../route/doughRoute';
import { STANDARD_TARGET } from '../dough/state';

/** One change that would make a dose work. */
export type DoseAlternative =
  | { readonly kind: 'peak-hour'; readonly hour: number }
  | { readonly kind: 'stage-hours'; readonly stage: number; readonly hours: number }
  | { readonly kind: 'air-temp'; readonly stage: number; readonly tempC: number }
  | { readonly kind: 'dough-temp'; readonly tempC: number }
  | { readonly kind: 'flour-strength'; readonly strengthW: number };

const HOUR_STEP = 0.25;
const TEMP_STEPS_C = [1, 2, 3, 4, 6, 8, 10, 12];
const HOUR_SHARES = [0.75, 1.25, 0.5, 1.5, 0.25, 2, 3];
const STRENGTHS_W = [280, 320, 360, 400];
const KITCHEN_C = { least: 1, most: 35 } as const;

/** The asked request with one thing changed. */
export function applyAlternative(request: DoseRequest, change: DoseAlternative): DoseRequest {
  const { route } = request;
  switch (change.kind) {
    case 'peak-hour':
      return { ...request, peakHour: change.hour };
    case 'stage-hours':
      return { ...request, route: withStage(route, change.stage, { hours: change.hours }) };
    case 'air-temp':
      return { ...request, route: withStage(route, change.stage, { airTempC: change.tempC }) };
    case 'dough-temp':
      return { ...request, route: { ...route, doughTempC: change.tempC } };
    case 'flour-strength': {
      const { strengthW } = change;
      const flours = route.formula.flours.map((flour) => ({ ...flour, strengthW }));
      return { ...request, route: { ...route, formula: { ...route.formula, flours } } };
    }
  }
}

function withStage(route: DoughRoute, stage: number, change: Partial<DoughStage>): DoughRoute {
  return { ...route, stages: route.stages.map((s, i) => (i === stage ? { ...s, ...change } : s)) };
}

/**
 * Single changes that would make a dose possible, each the nearest of its kind to what was asked:
 * time first, then place, then the dough's temperature, then flour.
 */
export function alternativesTo(request: DoseRequest): DoseAlternative[] {
  const { route } = request;
  const firstThatWorks = (changes: readonly DoseAlternative[]) =>
    changes.filter((change) => isSurelyPossible(applyAlternative(request, change))).slice(0, 1);
  const hour = nearestHour(request);
  const eachStage = <T>(of: (stage: DoughStage, index: number) => T[]) => route.stages.flatMap(of);
  return [
    ...(hour === null ? [] : [{ kind: 'peak-hour' as const, hour }]),
    ...eachStage(({ hours }, stage) =>
      stage === route.stages.length - 1
        ? []
        : firstThatWorks(hoursNear(hours).map((h) => ({ kind: 'stage-hours', stage, hours: h }))),
    ),
    ...eachStage(({ airTempC }, stage) =>
      firstThatWorks(tempsNear(airTempC).map((tempC) => ({ kind: 'air-temp', stage, tempC }))),
    ),
    ...firstThatWorks(tempsNear(route.doughTempC).map((tempC) => ({ kind: 'dough-temp', tempC }))),
    ...firstThatWorks(STRENGTHS_W.map((strengthW) => ({ kind: 'flour-strength', strengthW }))),
  ];
}

const hoursNear = (hours: number): number[] =>
  HOUR_SHARES.map((share) => Math.round((hours * share) / HOUR_STEP) * HOUR_STEP).filter(
    (near) => near > 0 && near !== hours,
  );

const tempsNear = (fromC: number): number[] =>
  TEMP_STEPS_C.flatMap((step) => [fromC + step, fromC - step]).filter(
    (tempC) => tempC >= KITCHEN_C.least && tempC <= KITCHEN_C.most,
  );

/** The hour of the last stage nearest to the one asked at which a dose would work; null if none. */
function nearestHour({ route, peakHour, target = STANDARD_TARGET }: DoseRequest): number | null {
  const ways = DOSES.map((dose) => lastStageOf(route, dose, ROUGH_MIN));
  const [least] = ways;
  const [from, to] = [least?.[0]?.hour ?? Infinity, least?.at(-1)?.hour ?? -Infinity];
  const hours: number[] = [];
  for (let h = Math.ceil(from / HOUR_STEP) * HOUR_STEP; h <= to; h += HOUR_STEP) hours.push(h);
  const works = (hour: number) => {
    const rungs = ways.map((way) => momentAt(way, hour)).filter((rung) => rung !== null);
    const reached = rungs.findIndex(
      (rung) => rung.rise >= target.risePeak + SURE * SURE_RISE_PER_C,
    );
    const tried = rungs.slice(Math.max(0, reached - 1), reached + 1);
    return reached > 0 && limitsAt(route, tried as Moment[], target, SURE).length === 0;
  };
  return (
    hours
      .sort((a, b) => Math.abs(a - peakHour) - Math.abs(b - peakHour))
      .find((hour) => works(hour)) ?? null
  );
}
