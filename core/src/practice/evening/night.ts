import type { DoughStage } from '../../ferment';
import { playsOf, type Decision } from './decisions';
import {
  closeMinOf,
  type Evening,
  type EveningDough,
  type EveningTray,
  type TrayWay,
} from './evening';
import { serve, stopMinOf, traysOfPlay } from './scoreEvening';
import { routeOfTray } from './trayCourse';

/** Trays that stand in the cold as the next evening begins, as they really are and as they are taken to be. */
export interface TraysKept {
  readonly really: readonly EveningTray[];
  readonly believed: readonly EveningTray[];
}

const HOUR_MIN = 60;
const DAY_MIN = 24 * HOUR_MIN;
/** Fewer balls are not worth a place in the cold. */
const LEAST_BALLS = 1;

/**
 * What of an evening's trays, dough by dough, is there for the next one, a day after this one began: those in the cold at
 * closing that are not past their best, with the balls that nobody took.
 *
 * @param believed as the evening was taken to be, with as many trays
 */
export const keptOvernight = (
  really: Evening,
  believed: Evening,
  decisions: readonly Decision[],
): readonly TraysKept[] => {
  const plays = playsOf(really, decisions);
  return really.doughs.map((dough, i): TraysKept => {
    const [play, taken] = [plays[i], believed.doughs[i]];
    if (!play || !taken) return { really: [], believed: [] };
    const courses = traysOfPlay(really, dough, play);
    const { left } = serve(dough, really.doorsMin, courses, stopMinOf(play.stop));
    const kept = play.trays.flatMap((way, tray) => {
      const balls = Math.floor(left[tray] ?? 0);
      return courses[tray]?.isKept && balls >= LEAST_BALLS ? [{ way, tray, balls }] : [];
    });
    const alike = new Map<string, EveningTray>();
    /** Trays that are alike are one and the same again. */
    const after = (evening: Evening, of: EveningDough, each: (typeof kept)[number]) => {
      const tray = of.trays[each.tray] as EveningTray;
      const key = JSON.stringify([
        evening === really,
        of.trays.indexOf(tray),
        each.way,
        each.balls,
      ]);
      const made = alike.get(key) ?? keptTray(evening, of, tray, each);
      alike.set(key, made);
      return made;
    };
    return {
      really: kept.map((each) => after(really, dough, each)),
      believed: kept.map((each) => after(believed, taken, each)),
    };
  });
};

/** A tray a day after its evening began. */
function keptTray(
  evening: Evening,
  dough: EveningDough,
  tray: EveningTray,
  { way, balls }: { readonly way: TrayWay; readonly balls: number },
): EveningTray {
  const closeMin = closeMinOf(evening, dough);
  const route = routeOfTray(tray, evening, way, closeMin);
  const night: DoughStage = {
    kind: 'ball',
    hours: Math.max(0, DAY_MIN - closeMin) / HOUR_MIN,
    airTempC: evening.cold.airTempC,
    container: route.stages.at(-1)?.container ?? evening.cold.container,
  };
  return { route: { ...route, stages: [...route.stages, night] }, balls, nights: tray.nights + 1 };
}
