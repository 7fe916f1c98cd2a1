import type { PlainFormula, YeastConversion } from '../../formula';
import { ballShape, massShape, type Films } from '../../heat';
import type { Container } from '../../formula/route';
import type { FermentConstants } from '../laws/constants';
import type { Shaping } from '../dough/dough';

/** A stage that a dough spends somewhere. */
export interface DoughStage {
  readonly kind: 'bulk' | 'ball';
  readonly hours: number;
  /** Air around it, °C; of a stage in a simulated room, only where that room is not simulated. */
  readonly airTempC: number;
  readonly container: Container;
  /** Room whose air it shares when rooms are simulated together with their lots, and where in it. */
  readonly room?: string;
  readonly zone?: string;
  /** Mass that stands together in a bulk stage, kg. */
  readonly massKg?: number;
  /** What is done to the dough as the stage begins; balling is, at the first ball after bulk. */
  readonly shaping?: Shaping;
  /** Ends the stage early, when its volume since the last shaping gets here. */
  readonly untilRise?: number;
}

/** What fermented before the dough was mixed: a pre-ferment or old dough. */
export interface Headstart {
  /** Its share of the dough's flour, 0–1. */
  readonly flourShare: number;
  /** Its yeast when it goes into the bowl, grown, fresh-equivalent g per kg of its own flour. */
  readonly yeastGPerKg: number;
  /** Its maturity, hours-at-20 °C. */
  readonly maturityH: number;
}

/** One dough and the way it goes. */
export interface DoughRoute {
  readonly formula: PlainFormula;
  readonly ballWeightG: number;
  /** Off the mixer, °C. */
  readonly doughTempC: number;
  readonly stages: readonly DoughStage[];
  /** What fermented before the dough was mixed; `formula` is then the whole, its yeast the bowl's own. */
  readonly headstarts?: readonly Headstart[];
  /** Of the yeast: 1 = new. */
  readonly yeastActivity?: number;
  /** Diastatic malt, percent of flour: dough ripens faster. */
  readonly maltPercent?: number;
  /** Height above the sea, m: bubbles swell more where the air is thin. */
  readonly altitudeM?: number;
  readonly yeastConversion?: YeastConversion;
  /** How long its flour stands against flours of its strength; 1 when absent. */
  readonly endurance?: number;
  readonly constants?: FermentConstants;
  readonly films?: Films;
}

/** Mass of a bulk stage that does not say, kg. */
export const USUAL_BULK_KG = 10;

/** The body a stage's dough stands as. */
export function shapeOfStage(stage: DoughStage, ballWeightG: number) {
  return stage.kind === 'ball'
    ? ballShape(ballWeightG)
    : massShape(stage.container, stage.massKg ?? USUAL_BULK_KG);
}

/** What is done to the dough as a stage begins; null when it only changes place. */
export function shapingAt(stages: readonly DoughStage[], index: number): Shaping | null {
  const stage = stages[index];
  if (!stage) return null;
  if (stage.shaping) return stage.shaping;
  const isFirstBall = stage.kind === 'ball' && index > 0 && stages[index - 1]?.kind === 'bulk';
  return isFirstBall ? 'ball' : null;
}

/** Why a route cannot be simulated. Bounds are what a kitchen can be, not what is wise. */
export type RouteFault =
  | { readonly kind: 'no-stages' }
  | { readonly kind: 'no-flour' }
  /** A number of the formula, or of what ferments ahead, that no dough has. */
  | { readonly kind: 'formula-number'; readonly which: string; readonly value: number }
  | (Limits & { readonly kind: 'stage-hours'; readonly stage: number; readonly hours: number })
  | (Limits & { readonly kind: 'air-temp'; readonly stage: number; readonly tempC: number })
  | (Limits & { readonly kind: 'mass'; readonly stage: number; readonly massKg: number })
  | (Limits & { readonly kind: 'until-rise'; readonly stage: number; readonly rise: number })
  | (Limits & { readonly kind: 'dough-temp'; readonly tempC: number })
  | (Limits & { readonly kind: 'ball-weight'; readonly grams: number })
  | { readonly kind: 'yeast'; readonly percent: number; readonly most: number };

/** What works, in the unit of the number that does not. */
interface Limits {
  readonly least: number;
  readonly most: number;
}

export const MOST_STAGE_HOURS = 240;
const STAGE_LIMITS_H = { least: 0, most: MOST_STAGE_HOURS } as const;
export const MOST_FRESH_YEAST_PERCENT = 6;
/** Air that dough can stand in, °C. */
export const AIR_LIMITS_C = { least: -5, most: 45 } as const;
/** Dough off a mixer, °C. */
export const DOUGH_LIMITS_C = { least: 1, most: 40 } as const;
export const BALL_LIMITS_G = { least: 20, most: 5000 } as const;
export const BULK_LIMITS_KG = { least: 0.05, most: 500 } as const;
export const UNTIL_RISE_LIMITS = { least: 1.01, most: 4 } as const;

