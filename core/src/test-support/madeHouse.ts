import type { Container } from '../formula/route';
import { FILM_W_PER_M2K, type Films } from '../heat';
import { STARTING, type FermentConstants } from '../ferment/laws/constants';
import { bandOdds, STANDARD_TARGET } from '../ferment/dough/state';
import type { DoughRoute, DoughStage } from '../ferment/route/doughRoute';
import { lookBetween, pointBetween } from '../ferment/run/course';
import { simulate, type Simulation } from '../ferment/run/simulate';
import { EYE_LN_SD } from '../learn/lots/likelihood';
import type { Look, ObservedLot, Opening } from '../learn/lots/observed';
import {
  inHouse,
  learnHouse,
  type LearnedConstant,
  type LearnedHouse,
} from '../learn/lots/learnHouse';
import { randomOf, type Random } from '../numerics';

/** What is so in a made-up house, and nobody in it knows. */
export interface HouseTruth {
  /** Of ln. */
  readonly yeast: number;
  /** °C. */
  readonly cold: number;
  readonly films: Readonly<Partial<Record<Container, number>>>;
  readonly endurance: number;
}

/** As spread as houses are thought to be, within what one acceptance may move. */
export function drawHouse(random: Random): HouseTruth {
  const drawn = (sd: number) => Math.max(-sd, Math.min(sd, sd * random.normal()));
  return {
    yeast: drawn(0.2),
    cold: drawn(0.8),
    films: { tub: drawn(0.3), 'lidded-tray': drawn(0.3) },
    endurance: drawn(0.2),
  };
}

const FLOUR = 'strong white';
const formula = (yeastPercent: number) => ({
  flours: [{ name: FLOUR, percent: 100, strengthW: 290 }],
  waterPercent: 62,
  saltPercent: 2.6,
  yeast: { form: 'fresh' as const, percent: yeastPercent },
});
const tub = (hours: number, airTempC: number): DoughStage => ({
  kind: 'bulk',
  hours,
  airTempC,
  container: 'tub',
  massKg: 12,
});
const tray = (hours: number, airTempC: number): DoughStage => ({
  kind: 'ball',
  hours,
  airTempC,
  container: 'lidded-tray',
});
/** Two nights cold, one night cold, a day at room, and a day in the cold in its tub. */
const WAYS: readonly Pick<DoughRoute, 'formula' | 'stages'>[] = [
  { formula: formula(0.4), stages: [tub(2, 22), tray(40, 3.5), tray(3, 22)] },
  { formula: formula(0.7), stages: [tub(1.5, 23), tray(20, 4), tray(2.5, 22)] },
  { formula: formula(0.1), stages: [tub(12, 20), tray(9, 21)] },
  { formula: formula(0.45), stages: [tub(24, 4), tray(5, 23)] },
];

const filmsOf = (films: HouseTruth['films']): Films =>
  Object.fromEntries(
    Object.entries(FILM_W_PER_M2K).map(([container, film]) => [
      container,
      film * Math.exp(films[container as Container] ?? 0),
    ]),
  ) as Films;

/** A lot of a made-up house: how it was thought to go, how it went, and what was seen of it. */
export interface MadeLot {
  readonly lot: ObservedLot;
  readonly way: Simulation;
  /** Hours from the mixer at which it was opened. */
  readonly openedHour: number;
}

/**
 * Lots of a house, each on its own day: weighed to 3 %, in rooms that are logged to a quarter of a degree.
 */
export function madeLots(truth: HouseTruth, random: Random, count: number): MadeLot[] {
  const constants: FermentConstants = { ...STARTING, coldestC: STARTING.coldestC + truth.cold };
  const films = filmsOf(truth.films);
  return Array.from({ length: count }, (_, n): MadeLot => {
    const way = WAYS[n % WAYS.length] as (typeof WAYS)[number];
    const route: DoughRoute = { ...way, ballWeightG: 275, doughTempC: 23 + 2 * random.uniform() };
    const places = 0.25 * random.normal();
    const really = simulate(
      {
        ...route,
        constants,
        films,
        yeastActivity: Math.exp(truth.yeast + 0.03 * random.normal()),
        endurance: Math.exp(truth.endurance),
        stages: route.stages.map((stage) => ({
          ...stage,
          airTempC: stage.airTempC + places + 0.15 * random.normal(),
        })),
      },
      { stepMin: 5 },
    );
    if (!really.ok) throw new Error('a made-up lot is sound');
    const ends = route.stages.map((__, i) =>
      route.stages.slice(0, i + 1).reduce((sum, { hours }) => sum + hours, 0),
    );
    const openedHour = ends.at(-1) as number;
    const lot = observed(really.value, { n, route, ends, openedHour }, random);
    return { lot, way: really.value, openedHour };
  });
}

