import type { AdvicePlace } from '../../advise';
import { QUARTER_MIN } from '../../demand';
import type { DoughRoute, Target } from '../../ferment';

/** A tray of balls in the cold, as an evening begins. */
export interface EveningTray {
  /** As it really went until then; its last stage is where it stands. */
  readonly route: DoughRoute;
  readonly balls: number;
  /** Nights that it stood here since it was made for an evening; 0 for what is made for this one. */
  readonly nights: number;
}

/** One dough of an evening that is practised: the trays of one product. */
export interface EveningDough {
  /** As it is made, for what is mixed beside. */
  readonly route: DoughRoute;
  readonly target: Target;
  /** Those that are alike are one and the same tray. */
  readonly trays: readonly EveningTray[];
  readonly ballsPerTray: number;
  /** Guests who really come, in each quarter of an hour from doors on. */
  readonly perQuarter: readonly number[];
}

/** An evening as it really is. Times are minutes from its beginning. */
export interface Evening {
  readonly doughs: readonly EveningDough[];
  readonly doorsMin: number;
  /** Where trays wait, and where they warm, in the air that is really there. */
  readonly cold: AdvicePlace;
  readonly bench: AdvicePlace;
  /** What everything takes of hands against a usual evening: 2 for who is alone. */
  readonly hands: number;
  /** Whether dough can be mixed beside. */
  readonly hasMixer: boolean;
}

/** What can be done with a tray. */
export const TRAY_ACTS = ['pull', 'chill', 're-ball', 'discard'] as const;
/** One of them. */
export type TrayAct = (typeof TRAY_ACTS)[number];

/** Something that is done with a tray at one of the evening's moments. */
export interface TrayStep {
  readonly act: TrayAct;
  /** Counts from 0, the evening's beginning. */
  readonly moment: number;
}

/** What is done with one tray over an evening, in time's order; none leaves it in the cold. */
export type TrayWay = readonly TrayStep[];

/** Waters that dough can be mixed with beside. */
export const WATERS = ['cool', 'usual', 'warm'] as const;
/** One of them. */
export type Water = (typeof WATERS)[number];

/** Dough that is mixed beside, to be opened the same evening. */
export interface QuickDough {
  readonly moment: number;
  readonly water: Water;
}

/** What is done with a dough over an evening. */
export interface DoughPlay {
  readonly trays: readonly TrayWay[];
  /** Moment from which no more of it is sold; null sells it to the end. */
  readonly stop: number | null;
  /** What is mixed beside; null for nothing. */
  readonly quick: QuickDough | null;
}

/** Trays that only go their ways. */
export const playOfWays = (trays: readonly TrayWay[]): DoughPlay => ({
  trays,
  stop: null,
  quick: null,
});

/** Minutes from one moment at which something can be done to the next. */
export const MOMENT_MIN = 30;
/** More than this is done with no tray. */
export const MOST_ACTS = 3;

/** Moments of an evening at which something can be done. */
export const momentsOf = ({ doughs, doorsMin }: Evening): number =>
  Math.floor((doorsMin + QUARTER_MIN * longestOf(doughs)) / MOMENT_MIN);

/** Minute at which a dough's service is over. */
export const closeMinOf = ({ doorsMin }: Evening, { perQuarter }: EveningDough): number =>
  doorsMin + QUARTER_MIN * perQuarter.length;

/** Quarters of an hour that the longest of its services lasts. */
const longestOf = (doughs: readonly EveningDough[]): number =>
  Math.max(0, ...doughs.map(({ perQuarter }) => perQuarter.length));

/** The same for trays of a dough that are alike and went one way, and for no others. */
export const keyOfTray = (trays: readonly EveningTray[], i: number, way: TrayWay): string =>
  JSON.stringify([trays.indexOf(trays[i] as EveningTray), way]);

/** How a tray stands. */
export type TrayPlace = 'cold' | 'out' | 'gone';

const FROM: Readonly<Record<TrayAct, readonly TrayPlace[]>> = {
  pull: ['cold'],
  chill: ['out'],
  're-ball': ['out'],
  discard: ['cold', 'out'],
};
const TO: Readonly<Record<TrayAct, TrayPlace>> = {
  pull: 'out',
  chill: 'cold',
  're-ball': 'out',
  discard: 'gone',
};

/** How a tray stands once all of a way is done. */
export const placeAfter = (way: TrayWay): TrayPlace => {
  const last = way.at(-1);
  return last ? TO[last.act] : 'cold';
};

/**
 * What can be done with a tray at a moment.
 *
 * @param way what has been done with it before
 */
export function actsAt(way: TrayWay, moment: number): readonly TrayAct[] {
  const last = way.at(-1);
  if (way.length >= MOST_ACTS || (last && last.moment >= moment)) return [];
  const place = placeAfter(way);
  return TRAY_ACTS.filter(
    (act) => FROM[act].includes(place) && !(act === 're-ball' && last?.act === 're-ball'),
  );
}

/** Every way of a tray that can make a difference: what is thrown away early is only thrown away. */
export function waysOf(moments: number): TrayWay[] {
  const longer = (way: TrayWay): TrayWay[] => {
    const from = (way.at(-1)?.moment ?? -1) + 1;
    const next = Array.from({ length: Math.max(0, moments - from) }, (_, i) => from + i).flatMap(
      (moment) =>
        actsAt(way, moment)
          .filter((act) => act !== 'discard')
          .map((act): TrayWay => [...way, { act, moment }]),
    );
    return [way, ...next.flatMap(longer)];
  };
  return longer([]);
}
