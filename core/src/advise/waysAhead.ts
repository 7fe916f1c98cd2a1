import type { Container } from '../formula/route';
import { simulate, type DoughRoute, type DoughStage, type RouteFault } from '../ferment';
import { ok, type Result } from '../result';
import type { Action } from './vocabulary';

/** Somewhere that dough can stand, °C. */
export interface AdvicePlace {
  readonly name: string;
  readonly airTempC: number;
  readonly container: Container;
}

/** A way that dough could take from a moment on. */
export interface WayAhead {
  readonly do: Action;
  readonly where: string | null;
  /** Where it goes after that, and when; null where it stays. */
  readonly then: { readonly where: string | null; readonly hour: number } | null;
  /** When it is done, hours from the mixer. */
  readonly fromHour: number;
  /** From the mixer: what was, and what comes. */
  readonly stages: readonly DoughStage[];
}

/** Dough at a moment: what it went through, and what is planned from here on. */
export interface DoughSoFar {
  readonly past: readonly DoughStage[];
  readonly ahead: readonly DoughStage[];
  readonly current: DoughStage;
  readonly nowHour: number;
}

/** In air no warmer than this, dough waits rather than rises, °C. */
export const COLD_AIR_C = 8;
/** A place is another one from so much warmer or colder on, °C. */
const APART_C = 1;
/** What is pulled goes from air that is colder than where it is opened by so much, °C. */
const PULLED_C = 4;
/** Balls are opened in no colder air, °C. */
const OPENED_C = 13;
/** Moments that something is tried at, at most, and at least so far apart, h. */
const MOMENTS = 24;
const LEAST_STEP_H = 0.25;
/** Dough is followed past the last service by so much, h. */
const PAST_LAST_H = 1;

/** Cuts a dough's way at a moment. A stage that its rise ends is as long as it was. */
export function soFar(route: DoughRoute, nowHour: number): Result<DoughSoFar, RouteFault> {
  const way = simulate(route, { stepMin: 5 });
  if (!way.ok) return way;
  const past: DoughStage[] = [];
  const ahead: DoughStage[] = [];
  let fromHour = 0;
  route.stages.forEach(({ untilRise, ...stage }, i) => {
    const isLast = i === route.stages.length - 1;
    const endHour = isLast ? fromHour + stage.hours : (way.value.stages[i]?.endHour ?? fromHour);
    const hours = endHour - fromHour;
    const gone = Math.min(hours, Math.max(0, nowHour - fromHour));
    if (gone > 0 || (i === 0 && nowHour <= 0)) past.push({ ...stage, hours: gone });
    const { shaping: _done, ...rest } = stage;
    const isToCome = gone === 0;
    if (hours > gone)
      ahead.push({
        ...(isToCome ? stage : rest),
        hours: hours - gone,
        ...(isToCome && untilRise !== undefined && { untilRise }),
      });
    fromHour = endHour;
  });
  // Past its plan it goes on where it stands.
  const last = past.at(-1);
  if (last && nowHour > fromHour)
    past.splice(-1, 1, { ...last, hours: last.hours + nowHour - fromHour });
  const current = past.at(-1) ?? (route.stages[0] as DoughStage);
  return ok({ past, ahead, current, nowHour });
}

/**
 * Every way that dough could take from now until the last service: as planned, taken to another place now or later, or
 * for a while, balled again.
 *
 * @param places where it could stand
 * @param untilHour when nobody wants any more
 */
export function waysAhead(
  dough: DoughSoFar,
  places: readonly AdvicePlace[],
  untilHour: number,
): WayAhead[] {
  const { past, ahead, current, nowHour } = dough;
  const opened = openedIn(dough, places);
  const ends = [
    opened,
    ...places.filter(({ airTempC }) => isOther(airTempC, opened.airTempC)),
  ].filter(({ airTempC }) => airTempC >= OPENED_C);
  const keep: WayAhead = {
    do: 'keep',
    where: null,
    then: null,
    fromHour: nowHour,
    stages: [...past, ...ahead],
  };
  const spanH = Math.max(0, untilHour - nowHour);
  const ways = ends.flatMap((end) => [
    ...left(dough, end, spanH),
    ...forAWhile(dough, places, end, spanH),
    ...balledAgain(dough, places, end, spanH),
  ]);
  const last = { ...opened, container: trayOf(current, opened) };
  return [keep, ...ways].map((way) => ({
    ...way,
    stages: toHour(way.stages, untilHour + PAST_LAST_H, last),
  }));
}

/** Moments from now on at which something is tried, h from now. */
function moments(spanH: number): number[] {
  // On the clock's five minutes.
  const stepH = Math.max(LEAST_STEP_H, Math.ceil((12 * spanH) / MOMENTS) / 12);
  return Array.from({ length: Math.floor(spanH / stepH) + 1 }, (_, i) => i * stepH);
}

/** How long it could stand somewhere in between, h. */
const whiles = (spanH: number): number[] => moments(spanH).slice(1);

const isOther = (airTempC: number, thanC: number): boolean => Math.abs(airTempC - thanC) >= APART_C;

