import { LOOKS, type Look } from '../../learn';
import { bandOdds, lookBetween, simulate, type DoughLook, type Target } from '../../ferment';
import { settledRandomOf, type Random } from '../../numerics';
import { formOf, hoursBefore, judgedLook, plannedHours, type ReadingDough } from './readingDough';
import { pokeOf, silhouetteOf, type DoughForm, type Poke, type Silhouette } from './seen';

/** How warm a room is against what its route takes it to be. */
export const WARMTHS = ['cool', 'usual', 'warm'] as const;
/** One of them. */
export type Warmth = (typeof WARMTHS)[number];

/** What a case is about. */
export interface ReadingKind {
  readonly form: DoughForm;
  readonly found: Look;
  readonly warmth: Warmth;
}

/** Whether the room says one thing and the dough another: seldom so, and asked of whoever reads well. */
export const isContrary = ({ found, warmth }: ReadingKind): boolean =>
  (found === 'early' && warmth === 'warm') || (found === 'late' && warmth === 'cool');

/** What is seen of dough without the engine. */
export interface DoughSeen {
  /** Since it was mixed, and since it has been where it is, h. */
  readonly hours: number;
  readonly hoursHere: number;
  readonly airTempC: number;
  readonly coreTempC: number;
  readonly silhouette: Silhouette;
  readonly poke: Poke;
}

/** A dough to be read, with what the engine makes of it. */
export interface ReadingCase {
  readonly kind: ReadingKind;
  /** What its plan has: how warm the room is, and of a tub how often as high it stands when it is balled. */
  readonly plan: { readonly airTempC: number; readonly level: number | null };
  readonly seen: DoughSeen;
  /** That each found is true; together 1. */
  readonly odds: Readonly<Record<Look, number>>;
  /** Until it is past, where it stands, min; null of dough that is past already, or that lasts longer than anybody asks. */
  readonly minutesLeft: number | null;
}

/** Moments that are tried, and rooms and yeasts for each, until a dough is of its kind. */
const MOST_MOMENTS = 4;
const MOST_ROOMS = 24;
const STEP_MIN = 15;
/** A room that is off by less is as usual, °C; and no room is off by more. */
const USUAL_C = 2;
const MOST_OFF_C = 11;
/** Dough is not left in frost, °C. */
const LEAST_ROOM_C = 0;
/** How much of that is in dough off the mixer: flour is as warm as the room, water mends some of it. */
const MIXED_SHARE = 0.5;
const YEAST_CV = 0.15;
/** When it is read, as a share of the planned way to its best in its last place; against its room only at other times. */
const READ = { usual: [0.8, 1.3], early: [0.45, 0.8], late: [1.3, 1.7] } as const;
/** The surest found of an easy case at least, and of a hard one at most. */
const EASY_ODDS = 0.85;
const HARD_ODDS = 0.75;
/** Nobody asks farther ahead, h. */
const AHEAD_H = 8;
/** Past from so many bad balls on. */
const PAST_ODDS = 0.5;

/**
 * A dough of one kind to be read: made as a house makes it, in a room and with yeast that are not as planned.
 *
 * @param hardness 0 where it is plain, 1 where the engine itself is in two minds
 * @returns null where this dough is never so, or of another form
 */
export function readingCase(
  dough: ReadingDough,
  kind: ReadingKind,
  hardness: number,
  seed: number,
): ReadingCase | null {
  if (formOf(dough) !== kind.form) return null;
  const random = settledRandomOf(seed);
  const bestH = plannedHours(dough);
  if (bestH === null) return null;
  const [from, until] = READ[isContrary(kind) && kind.found !== 'right' ? kind.found : 'usual'];
  for (let i = 0; i < MOST_MOMENTS; i += 1) {
    // When it is read says little: the moment comes first, then a room in which the dough is of its kind by then.
    const hoursHere = bestH * (from + (until - from) * random.uniform());
    const isHard = random.uniform() < hardness;
    for (let j = 0; j < MOST_ROOMS; j += 1) {
      const drawn = drawCase(dough, kind, hoursHere, random);
      if (drawn && isOfKind(drawn, isHard)) return drawn;
    }
  }
  return null;
}

/** Whether the engine says what its kind does, and how plainly. */
function isOfKind({ kind, odds }: ReadingCase, isHard: boolean): boolean {
  const surest = Math.max(...LOOKS.map((found) => odds[found]));
  return odds[kind.found] === surest && (isHard ? surest <= HARD_ODDS : surest >= EASY_ODDS);
}

/** A dough in some room at a moment; null of one that no kitchen could make. */
function drawCase(
  dough: ReadingDough,
  kind: ReadingKind,
  hoursHere: number,
  random: Random,
): ReadingCase | null {
  const { route, target } = dough;
  const last = route.stages.at(-1);
  if (!last) return null;
  const offC = offBy(kind.warmth, random);
  const airTempC = last.airTempC + offC;
  if (airTempC < LEAST_ROOM_C) return null;
  // Balls come out of the cold, whatever the room is; what is in a tub was mixed in that room.
  const mixedOffC = kind.form === 'tub' ? MIXED_SHARE * offC : 0;
  const told = simulate(
    {
      ...route,
      doughTempC: route.doughTempC + mixedOffC,
      yeastActivity: (route.yeastActivity ?? 1) * random.gamma(YEAST_CV),
      stages: [...route.stages.slice(0, -1), { ...last, airTempC, hours: hoursHere + AHEAD_H }],
    },
    { target, stepMin: STEP_MIN, beyondH: 0 },
  );
  if (!told.ok) return null;
  const lookAtHour = (hour: number) => judgedLook(dough, lookBetween(told.value.course, hour));
  const hours = hoursBefore(route) + hoursHere;
  const look = lookAtHour(hours);
  return {
    kind,
    plan: { airTempC: last.airTempC, level: kind.form === 'tub' ? target.risePeak : null },
    seen: {
      hours,
      hoursHere,
      airTempC,
      coreTempC: look.coreTempC,
      silhouette: silhouetteOf(kind.form, look),
      poke: pokeOf(look, target, random),
    },
    odds: lookOdds(look, target),
    minutesLeft: minutesUntilPast(lookAtHour, hours, target),
  };
}

/** How far a room is off, °C. */
function offBy(warmth: Warmth, { uniform }: Random): number {
  if (warmth === 'usual') return USUAL_C * (2 * uniform() - 1);
  const by = USUAL_C + (MOST_OFF_C - USUAL_C) * uniform();
  return warmth === 'warm' ? by : -by;
}

/**
 * That dough is early, right or late: early until its window begins, late once that is over.
 *
 * @returns three shares that make 1
 */
export function lookOdds(look: DoughLook, target: Target): Record<Look, number> {
  const { started, lasting } = bandOdds(look, target);
  return { early: 1 - started, right: started * lasting, late: started * (1 - lasting) };
}

/** Minutes until dough is rather past than not. */
function minutesUntilPast(
  lookAtHour: (hour: number) => DoughLook,
  fromHour: number,
  target: Target,
): number | null {
  for (let minute = 0; minute <= AHEAD_H * 60; minute += STEP_MIN) {
    if (bandOdds(lookAtHour(fromHour + minute / 60), target).lasting < PAST_ODDS)
      return minute === 0 ? null : minute;
  }
  return null;
}
