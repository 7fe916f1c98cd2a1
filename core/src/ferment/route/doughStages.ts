import {
  workMinutes,
  type LotSize,
  type RestStage,
  type Route,
  type WorkStage,
} from '../../formula/route';
import type { DoughStage } from './doughRoute';

/** A resting stage of a house's route as dough goes through it. */
export interface WayStage {
  readonly rest: RestStage;
  readonly kind: DoughStage['kind'];
  /** What hands do to it when it ends; the dough stands where it is meanwhile. */
  readonly works: readonly WorkStage[];
  readonly handsMin: number;
}

/** A house's route taken apart: what goes on ahead of the mixer, and the dough's own way after it. */
export interface RouteWay {
  readonly ahead: readonly WayStage[];
  readonly stages: readonly WayStage[];
}

/** Balls from here on. */
const SHAPING: readonly WorkStage['key'][] = ['divide-ball', 'pan'];

/** The way that dough of a lot this size takes along a route. */
export function wayOfRoute(route: Route, size: LotSize): RouteWay {
  const ahead: WayStage[] = [];
  const stages: WayStage[] = [];
  let kind: DoughStage['kind'] = 'bulk';
  let isMixed = false;
  route.forEach((stage, i) => {
    if (stage.kind === 'work') {
      if (stage.key === 'mix') isMixed = true;
      if (SHAPING.includes(stage.key)) kind = 'ball';
      return;
    }
    const next = route.slice(i + 1).findIndex((later) => later.kind === 'rest');
    const until = next < 0 ? route.length : i + 1 + next;
    const works = route.slice(i + 1, until).filter((later) => later.kind === 'work');
    // Mixing ends what stands ahead of it; the hands' time then belongs to the mixer.
    const handsMin = isMixed
      ? works.reduce((sum, work) => sum + workMinutes(work.rate, size), 0)
      : 0;
    (isMixed ? stages : ahead).push({ rest: stage, kind, works, handsMin });
  });
  return { ahead, stages };
}

/** A stage as the engine takes it, with its hours and air as wanted. @param massKg of a bulk */
export function doughStageOf(
  { rest, kind, handsMin }: WayStage,
  { hours = rest.hours.preferred, airTempC = rest.airTempC, massKg = 10 } = {},
): DoughStage {
  return {
    kind,
    hours: hours + handsMin / 60,
    airTempC,
    container: rest.container,
    ...(kind === 'bulk' && { massKg }),
    ...(rest.shaping && { shaping: rest.shaping }),
    ...(rest.untilRise !== undefined && { untilRise: rest.untilRise }),
  };
}
