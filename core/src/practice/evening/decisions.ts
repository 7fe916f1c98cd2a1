import {
  actsAt,
  playOfWays,
  type DoughPlay,
  type Evening,
  type QuickDough,
  type TrayAct,
  type TrayWay,
} from './evening';
import {
  NO_COST,
  scoreEvening,
  totalCost,
  type DoughEvening,
  type EveningCost,
} from './scoreEvening';

/** What somebody does with some trays of a dough, with all of it, or beside it. */
export type Deed =
  | { readonly kind: 'trays'; readonly act: TrayAct; readonly trays: readonly number[] }
  | { readonly kind: 'stop' }
  | { readonly kind: 'mix'; readonly water: QuickDough['water'] }
  /** A tray is looked at closely, with a finger and a probe. */
  | { readonly kind: 'look'; readonly tray: number }
  /** Somebody who knows is called. */
  | { readonly kind: 'call' };

/** Something decided on an evening that is practised. */
export interface Decision {
  readonly moment: number;
  /** Which of the evening's doughs it is about. */
  readonly dough: number;
  readonly deed: Deed;
}

/** Minutes of hands that finding out takes, on a usual evening. */
export const LOOK_MIN = 3;
export const CALL_MIN = 10;

const ASK_MIN = { look: LOOK_MIN, call: CALL_MIN } as const;

const isAsk = (deed: Deed): deed is Extract<Deed, { kind: keyof typeof ASK_MIN }> =>
  deed.kind in ASK_MIN;

/**
 * What is done with each dough, by what was decided in time's order; what cannot be done is passed over.
 *
 * @example
 * playsOf(evening, []).map(({ trays }) => trays.length) // as many as each dough has
 */
export const playsOf = (evening: Evening, decisions: readonly Decision[]): DoughPlay[] =>
  evening.doughs.map((dough, i) => {
    const ways = dough.trays.map((): TrayWay => []);
    let play = playOfWays(ways);
    for (const { moment, deed, dough: at } of decisions) {
      if (at !== i) continue;
      if (deed.kind === 'stop' && play.stop === null) play = { ...play, stop: moment };
      if (deed.kind === 'mix' && play.quick === null && evening.hasMixer)
        play = { ...play, quick: { moment, water: deed.water } };
      if (deed.kind !== 'trays') continue;
      for (const tray of deed.trays) {
        const way = ways[tray];
        if (way && actsAt(way, moment).includes(deed.act))
          ways[tray] = [...way, { act: deed.act, moment }];
      }
    }
    return play;
  });

/** An evening as it was played. */
export interface PlayedEvening {
  readonly cost: EveningCost;
  readonly doughs: readonly DoughEvening[];
}

/** What an evening came to by what was decided, finding out included. */
export function playedEvening(evening: Evening, decisions: readonly Decision[]): PlayedEvening {
  const doughs = scoreEvening(evening, playsOf(evening, decisions));
  const asked = decisions.reduce(
    (sum, { deed }) => sum + (isAsk(deed) ? ASK_MIN[deed.kind] : 0),
    0,
  );
  const cost = totalCost([
    ...doughs.map((each) => each.cost),
    { ...NO_COST, minutes: asked * evening.hands },
  ]);
  return { cost, doughs };
}

/** What each decision came to: what the evening cost with it, less what it would have cost without. */
export function costsOfDecisions(
  evening: Evening,
  decisions: readonly Decision[],
): readonly EveningCost[] {
  const whole = playedEvening(evening, decisions).cost;
  return decisions.map((_, i) => {
    const without = playedEvening(evening, decisions.toSpliced(i, 1)).cost;
    return {
      short: whole.short - without.short,
      told: whole.told - without.told,
      bad: whole.bad - without.bad,
      thrown: whole.thrown - without.thrown,
      minutes: whole.minutes - without.minutes,
    };
  });
}
