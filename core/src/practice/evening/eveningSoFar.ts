import { QUARTER_MIN } from '../../demand';
import { lookBetween, simulate, type DoughLook } from '../../ferment';
import type { Random } from '../../numerics';
import type { DoughSeen } from '../reading/readingCase';
import { ballSilhouette, pokeOf } from '../reading/seen';
import { playsOf, type Decision } from './decisions';
import {
  closeMinOf,
  keyOfTray,
  MOMENT_MIN,
  momentsOf,
  placeAfter,
  type Evening,
  type EveningDough,
  type EveningTray,
  type QuickDough,
  type TrayPlace,
  type TrayWay,
} from './evening';
import { quickTrays } from './quickDough';
import { serve, stopMinOf, traysOfPlay } from './scoreEvening';
import { hoursOf, oddsByQuarter, routeOfTray, STEP_MIN } from './trayCourse';

/** Trays of a dough that are alike and went the same way so far. */
export interface TraysSeen {
  readonly trays: readonly number[];
  /** Nights that they stood here before this evening. */
  readonly nights: number;
  readonly place: TrayPlace;
  /** Minute since which they are there. */
  readonly sinceMin: number;
  readonly ballsLeft: number;
}

/** How a dough's evening stands, as far as anybody sees it. */
export interface DoughEveningSoFar {
  readonly trays: readonly TraysSeen[];
  /** Balls of what was mixed beside; null where nothing was. */
  readonly quickLeft: number | null;
  readonly guests: number;
  readonly short: number;
  readonly told: number;
  readonly bad: number;
  readonly isStopped: boolean;
}

/** An evening until a moment: what comes after it is not known. */
export function eveningSoFar(
  evening: Evening,
  decisions: readonly Decision[],
  moment: number,
): DoughEveningSoFar[] {
  const until = decisions.filter((each) => each.moment <= moment);
  const minute = moment * MOMENT_MIN;
  const plays = playsOf(evening, until);
  return evening.doughs.map((dough, i) => {
    const play = plays[i] ?? { trays: [], stop: null, quick: null };
    // Guests of later are taken away, so that nobody is served before they come.
    const known = { ...dough, perQuarter: cutAt(dough, evening.doorsMin, minute) };
    const courses = traysOfPlay(evening, known, play);
    const { cost, left } = serve(known, evening.doorsMin, courses, stopMinOf(play.stop));
    return {
      trays: grouped(dough, play.trays, left),
      quickLeft: play.quick ? sumOf(left.slice(dough.trays.length)) : null,
      guests: sumOf(known.perQuarter),
      short: cost.short,
      told: cost.told,
      bad: cost.bad,
      isStopped: play.stop !== null,
    };
  });
}

const sumOf = (numbers: readonly number[]): number => numbers.reduce((sum, each) => sum + each, 0);

const cutAt = ({ perQuarter }: EveningDough, doorsMin: number, minute: number): number[] =>
  perQuarter.map((guests, i) => (doorsMin + (i + 1) * QUARTER_MIN <= minute ? guests : 0));

/** Trays by what they are and the ways they went. */
function grouped(
  { trays }: EveningDough,
  ways: readonly TrayWay[],
  left: readonly number[],
): TraysSeen[] {
  const byWay = new Map<string, TraysSeen>();
  ways.forEach((way, tray) => {
    const nights = trays[tray]?.nights ?? 0;
    const key = keyOfTray(trays, tray, way);
    const before = byWay.get(key);
    byWay.set(key, {
      trays: [...(before?.trays ?? []), tray],
      nights,
      place: placeAfter(way),
      sinceMin: (way.at(-1)?.moment ?? 0) * MOMENT_MIN,
      ballsLeft: (before?.ballsLeft ?? 0) + (left[tray] ?? 0),
    });
  });
  return [...byWay.values()];
}

/** A tray's dough from a moment on, were it left where it is or taken out. */
function doughFrom(
  evening: Evening,
  dough: EveningDough,
  tray: EveningTray,
  way: TrayWay,
): (minute: number) => DoughLook {
  const told = simulate(routeOfTray(tray, evening, way, closeMinOf(evening, dough)), {
    target: dough.target,
    stepMin: STEP_MIN,
    beyondH: 0.5,
  });
  if (!told.ok) throw new RangeError(JSON.stringify(told.reasons));
  const beginsH = hoursOf(tray.route);
  return (minute) => lookBetween(told.value.course, beginsH + minute / 60);
}

