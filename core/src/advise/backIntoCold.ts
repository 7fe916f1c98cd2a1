import {
  simulate,
  STANDARD_TARGET,
  type DoughRoute,
  type RouteFault,
  type Target,
} from '../ferment';
import { ok, type Result } from '../result';
import { COLD_AIR_C, soFar, type AdvicePlace } from './waysAhead';

/** Chilled balls are asked to keep so long, h. */
const KEEPS_H = 12;
/** They open well so often by then. */
const OFTEN = 0.8;
const STEP_H = 0.25;
/** Nobody leaves balls out for longer and chills them then, h. */
const MOST_OUT_H = 12;
const MOST_KEPT_H = 96;
/** Out of the cold they warm for so long before they are looked at, h. */
const WARM_H = 6;

/** Until when balls may go back into the cold, and how long they then keep. Hours from the mixer. */
export interface BackIntoCold {
  /** Whether the balls stand in the cold, and are asked about as if they were taken out now. */
  readonly isTakenOut: boolean;
  /** The last hour at which they may; null where it is too late by now. */
  readonly untilHour: number | null;
  /** Chilled now, until when they may stay there; null as before. */
  readonly keepsUntilHour: number | null;
}

/**
 * Until when balls that stand out may go back into the cold, so that they keep half a day there and still open well once
 * they are warm; and how long they keep if they go now. Balls in the cold are asked about as if they came out now.
 *
 * @param cold where they would stand
 * @param warmC air they are opened in, °C
 */
export function backIntoCold(
  route: DoughRoute,
  nowHour: number,
  cold: AdvicePlace,
  warmC: number,
  target: Target = STANDARD_TARGET,
): Result<BackIntoCold, RouteFault> {
  const dough = soFar(route, nowHour);
  if (!dough.ok) return dough;
  const { past, current } = dough.value;
  const { shaping: _, ...stands } = current;
  const isTakenOut = current.airTempC <= COLD_AIR_C;
  const here = isTakenOut ? { ...stands, airTempC: warmC } : stands;
  const opensAfter = (outH: number, coldH: number): boolean => {
    const { airTempC, container } = cold;
    const stages = [
      ...past,
      { ...here, hours: outH },
      { kind: 'ball' as const, hours: coldH, airTempC, container },
      { kind: 'ball' as const, hours: WARM_H, airTempC: warmC, container },
    ];
    const way = simulate({ ...route, stages }, { target, stepMin: 5 });
    return way.ok && way.value.window.kind === 'ready' && way.value.window.odds >= OFTEN;
  };
  const lastH = lastOf(MOST_OUT_H, (h) => opensAfter(h, KEEPS_H));
  const keptH = lastOf(MOST_KEPT_H, (h) => opensAfter(0, h));
  return ok({
    isTakenOut,
    untilHour: lastH === null ? null : nowHour + lastH,
    keepsUntilHour: keptH === null ? null : nowHour + keptH,
  });
}

/** The last hour up to which something holds from the beginning on; null where it does not even then. */
function lastOf(most: number, holds: (hours: number) => boolean): number | null {
  if (!holds(0)) return null;
  let [good, bad] = [0, most];
  if (holds(most)) return most;
  while (bad - good > STEP_H) {
    const middle = (good + bad) / 2;
    if (holds(middle)) good = middle;
    else bad = middle;
  }
  return good;
}
