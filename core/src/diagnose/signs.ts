import { STANDARD_TARGET, type Target } from '../ferment/dough/state';
import { flourLimits } from '../ferment/laws/flour';
import type { DoughRoute } from '../ferment/route/doughRoute';
import { pointBetween } from '../ferment/run/course';
import { simulate } from '../ferment/run/simulate';
import type { SignName } from './vocabulary';

/** A lot whose dough was not as it should be, with what is on record of it. Hours count from the mixer. */
export interface DiagnosedLot {
  /** As it was planned. */
  readonly route: DoughRoute;
  readonly target?: Target;
  /** g; by the ingredient's kind. */
  readonly weighed?: readonly {
    readonly ingredient: 'yeast' | 'salt' | 'water';
    readonly grams: number;
    readonly wantedG: number;
  }[];
  /** What the scale for the yeast shows at least, g. */
  readonly scaleStepG?: number;
  readonly waterTempC?: number;
  readonly readings?: readonly { readonly hour: number; readonly coreTempC: number }[];
  readonly marks?: readonly { readonly hour: number; readonly rise: number }[];
  readonly opened?: { readonly hour: number; readonly coreTempC?: number };
  /** When its balls were shaped last. */
  readonly shapedHour?: number;
  readonly isCovered?: boolean;
  /** What hands and eyes told: true is the fault's own answer. */
  readonly checks?: {
    readonly tears?: boolean;
    readonly drySkin?: boolean;
    readonly openSeam?: boolean;
    readonly wetSpots?: boolean;
    /** A little of the yeast in water stayed still. */
    readonly yeastStill?: boolean;
    readonly alcohol?: boolean;
  };
  /** Weights of its pieces, g. */
  readonly pieces?: readonly number[];
  readonly oven?: { readonly tempC: number; readonly minutes: number };
}

/** What the record tells, as one number. */
export interface Sign {
  readonly name: SignName;
  readonly value: number;
}

const mean = (values: readonly number[]): number =>
  values.reduce((sum, value) => sum + value, 0) / values.length;

/** Less of something counts as so much: nothing has no logarithm. */
const LEAST_SHARE = 0.02;
const FEWEST_PIECES = 5;

/**
 * What a lot's record tells of its dough, against its plan and against the last good lots of the same.
 *
 * @param lastGood nothing of flour, sugar and oven is told without one
 */
export function signsOf(lot: DiagnosedLot, lastGood: readonly DiagnosedLot[] = []): Sign[] {
  return [
    ...weighedSigns(lot),
    ...courseSigns(lot),
    ...checkSigns(lot),
    ...pieceSigns(lot),
    ...signsAgainst(lot, lastGood),
  ];
}

function weighedSigns({ weighed = [], scaleStepG, waterTempC }: DiagnosedLot): Sign[] {
  const ratios = weighed
    .filter(({ wantedG }) => wantedG > 0)
    .map(({ ingredient, grams, wantedG }): Sign => ({
      name: `${ingredient}-weighed`,
      value: Math.log(Math.max(LEAST_SHARE, grams / wantedG)),
    }));
  const yeast = weighed.find(({ ingredient }) => ingredient === 'yeast');
  return [
    ...ratios,
    ...(yeast && scaleStepG
      ? [{ name: 'yeast-on-scale', value: Math.log(yeast.wantedG / scaleStepG) } as const]
      : []),
    ...(waterTempC === undefined
      ? []
      : [{ name: 'water-temperature', value: waterTempC } as const]),
  ];
}

