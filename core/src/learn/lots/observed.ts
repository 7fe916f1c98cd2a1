import type { Container } from '../../formula/route';
import { STANDARD_TARGET, type Target } from '../../ferment/dough/state';
import type { DoughRoute } from '../../ferment/route/doughRoute';

/** What a look at dough finds. */
export const LOOKS = ['early', 'right', 'late'] as const;
/** One of them. */
export type Look = (typeof LOOKS)[number];

/** How balls opened. */
export const OPENINGS = ['well', 'tears', 'springs-back', 'sticks', 'slack'] as const;
/** One of them. */
export type Opening = (typeof OPENINGS)[number];

/** A lot as it went, with what was seen and measured of it. Hours count from the mixer. */
export interface ObservedLot {
  readonly id: string;
  /** Local date on which it was mixed. */
  readonly day: string;
  /** As it really went: weighed amounts, temperatures off the mixer, times. */
  readonly route: DoughRoute;
  readonly target?: Target;
  readonly readings?: readonly { readonly hour: number; readonly coreTempC: number }[];
  /** Volumes since the last shaping, as a mark on a tub or the spread of balls tells. */
  readonly marks?: readonly { readonly hour: number; readonly rise: number }[];
  readonly looks?: readonly { readonly hour: number; readonly found: Look }[];
  readonly opened?: { readonly hour: number; readonly found: Opening };
}

/** One thing that was measured or seen. */
export type Observation =
  | { readonly kind: 'core'; readonly hour: number; readonly value: number }
  | { readonly kind: 'rise'; readonly hour: number; readonly value: number }
  | { readonly kind: 'look'; readonly hour: number; readonly found: Look };

/** Why something on record is not learned from. */
export type Doubt = 'core-temperature' | 'rise' | 'hour' | 'order';

/** What no dough in a kitchen has: a mark of nothing or of forty volumes, a core of eighty degrees. */
const CORE_C = { least: -4, most: 45 };
const RISE = { least: 0.85, most: 6 };
/** Whether dough in a kitchen can have risen so many times: what cannot be is never learned from. */
export const isRiseLikely = (rise: number): boolean => rise >= RISE.least && rise <= RISE.most;
/** After its last stage a lot is looked at for a day at most. */
const BEYOND_H = 24;

/** How an opening reads as a look: slack, torn or sticky dough is past it, what springs back is not there yet. */
const LOOK_OF: Readonly<Record<Opening, Look>> = {
  well: 'right',
  'springs-back': 'early',
  tears: 'late',
  sticks: 'late',
  slack: 'late',
};

/**
 * What of a lot can be learned from, in time's order, and what cannot and why. Looks in the wrong order, late before
 * early, contradict each other: none of them counts.
 */
export function observationsOf(lot: ObservedLot): {
  readonly taken: readonly Observation[];
  readonly doubted: readonly Doubt[];
} {
  const { route, readings = [], marks = [], looks = [], opened } = lot;
  const mostH = route.stages.reduce((sum, { hours }) => sum + hours, 0) + BEYOND_H;
  const doubted: Doubt[] = [];
  const isTaken = (observation: Observation, isSound: boolean, doubt: Doubt) => {
    const isInTime = observation.hour >= 0 && observation.hour <= mostH;
    if (!isInTime) doubted.push('hour');
    else if (!isSound) doubted.push(doubt);
    return isInTime && isSound;
  };
  const seen = [...looks, ...(opened ? [{ hour: opened.hour, found: LOOK_OF[opened.found] }] : [])];
  const inOrder = [...seen].sort((a, b) => a.hour - b.hour);
  const isOrdered = inOrder.every(
    ({ found }, i) => LOOKS.indexOf(found) >= LOOKS.indexOf(inOrder[i - 1]?.found ?? 'early'),
  );
  const all: readonly [Observation, boolean, Doubt][] = [
    ...readings.map(({ hour, coreTempC }): [Observation, boolean, Doubt] => [
      { kind: 'core', hour, value: coreTempC },
      coreTempC >= CORE_C.least && coreTempC <= CORE_C.most,
      'core-temperature',
    ]),
    ...marks.map(({ hour, rise }): [Observation, boolean, Doubt] => [
      { kind: 'rise', hour, value: rise },
      isRiseLikely(rise),
      'rise',
    ]),
    ...seen.map(({ hour, found }): [Observation, boolean, Doubt] => [
      { kind: 'look', hour, found },
      isOrdered,
      'order',
    ]),
  ];
  const taken = all
    .filter(([observation, isSound, doubt]) => isTaken(observation, isSound, doubt))
    .map(([observation]) => observation)
    .sort((a, b) => a.hour - b.hour);
  return { taken, doubted };
}

/** The containers that a lot's dough stood in. */
export const containersOf = ({ route }: ObservedLot): readonly Container[] => [
  ...new Set(route.stages.map(({ container }) => container)),
];

/** How a lot's balls should be when they open. */
export const targetOf = ({ target }: Pick<ObservedLot, 'target'>): Target =>
  target ?? STANDARD_TARGET;
