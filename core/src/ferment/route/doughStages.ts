import {
  workMinutes,
  type LotSize,
  type RestStage,
  type Route,
  type WorkStage,
} from '../../formula/route';
import type { DoughStage } from './doughRoute';

/** A resting stage of a house's route as dough goes through it. */
export interface RouteDoughStage {
  readonly rest: RestStage;
  readonly kind: DoughStage['kind'];
  /** What hands do to it when it ends; the dough stands where it is meanwhile. */
  readonly works: readonly WorkStage[];
  readonly handsMin: number;
}

/** A house's route taken apart: what goes on ahead of the mixer, and the dough's own way after it. */
export interface RouteDoughStages {
  readonly preferments: readonly RouteDoughStage[];
  readonly stages: readonly RouteDoughStage[];
}

/** Balls from here on. */
const SHAPING: readonly WorkStage['key'][] = ['divide-ball', 'pan'];

/** The way that dough of a lot this size takes along a route. */
export function doughStagesOfRoute(route: Route, size: LotSize): RouteDoughStages {
  const preferments: RouteDoughStage[] = [];
  const stages: RouteDoughStage[] = [];
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
    (isMixed ? stages : preferments).push({ rest: stage, kind, works, handsMin });
  });
  return { preferments, stages };
}

/** A stage as the engine takes it, with its hours and air as wanted. @param massKg of a bulk */
export function doughStageOf(
  { rest, kind, handsMin }: RouteDoughStage,
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