/** What thermometers, marks and the clock tell against the simulated plan. */
function courseSigns(lot: DiagnosedLot): Sign[] {
  const { route, target = STANDARD_TARGET, readings = [], marks = [], opened, shapedHour } = lot;
  const plannedH = route.stages.reduce((sum, { hours }) => sum + hours, 0);
  const lastH = Math.max(0, ...[...readings, ...marks].map(({ hour }) => hour), opened?.hour ?? 0);
  const way = simulate(route, { target, beyondH: Math.max(0, lastH - plannedH) + 0.5 });
  if (!way.ok) return [];
  const at = (hour: number) => pointBetween(way.value.course, hour, target, way.value.kinds);
  const signs: Sign[] = [];
  if (marks.length > 0) {
    const off = marks.map(({ hour, rise }) => Math.log(Math.max(0.3, rise) / at(hour).rise));
    signs.push({ name: 'rise', value: mean(off) });
  }
  if (readings.length > 0) {
    const off = readings.map(({ hour, coreTempC }) => coreTempC - at(hour).coreTempC);
    signs.push({ name: 'warmth', value: mean(off) });
  }
  if (opened?.coreTempC !== undefined) {
    signs.push({ name: 'core-at-opening', value: opened.coreTempC - target.openTempC });
  }
  const { window } = way.value;
  if (opened && window.kind === 'ready') {
    const half = (window.latestHour - window.earliestHour) / 2;
    const middle = (window.latestHour + window.earliestHour) / 2;
    signs.push({ name: 'age-at-opening', value: (opened.hour - middle) / half });
  }
  const shaping = shapingHour(route);
  if (opened && shapedHour !== undefined && shaping !== null) {
    const [was, should] = [opened.hour - shapedHour, plannedH - shaping];
    if (was > 0 && should > 0) {
      signs.push({ name: 'since-shaping', value: Math.log(was / should) });
    }
  }
  return signs;
}

/** When a route's balls are shaped; null where they never are. */
function shapingHour({ stages }: DoughRoute): number | null {
  const first = stages.findIndex(({ kind }) => kind === 'ball');
  return first < 0 ? null : stages.slice(0, first).reduce((sum, { hours }) => sum + hours, 0);
}

function checkSigns({ checks = {}, isCovered }: DiagnosedLot): Sign[] {
  const told = (name: SignName, is: boolean | undefined): Sign[] =>
    is === undefined ? [] : [{ name, value: is ? 1 : 0 }];
  return [
    ...told('stretch', checks.tears),
    ...told('skin', checks.drySkin),
    ...told('seam', checks.openSeam),
    ...told('wet-spots', checks.wetSpots),
    ...told('proof-test', checks.yeastStill),
    ...told('smell', checks.alcohol),
    ...told('cover', isCovered === undefined ? undefined : !isCovered),
  ];
}

/** How far pieces scatter, percent. */
function pieceSigns({ pieces = [] }: DiagnosedLot): Sign[] {
  if (pieces.length < FEWEST_PIECES) return [];
  const middle = mean(pieces);
  const variance = mean(pieces.map((g) => (g - middle) ** 2));
  return [{ name: 'ball-weights', value: (100 * Math.sqrt(variance)) / middle }];
}

function signsAgainst(lot: DiagnosedLot, lastGood: readonly DiagnosedLot[]): Sign[] {
  if (lastGood.length === 0) return [];
  const { formula } = lot.route;
  const flour = ({ route }: DiagnosedLot) => flourLimits(route.formula.flours).strengthW;
  const names = ({ route }: DiagnosedLot) =>
    route.formula.flours
      .map(({ name }) => name)
      .sort()
      .join();
  const sugar = mean(lastGood.map(({ route }) => route.formula.sugarPercent ?? 0));
  const ovens = lastGood.flatMap(({ oven }) => (oven ? [oven] : []));
  const signs: Sign[] = [
    { name: 'flour-strength', value: Math.log(flour(lot) / mean(lastGood.map(flour))) },
    { name: 'flour-name', value: lastGood.some((good) => names(good) === names(lot)) ? 0 : 1 },
    { name: 'sugar', value: (formula.sugarPercent ?? 0) - sugar },
  ];
  if (!lot.oven || ovens.length === 0) return signs;
  const { tempC, minutes } = lot.oven;
  return [
    ...signs,
    { name: 'oven-temperature', value: tempC - mean(ovens.map((oven) => oven.tempC)) },
    { name: 'bake-time', value: Math.log(minutes / mean(ovens.map((oven) => oven.minutes))) },
  ];
}