/**
 * What a close look at a tray shows: with a finger and a probe, not the engine's truth.
 *
 * @throws RangeError for a tray that is none, or dough that no kitchen could make
 */
export function lookAtTray(
  evening: Evening,
  decisions: readonly Decision[],
  { dough: at, tray, moment }: { dough: number; tray: number; moment: number },
  random: Random,
): DoughSeen {
  const dough = evening.doughs[at];
  const until = decisions.filter((each) => each.moment <= moment);
  const way = playsOf(evening, until)[at]?.trays[tray];
  const begun = dough?.trays[tray];
  if (!dough || !begun || !way) throw new RangeError(`no tray ${tray} of dough ${at}`);
  const minute = moment * MOMENT_MIN;
  const look = doughFrom(evening, dough, begun, way)(minute);
  const { bench, cold } = evening;
  const before = hoursOf(begun.route);
  const sinceMin = way.at(-1)?.moment ?? 0;
  const last = begun.route.stages.at(-1)?.hours ?? 0;
  return {
    hours: before + minute / 60,
    hoursHere: (minute - sinceMin * MOMENT_MIN) / 60 + (way.length === 0 ? last : 0),
    airTempC: (placeAfter(way) === 'out' ? bench : cold).airTempC,
    coreTempC: look.coreTempC,
    silhouette: ballSilhouette(look),
    poke: pokeOf(look, dough.target, random),
  };
}

/** When dough opens well rather than not, minutes of the evening. */
export interface OpensBetween {
  readonly fromMin: number;
  readonly untilMin: number;
}

/** When a tray that goes a way opens well rather than not; null where it never does before closing. */
export function opensOf(
  evening: Evening,
  dough: EveningDough,
  tray: EveningTray,
  way: TrayWay,
): OpensBetween | null {
  return opensBetween(
    evening,
    dough,
    oddsByQuarter(evening, dough, doughFrom(evening, dough, tray, way)),
  );
}

/** When dough that is mixed beside opens well; null where it never does before closing, or nothing can be mixed. */
export function quickOpens(
  evening: Evening,
  dough: EveningDough,
  quick: QuickDough,
): OpensBetween | null {
  const [first] = quickTrays(evening, dough, quick);
  return first ? opensBetween(evening, dough, first.odds) : null;
}

function opensBetween(
  evening: Evening,
  dough: EveningDough,
  odds: Float64Array,
): OpensBetween | null {
  const first = odds.findIndex((each) => each >= 0.5);
  if (first < 0) return null;
  const past = odds.findIndex((each, i) => i > first && each < 0.5);
  return {
    fromMin: evening.doorsMin + first * QUARTER_MIN,
    untilMin: past < 0 ? closeMinOf(evening, dough) : evening.doorsMin + past * QUARTER_MIN,
  };
}

/** What somebody who knows says of a dough: when its first trays open if they are pulled now, or in an hour. */
export const saidOnCall = (
  evening: Evening,
  dough: EveningDough,
  moment: number,
): readonly (OpensBetween | null)[] => {
  const [tray] = dough.trays;
  return [moment, moment + 2].map((at) =>
    tray && at < momentsOf(evening)
      ? opensOf(evening, dough, tray, [{ act: 'pull', moment: at }])
      : null,
  );
};

/** More guests than this were sent away, or came back, since the moment before: somebody notices. */
const NOTICED = 0.5;

/** The next moment at which something happens that a kitchen notices: doors, guests sent away, pizzas sent back, trays empty, closing. */
export function nextEvent(
  evening: Evening,
  decisions: readonly Decision[],
  moment: number,
): number {
  const end = momentsOf(evening);
  const doors = Math.floor(evening.doorsMin / MOMENT_MIN);
  const emptyOf = (each: DoughEveningSoFar) =>
    each.trays.filter(({ place, ballsLeft }) => place === 'out' && ballsLeft < NOTICED).length;
  let before = eveningSoFar(evening, decisions, moment);
  for (let next = moment + 1; next < end; next += 1) {
    const now = eveningSoFar(evening, decisions, next);
    const isNoticed = now.some((each, i) => {
      const was = before[i];
      if (!was) return false;
      return (
        each.short - was.short > NOTICED ||
        each.bad - was.bad > NOTICED ||
        emptyOf(each) > emptyOf(was)
      );
    });
    if (isNoticed || next === doors) return next;
    before = now;
  }
  return end;
}