function observed(
  { course, kinds }: Simulation,
  {
    n,
    route,
    ends,
    openedHour,
  }: {
    readonly n: number;
    readonly route: DoughRoute;
    readonly ends: readonly number[];
    readonly openedHour: number;
  },
  random: Random,
): ObservedLot {
  const at = (hour: number) => pointBetween(course, hour, STANDARD_TARGET, kinds);
  const mark = (hour: number) => ({ hour, rise: at(hour).rise * Math.exp(0.1 * random.normal()) });
  const reading = (hour: number) => ({
    hour,
    coreTempC: at(hour).coreTempC + 0.9 * random.normal(),
  });
  const finds = (hour: number): Look => {
    const { started, lasting } = bandOdds(lookBetween(course, hour), STANDARD_TARGET, EYE_LN_SD);
    const draw = random.uniform();
    if (draw < 1 - lasting) return 'late';
    return draw < 1 - lasting + lasting * started ? 'right' : 'early';
  };
  const OPENING: Readonly<Record<Look, Opening>> = {
    early: 'springs-back',
    right: 'well',
    late: 'tears',
  };
  const [first = 0] = ends;
  const lastStart = ends.at(-2) ?? 0;
  return {
    id: `L${n}`,
    day: new Date(Date.UTC(2026, 0, 1 + n)).toISOString().slice(0, 10),
    route,
    readings: [
      reading(Math.min(first, 1)),
      reading(lastStart - 0.1),
      reading(first + 1.5),
      reading(lastStart + 1),
    ],
    marks: [mark(first * 0.95), mark(lastStart - 0.1), mark(openedHour)],
    looks: [{ hour: openedHour - 0.5, found: finds(openedHour - 0.5) }],
    opened: { hour: openedHour, found: OPENING[finds(openedHour)] },
  };
}

/** What a number was found to be: of ln, or °C. */
export const valueOf = ({ by }: LearnedConstant) =>
  'shift' in by ? by.shift : Math.log(by.factor);
const truthOf = ({ name }: LearnedConstant, truth: HouseTruth): number => {
  if (name === 'yeast-activity') return truth.yeast;
  if (name === 'cold-end') return truth.cold;
  if (name.startsWith('endurance:')) return truth.endurance;
  return truth.films[name.slice('film:'.length) as 'tub'] ?? 0;
};
const mean = (values: readonly number[]) =>
  values.reduce((sum, value) => sum + value, 0) / values.length;
/** Made-up lots as a house has them on record. */
export const lotsOf = (made: readonly MadeLot[]): ObservedLot[] => made.map(({ lot }) => lot);

/** How far the volume of new lots is off as they open, mean square of ln. */
function foretoldOff(made: readonly MadeLot[], { constants }: LearnedHouse): number {
  const squares = made.map(({ lot, way, openedHour }) => {
    const told = simulate(inHouse(lot.route, constants), { stepMin: 5 });
    if (!told.ok) throw new Error('a made-up lot is sound');
    const volumeIn = (of: typeof way) =>
      pointBetween(of.course, openedHour, STANDARD_TARGET, of.kinds).volume;
    return Math.log(volumeIn(told.value) / volumeIn(way)) ** 2;
  });
  return mean(squares);
}

const NOTHING: LearnedHouse = { constants: [], riseErrorPercent: { before: 0, after: 0 } };

/** How well made-up houses are learned from some lots of each. */
export interface HouseScores {
  /** By what is learned: how far it is off on average, in standard deviations of before. */
  readonly offs: Readonly<Record<string, number>>;
  /** Share of what is learned within two standard deviations of the truth. */
  readonly covered: number;
  /** How far new lots' volume at opening is off, root mean square of ln. */
  readonly foretold: { readonly before: number; readonly after: number };
}

/** Learns made-up houses, and looks at the truth. */
export function learnedHouses(seed: number, houses: number, lots: number): HouseScores {
  const random = randomOf(seed);
  const offs: Record<string, number[]> = {};
  const covered: number[] = [];
  const told = { before: 0, after: 0 };
  for (let house = 0; house < houses; house += 1) {
    const truth = drawHouse(random);
    const learned = learnHouse(lotsOf(madeLots(truth, random, lots)));
    for (const constant of learned.constants.filter(({ why }) => why === 'learned')) {
      const off = Math.abs(valueOf(constant) - truthOf(constant, truth));
      (offs[constant.name] ??= []).push(off / constant.sdBefore);
      covered.push(off <= 2 * constant.sdAfter ? 1 : 0);
    }
    const later = madeLots(truth, random, lots);
    told.before += foretoldOff(later, NOTHING) / houses;
    told.after += foretoldOff(later, learned) / houses;
  }
  return {
    offs: Object.fromEntries(Object.entries(offs).map(([name, all]) => [name, mean(all)])),
    covered: mean(covered),
    foretold: { before: Math.sqrt(told.before), after: Math.sqrt(told.after) },
  };
}