/** Where it is opened: as planned, else in the warmest place there is. */
function openedIn({ ahead, current }: DoughSoFar, places: readonly AdvicePlace[]): AdvicePlace {
  const planned = [current, ...ahead].findLast(
    ({ kind, airTempC }) => kind === 'ball' && airTempC >= OPENED_C,
  );
  const [warmest] = [...places].sort((a, b) => b.airTempC - a.airTempC);
  const { airTempC, container } = planned ?? warmest ?? current;
  return { name: '', airTempC, container };
}

/** Balls stand in trays, whatever their dough stood in. */
const trayOf = ({ kind, container }: DoughStage, place: AdvicePlace): Container => {
  if (kind === 'ball') return container;
  return place.container === 'tub' ? 'lidded-tray' : place.container;
};

const nameOf = ({ name }: AdvicePlace): string | null => (name === '' ? null : name);

/** The last stage, in which it is opened; its hours come later. */
const opening = ({ current }: DoughSoFar, end: AdvicePlace): DoughStage => ({
  kind: 'ball',
  hours: 0,
  airTempC: end.airTempC,
  container: trayOf(current, end),
});

/** Left where it stands, and taken to where it is opened, now or later. */
function left(dough: DoughSoFar, end: AdvicePlace, spanH: number): WayAhead[] {
  const { past, ahead, current, nowHour } = dough;
  // What of the plan lies before the last wait stays as it is: dough is balled when it was to be.
  const waits = ahead.findLastIndex(
    ({ airTempC }, i) => i > 0 && airTempC <= end.airTempC - PULLED_C,
  );
  const before = ahead.slice(0, Math.max(0, waits));
  const {
    shaping: _,
    untilRise: _r,
    ...plain
  } = waits > 0 ? (ahead[waits] as DoughStage) : current;
  const here = waits > 0 ? (ahead[waits] as DoughStage) : plain;
  if (!isOther(here.airTempC, end.airTempC)) return [];
  const beginsH = before.reduce((sum, { hours }) => sum + hours, 0);
  const isPulled = here.airTempC <= end.airTempC - PULLED_C;
  return moments(spanH)
    .filter((h) => h >= beginsH)
    .map((h) => ({
      do: isPulled ? pullAt(h) : wayTo(end.airTempC, here.airTempC),
      where: nameOf(end),
      then: null,
      fromHour: nowHour + h,
      stages: [...past, ...before, { ...here, hours: h - beginsH }, opening(dough, end)],
    }));
}

const pullAt = (hours: number): Action => (hours === 0 ? 'pull-now' : 'pull-later');

/** In another place for a while, from now on. */
function forAWhile(
  dough: DoughSoFar,
  places: readonly AdvicePlace[],
  end: AdvicePlace,
  spanH: number,
): WayAhead[] {
  const { kind, airTempC: hereC, massKg } = dough.current;
  return places
    .filter(({ airTempC }) => isOther(airTempC, hereC) && isOther(airTempC, end.airTempC))
    .flatMap((place) => {
      const container = kind === 'bulk' ? 'tub' : place.container;
      const stage = { kind, container, airTempC: place.airTempC };
      return whiles(spanH).map((hours): WayAhead => ({
        do: wayTo(place.airTempC, hereC),
        where: place.name,
        then: { where: nameOf(end), hour: dough.nowHour + hours },
        fromHour: dough.nowHour,
        stages: [
          ...dough.past,
          { ...stage, hours, ...(kind === 'bulk' && massKg !== undefined && { massKg }) },
          opening(dough, end),
        ],
      }));
    });
}

/** Balled again now, here or somewhere else, for a while or until it is opened. */
function balledAgain(
  dough: DoughSoFar,
  places: readonly AdvicePlace[],
  end: AdvicePlace,
  spanH: number,
): WayAhead[] {
  const { current, nowHour, past } = dough;
  const here: AdvicePlace = { name: '', airTempC: current.airTempC, container: current.container };
  return [here, ...places].flatMap((place) => {
    const isEnd = !isOther(place.airTempC, end.airTempC);
    const stage = {
      kind: 'ball' as const,
      airTempC: place.airTempC,
      container: trayOf(current, place),
      shaping: 'ball' as const,
    };
    return (isEnd ? [spanH] : whiles(spanH)).map((hours): WayAhead => ({
      do: 're-ball',
      where: nameOf(place),
      then: isEnd ? null : { where: nameOf(end), hour: nowHour + hours },
      fromHour: nowHour,
      stages: [...past, { ...stage, hours }, opening(dough, end)],
    }));
  });
}

const wayTo = (airTempC: number, hereC: number): Action => {
  if (airTempC > hereC) return 'warmer';
  return airTempC <= COLD_AIR_C && hereC > COLD_AIR_C ? 'chill' : 'colder';
};

/** A way whose last stage lasts until an hour; balls where it would end in one piece. */
function toHour(
  stages: readonly DoughStage[],
  endHour: number,
  opened: AdvicePlace,
): readonly DoughStage[] {
  const isBalls = stages.at(-1)?.kind === 'ball';
  const { airTempC, container } = opened;
  const balls: DoughStage = { kind: 'ball', hours: 0, airTempC, container };
  const whole = isBalls ? stages : [...stages, balls];
  const [last] = whole.slice(-1);
  const before = whole.slice(0, -1).reduce((sum, { hours }) => sum + hours, 0);
  return last
    ? [...whole.slice(0, -1), { ...last, hours: Math.max(last.hours, endHour - before) }]
    : whole;
}
