import {
  findDose,
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
  | { readonly kind: 'flour-strength'; readonly strengthW: number }
  /** Where none works by itself: all of these. */
  | { readonly kind: 'together'; readonly changes: readonly SingleChange[] };

/** One change by itself. */
type SingleChange = Exclude<DoseAlternative, { kind: 'together' }>;

/** One change to a dough's way: any of these but another hour to open it at. */
export type RouteChange = Exclude<SingleChange, { kind: 'peak-hour' }>;

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
    case 'together':
      return change.changes.reduce<DoseRequest>(applyAlternative, request);
  }
}

function withStage(route: DoughRoute, stage: number, change: Partial<DoughStage>): DoughRoute {
  return { ...route, stages: route.stages.map((s, i) => (i === stage ? { ...s, ...change } : s)) };
}

/**
 * Changes that would make a dose possible, each tried, each the nearest of its kind to what was asked: time first,
 * then place, then the dough's temperature, then flour. Where no single one does, several together: never nothing that
 * a kitchen can change.
 */
export function alternativesTo(request: DoseRequest): DoseAlternative[] {
  const single = singleChanges(request);
  return single.length > 0 ? single : togetherWith(request);
}

/** Changes that are tried together with another hour, where none works by itself: the fewest first. */
function togetherWith(request: DoseRequest): DoseAlternative[] {
  for (const changes of changesTogether(request.route)) {
    const hour = nearestHour(changes.reduce<DoseRequest>(applyAlternative, request));
    if (hour === null) continue;
    const together: DoseAlternative = {
      kind: 'together',
      changes: [...changes, { kind: 'peak-hour', hour }],
    };
    if (works(request, together)) return [together];
  }
  return [];
}

/** What is proposed has been tried. */
const works = (request: DoseRequest, change: DoseAlternative): boolean =>
  findDose(applyAlternative(request, change)).ok;

const KITCHEN_TEMPS_C = [22, 18, 26];
const LASTING_W = 360;

/**
 * Sets of changes for doughs that no single one helps: the last stage in a kitchen's warmth, the dough's own, stages
 * of other lengths; then the same with flour that lasts, and at last everything at once.
 */
export function changesTogether(route: DoughRoute): RouteChange[][] {
  const last = route.stages.length - 1;
  const warm = KITCHEN_TEMPS_C.map((tempC): RouteChange => ({
    kind: 'air-temp',
    stage: last,
    tempC,
  }));
  const others = route.stages.flatMap(({ hours }, stage): RouteChange[] =>
    stage === last
      ? []
      : hoursNear(hours).map((near) => ({ kind: 'stage-hours', stage, hours: near })),
  );
  const flour: RouteChange = { kind: 'flour-strength', strengthW: LASTING_W };
  const ones = [...warm, ...others, ...KITCHEN_TEMPS_C.map(doughAt)].map((one) => [one]);
  const warmest = warm.slice(0, 1);
  return [
    ...ones,
    ...ones.map((one) => [flour, ...one]),
    ...others.map((one) => [flour, one, ...warmest]),
    [flour, ...warmest, doughAt(24), ...shortened(route)],
  ];
}

const doughAt = (tempC: number): RouteChange => ({ kind: 'dough-temp', tempC });

/** Every stage but the last in the shortest time that is tried. */
const shortened = ({ stages }: DoughRoute): RouteChange[] =>
  stages
    .slice(0, -1)
    .map(({ hours }, stage) => ({ kind: 'stage-hours', stage, hours: Math.min(hours, 1) }));

function singleChanges(request: DoseRequest): SingleChange[] {
  const hour = nearestHour(request);
  const atHour: SingleChange[] = hour === null ? [] : [{ kind: 'peak-hour', hour }];
  const found = atHour.filter((change) => works(request, change));
  const last = request.route.stages.length - 1;
  const isFound = (change: SingleChange) =>
    found.some(
      (each) =>
        each.kind === change.kind &&
        ('stage' in each ? 'stage' in change && each.stage === change.stage : true),
    );
  for (const change of changesNear(request.route)) {
    // Of the last stage the hour that is asked for is what counts.
    if (isFound(change) || (change.kind === 'stage-hours' && change.stage === last)) continue;
    // Roughly first: most changes do not help.
    if (isSurelyPossible(applyAlternative(request, change)) && works(request, change)) {
      found.push(change);
    }
  }
  return found;
}

/** Changes to a route, stage by stage, of each kind the nearest first. */
export function changesNear(route: DoughRoute): RouteChange[] {
  const { stages, doughTempC } = route;
  return [
    ...stages.flatMap(({ hours }, stage) =>
      hoursNear(hours).map((near) => ({ kind: 'stage-hours', stage, hours: near }) as const),
    ),
    ...stages.flatMap(({ airTempC }, stage) =>
      tempsNear(airTempC).map((tempC) => ({ kind: 'air-temp', stage, tempC }) as const),
    ),
    ...tempsNear(doughTempC).map((tempC) => ({ kind: 'dough-temp', tempC }) as const),
    ...STRENGTHS_W.map((strengthW) => ({ kind: 'flour-strength', strengthW }) as const),
  ];
}

const hoursNear = (hours: number): number[] =>
  HOUR_SHARES.map((share) => Math.round((hours * share) / HOUR_STEP) * HOUR_STEP).filter(
    (near) => near > 0 && near !== hours,
  );

const tempsNear = (fromC: number): number[] =>
  [...TEMP_STEPS_C.flatMap((step) => [fromC + step, fromC - step]), ...KITCHEN_TEMPS_C].filter(
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
      (rung) => rung.volume >= target.risePeak + SURE * SURE_RISE_PER_C,
    );
    const tried = rungs.slice(Math.max(0, reached - 1), reached + 1);
    return reached > 0 && limitsAt(tried as Moment[], target, SURE).length === 0;
  };
  return (
    hours
      .sort((a, b) => Math.abs(a - peakHour) - Math.abs(b - peakHour))
      .find((hour) => works(hour)) ?? null
  );
}
