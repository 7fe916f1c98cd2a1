import { QUARTER_MIN } from '../../demand';
import {
  EVEN_ODDS,
  lookBetween,
  openingOdds,
  simulate,
  type Course,
  type DoughLook,
  type DoughRoute,
  type DoughStage,
} from '../../ferment';
import type { AdvicePlace } from '../../advise';
import {
  closeMinOf,
  MOMENT_MIN,
  placeAfter,
  type Evening,
  type EveningDough,
  type EveningTray,
  type TrayAct,
  type TrayWay,
} from './evening';

/** Steps of its dough, min: an evening is judged by quarters of an hour. */
export const STEP_MIN = 10;
const HOUR_MIN = 60;

/** One tray over an evening, by the quarters of its service. */
export interface TrayCourse {
  /** As the evening begins. */
  readonly balls: number;
  /** Minute at which it came out last; infinite while it is in the cold. */
  readonly outMin: number;
  /** That a ball of it opens well in the middle of each quarter, 0–1; 0 where it is not out. */
  readonly odds: Float64Array;
  /** Whether what is left of it at closing keeps for another day. */
  readonly isKept: boolean;
  /** Of hands, for all that is done with it. */
  readonly minutes: number;
  /** Minute from which nothing of it can be used any more. */
  readonly goneMin: number;
}

/** Hours from the mixer to where a route ends. */
export const hoursOf = ({ stages }: DoughRoute): number =>
  stages.reduce((sum, { hours }) => sum + hours, 0);

/** A tray's way with what is done with it, from the mixer on. */
export function routeOfTray(
  { route }: EveningTray,
  { cold, bench }: Pick<Evening, 'cold' | 'bench'>,
  way: TrayWay,
  untilMin: number,
): DoughRoute {
  const container = route.stages.at(-1)?.container ?? 'lidded-tray';
  const stageIn = ({ airTempC }: AdvicePlace, hours: number): DoughStage => ({
    kind: 'ball',
    hours,
    airTempC,
    container,
  });
  const ahead: DoughStage[] = [];
  let fromMin = 0;
  let place = cold;
  let isBalled = false;
  const until = (minute: number) => {
    const hours = (minute - fromMin) / HOUR_MIN;
    const stage = stageIn(place, hours);
    if (hours > 0) ahead.push(isBalled ? { ...stage, shaping: 'ball' } : stage);
    [fromMin, isBalled] = [minute, false];
  };
  for (const { act, moment } of way) {
    until(moment * MOMENT_MIN);
    place = act === 'chill' ? cold : bench;
    isBalled = act === 're-ball';
  }
  until(untilMin);
  return { ...route, stages: [...route.stages, ...ahead] };
}

/** A tray's dough over an evening. @throws RangeError for a dough that no kitchen could make */
export function trayCourse(
  evening: Evening,
  dough: EveningDough,
  tray: EveningTray,
  way: TrayWay,
): TrayCourse {
  const closeMin = closeMinOf(evening, dough);
  const beginsH = hoursOf(tray.route);
  const told = simulate(routeOfTray(tray, evening, way, closeMin), {
    target: dough.target,
    stepMin: STEP_MIN,
    beyondH: 0.5,
  });
  if (!told.ok) throw new RangeError(JSON.stringify(told.reasons));
  const { course } = told.value;
  const hourOf = (minute: number) => beginsH + minute / HOUR_MIN;
  const last = way.at(-1);
  return {
    balls: tray.balls,
    outMin: outSince(way),
    odds: oddsByQuarter(evening, dough, (minute) => {
      const before = way.filter(({ moment }) => moment * MOMENT_MIN <= minute);
      return placeAfter(before) === 'out' ? lookBetween(course, hourOf(minute)) : null;
    }),
    isKept: placeAfter(way) === 'cold' && keeps(course, hourOf(closeMin), dough),
    minutes: evening.hands * way.reduce((sum, { act }) => sum + ACT_MIN[act], 0),
    goneMin: last?.act === 'discard' ? last.moment * MOMENT_MIN : Infinity,
  };
}

/** That a ball opens well in the middle of each quarter. @param lookAt the dough; null while none of it is out */
export function oddsByQuarter(
  { doorsMin }: Evening,
  { perQuarter, target }: EveningDough,
  lookAt: (minute: number) => DoughLook | null,
): Float64Array {
  return Float64Array.from(perQuarter, (_, i) => {
    const look = lookAt(doorsMin + (i + 0.5) * QUARTER_MIN);
    return look ? openingOdds(look, target) : 0;
  });
}

/** Hands' minutes for one tray, on a usual evening. */
const ACT_MIN = {
  pull: 2,
  chill: 2,
  're-ball': 8,
  discard: 1,
} as const satisfies Record<TrayAct, number>;

/** When a tray came out last. */
const outSince = (way: TrayWay): number => {
  const pulled = way.findLast(({ act }) => act === 'pull');
  return pulled ? pulled.moment * MOMENT_MIN : Infinity;
};

/** Whether dough is not past its band yet, and still holds. */
function keeps(course: Course, hour: number, { target }: EveningDough): boolean {
  const { volume, holding }: DoughLook = lookBetween(course, hour);
  return volume <= target.riseMax && holding >= EVEN_ODDS;
}