const isWithin = (value: number, { least, most }: Limits) => value >= least && value <= most;

/**
 * Everything about a route that no kitchen could do, so that NaN never gets into the engine.
 *
 * @param freshPercent the yeast as fresh-equivalent percent
 */
export function routeFaults(route: DoughRoute, freshPercent: number): RouteFault[] {
  const { formula, stages, doughTempC, ballWeightG } = route;
  const flour = formula.flours.reduce((sum, f) => sum + f.percent, 0);
  const faults: RouteFault[] = [];
  if (stages.length === 0) faults.push({ kind: 'no-stages' });
  if (!(flour > 0)) faults.push({ kind: 'no-flour' });
  faults.push(...formulaFaults(route));
  if (!isWithin(freshPercent, { least: 0, most: MOST_FRESH_YEAST_PERCENT })) {
    faults.push({ kind: 'yeast', percent: freshPercent, most: MOST_FRESH_YEAST_PERCENT });
  }
  if (!isWithin(doughTempC, DOUGH_LIMITS_C)) {
    faults.push({ kind: 'dough-temp', tempC: doughTempC, ...DOUGH_LIMITS_C });
  }
  if (!isWithin(ballWeightG, BALL_LIMITS_G))
    faults.push({ kind: 'ball-weight', grams: ballWeightG, ...BALL_LIMITS_G });
  stages.forEach(({ hours, airTempC, massKg, untilRise }, stage) => {
    if (!isWithin(hours, STAGE_LIMITS_H))
      faults.push({ kind: 'stage-hours', stage, hours, ...STAGE_LIMITS_H });
    if (!isWithin(airTempC, AIR_LIMITS_C)) {
      faults.push({ kind: 'air-temp', stage, tempC: airTempC, ...AIR_LIMITS_C });
    }
    if (massKg !== undefined && !isWithin(massKg, BULK_LIMITS_KG)) {
      faults.push({ kind: 'mass', stage, massKg, ...BULK_LIMITS_KG });
    }
    if (untilRise !== undefined && !isWithin(untilRise, UNTIL_RISE_LIMITS)) {
      faults.push({ kind: 'until-rise', stage, rise: untilRise, ...UNTIL_RISE_LIMITS });
    }
  });
  return faults;
}

/** No ingredient outweighs the flour more than this many times. */
const PERCENT = { least: 0, most: 400 } as const;
const STRENGTH_W = { least: 1, most: 1000 } as const;
const ENDURANCE = { least: 0.2, most: 5 } as const;
const ACTIVITY = { least: 0.01, most: 3 } as const;

const MALT_PERCENT = { least: 0, most: 10 } as const;
const ALTITUDE_M = { least: -500, most: 6000 } as const;

function formulaFaults({
  formula,
  yeastActivity = 1,
  maltPercent = 0,
  altitudeM = 0,
  endurance = 1,
  headstarts = [],
}: DoughRoute): RouteFault[] {
  const { flours, additions = [], waterPercent, saltPercent } = formula;
  const { sugarPercent = 0, oilPercent = 0 } = formula;
  const numbers: [which: string, value: number, limits: Limits][] = [
    ['waterPercent', waterPercent, PERCENT],
    ['saltPercent', saltPercent, PERCENT],
    ['sugarPercent', sugarPercent, PERCENT],
    ['oilPercent', oilPercent, PERCENT],
    ['yeastActivity', yeastActivity, ACTIVITY],
    ['yeast activity', formula.yeast.activity ?? 1, ACTIVITY],
    ['maltPercent', maltPercent, MALT_PERCENT],
    ['altitudeM', altitudeM, ALTITUDE_M],
    ['endurance', endurance, ENDURANCE],
    ...flours.flatMap(
      ({ name, percent, strengthW, proteinPercent, branPercent }): typeof numbers => [
        [name, percent, PERCENT],
        [`${name} strengthW`, strengthW ?? STRENGTH_W.most, STRENGTH_W],
        [`${name} proteinPercent`, proteinPercent ?? 0, PERCENT],
        [`${name} branPercent`, branPercent ?? 0, PERCENT],
      ],
    ),
    ...additions.flatMap(({ name, percent, composition }): typeof numbers => [
      [name, percent, PERCENT],
      ...Object.entries(composition ?? {}).map(([part, value]): [string, number, Limits] => [
        `${name} ${part}`,
        value,
        PERCENT,
      ]),
    ]),
    ...headstarts.flatMap(({ flourShare, yeastGPerKg, maturityH }): typeof numbers => [
      ['headstart flourShare', flourShare, { least: 0, most: 1 }],
      ['headstart yeastGPerKg', yeastGPerKg, PERCENT],
      ['headstart maturityH', maturityH, { least: 0, most: MOST_STAGE_HOURS }],
    ]),
  ];
  return numbers
    .filter(([, value, limits]) => !isWithin(value, limits))
    .map(([which, value]) => ({ kind: 'formula-number', which, value }));
}
