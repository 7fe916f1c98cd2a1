import { cholesky, inverseOfLower, solveLower } from '../../numerics';
import type { Container } from '../../formula/route';
import { FILM_W_PER_M2K } from '../../heat';
import { STARTING, type FermentConstants } from '../../ferment/laws/constants';
import type { DoughRoute } from '../../ferment/route/doughRoute';
import { costOf, evidenceOf, type Evidence, type Parameter } from './evidence';
import { expectedOf } from './likelihood';
import {
  containersOf,
  observationsOf,
  targetOf,
  type Observation,
  type ObservedLot,
} from './observed';

/** Why a number of the house's own is moved, or is not. */
export const LEARNED_WHY = ['learned', 'few-days', 'not-sure', 'no-better'] as const;
/** One of them. */
export type LearnedWhy = (typeof LEARNED_WHY)[number];

/** What a house's lots say of one of its numbers. */
export interface LearnedConstant {
  /** `yeast-activity`, `cold-end`, `film:<container>` or `endurance:<flour>`. */
  readonly name: string;
  /** What it is multiplied by; of the cold end, °C that are added. */
  readonly by: { readonly factor: number } | { readonly shift: number };
  /** One standard deviation before and after, of the ln of the factor or in °C. */
  readonly sdBefore: number;
  readonly sdAfter: number;
  /** Lots that say something of it. */
  readonly lots: readonly string[];
  readonly isMoved: boolean;
  readonly why: LearnedWhy;
}

/** What a house's lots say of its numbers, and how much better rises are foretold with them. */
export interface LearnedHouse {
  readonly constants: readonly LearnedConstant[];
  /** Root mean square of ln rise at the marks of each lot, foretold without that lot, percent. */
  readonly riseErrorPercent: { readonly before: number; readonly after: number };
}

/** Spreads before anything is learned (dough-science § 8): of ln, and of the cold end in °C. */
const SD = { yeast: 0.2, cold: 0.8, film: 0.3, endurance: 0.2 };
/** From lot to lot yeast is weighed and works not quite alike: of ln. */
const LOT_YEAST_SD = 0.06;
/** From lot to lot places are not quite as warm as is on record, °C. */
const LOT_PLACE_SD_C = 0.5;
const LEAST_DAYS = 5;
/** A lot says something of a number when it alone would take this much off its variance. */
const INFORMS_SHARE = 0.04;
/** What is learned is surer than this share of what was thought before. */
const SURE_SHARE = 0.8;
/** Nothing is moved by more than so many standard deviations at once. */
const MOST_MOVE = 1;
const ROUNDS = 6;
const LONGEST_STEP = 1;
const SHORTEST_STEP = 0.02;

interface HouseParameter extends Parameter {
  readonly isShift: boolean;
  readonly touches: (lot: ObservedLot) => boolean;
}

/** A lot with what can be learned from it. */
interface KnownLot {
  readonly lot: ObservedLot;
  readonly observations: readonly Observation[];
}

/**
 * What a house's lots say of its numbers: the likeliest values (Gauss–Newton, maximum a posteriori), how sure they are
 * (Laplace), and which of them may be moved. A number is moved only by lots of enough days that are sure of it, and
 * only where each lot is foretold better by the others with it than without.
 */
export function learnHouse(lots: readonly ObservedLot[]): LearnedHouse {
  const known = lots
    .map((lot): KnownLot => ({ lot, observations: observationsOf(lot).taken }))
    .filter(({ observations }) => observations.length > 0);
  const all = parametersOf(known);
  const whole = fit(all, known);
  const told = all.map((parameter, i) => {
    const informing = known.filter((_, l) => {
      const own = (whole.evidence[l]?.information[i] as number[] | undefined)?.[i] ?? 0;
      return own * parameter.sd ** 2 > INFORMS_SHARE;
    });
    const sdAfter = Math.sqrt((whole.covariance[i] as number[])[i] as number);
    const days = new Set(informing.map(({ lot }) => lot.day)).size;
    const why: LearnedWhy =
      days < LEAST_DAYS
        ? 'few-days'
        : sdAfter >= SURE_SHARE * parameter.sd
          ? 'not-sure'
          : 'learned';
    return { parameter, sdAfter, lots: informing.map(({ lot }) => lot.id), why };
  });
  const candidates = told.flatMap(({ parameter, why }) => (why === 'learned' ? [parameter] : []));
  const moved = candidates.length === 0 ? null : fit(candidates, known);
  const error = foretold(candidates, known, moved);
  const isBetter = moved !== null && error.after.cost < error.before.cost;
  return {
    constants: told.map(({ parameter, sdAfter, lots: informing, why }) => {
      const at = candidates.indexOf(parameter);
      const isMoved = isBetter && at >= 0;
      const value = isMoved ? bounded(moved?.values[at] ?? 0, parameter.sd) : 0;
      return {
        name: parameter.name,
        by: parameter.isShift ? { shift: value } : { factor: Math.exp(value) },
        sdBefore: parameter.sd,
        sdAfter,
        lots: informing,
        isMoved,
        why: why === 'learned' && !isBetter ? 'no-better' : why,
      };
    }),
    riseErrorPercent: {
      before: error.before.risePercent,
      after: isBetter ? error.after.risePercent : error.before.risePercent,
    },
  };
}

const bounded = (value: number, sd: number): number =>
  Math.max(-MOST_MOVE * sd, Math.min(MOST_MOVE * sd, value));

/** The numbers that these lots could say something of. */
function parametersOf(known: readonly KnownLot[]): HouseParameter[] {
  const containers = [...new Set(known.flatMap(({ lot }) => containersOf(lot)))];
  const flours = [
    ...new Set(known.flatMap(({ lot }) => lot.route.formula.flours.map(({ name }) => name))),
  ];
  const everywhere = () => true;
  return [
    { name: 'yeast-activity', sd: SD.yeast, isShift: false, touches: everywhere },
    { name: 'cold-end', sd: SD.cold, isShift: true, touches: everywhere },
    ...containers.map((container): HouseParameter => ({
      name: `film:${container}`,
      sd: SD.film,
      isShift: false,
      touches: (lot) => containersOf(lot).includes(container),
    })),
    ...flours.map((flour): HouseParameter => ({
      name: `endurance:${flour}`,
      sd: SD.endurance,
      isShift: false,
      touches: ({ route }) => route.formula.flours.some(({ name }) => name === flour),
    })),
  ];
}

/** A lot's route in a house whose numbers are so. The cold end's tables are made once for each value. */
function routeIn(
  route: DoughRoute,
  parameters: readonly Pick<Parameter, 'name'>[],
  values: readonly number[],
  constantsAt: (coldestC: number) => FermentConstants,
): DoughRoute {
  const of = (name: string) => {
    const at = parameters.findIndex((parameter) => parameter.name === name);
    return at < 0 ? 0 : (values[at] ?? 0);
  };
  const { flours } = route.formula;
  const total = flours.reduce((sum, { percent }) => sum + percent, 0);
  const endurance = flours.reduce(
    (sum, { name, percent }) => sum + (percent / total) * of(`endurance:${name}`),
    0,
  );
  const films = Object.fromEntries(
    Object.entries(route.films ?? FILM_W_PER_M2K).map(([container, film]) => [
      container,
      film * Math.exp(of(`film:${container}`)),
    ]),
  ) as Record<Container, number>;
  return {
    ...route,
    yeastActivity: (route.yeastActivity ?? 1) * Math.exp(of('yeast-activity')),
    endurance: (route.endurance ?? 1) * Math.exp(endurance),
    constants: constantsAt((route.constants ?? STARTING).coldestC + of('cold-end')),
    films,
  };
}

/** A route in a house that has learned. @param constants what it has learned; what is not moved changes nothing */
export const inHouse = (
  route: DoughRoute,
  constants: readonly Pick<LearnedConstant, 'name' | 'by'>[],
): DoughRoute =>
  routeIn(
    route,
    constants,
    constants.map(({ by }) => ('shift' in by ? by.shift : Math.log(by.factor))),
    acceptedEnds,
  );

/** Constants by where the cold end is; the same object for the same end, as its tables hang on it. */
function coldEnds(): (coldestC: number) => FermentConstants {
  const known = new Map<number, FermentConstants>([[STARTING.coldestC, STARTING]]);
  return (coldestC) => {
    const there = known.get(coldestC) ?? { ...STARTING, coldestC };
    known.set(coldestC, there);
    return there;
  };
}

/** What houses have accepted is few: their tables are made once. */
const acceptedEnds = coldEnds();

interface Fit {
  readonly values: readonly number[];
  readonly covariance: readonly (readonly number[])[];
  /** Of each lot, where the values stand. */
  readonly evidence: readonly (Evidence | null)[];
}

/** The likeliest values of some numbers, given all lots. */
function fit(parameters: readonly HouseParameter[], known: readonly KnownLot[]): Fit {
  let values: readonly number[] = parameters.map(() => 0);
  let evidence: readonly (Evidence | null)[] = [];
  let covariance: readonly (readonly number[])[] = [];
  for (let round = 0; round < ROUNDS; round += 1) {
    const constantsAt = coldEnds();
    evidence = known.map((lot) => lotEvidence(parameters, values, lot, constantsAt));
    const lower = cholesky(precisionOf(parameters, evidence));
    covariance = inverseOfLower(lower);
    const gradient = parameters.map(
      ({ sd }, i) =>
        evidence.reduce((sum, each) => sum + (each?.gradient[i] ?? 0), 0) -
        (values[i] ?? 0) / sd ** 2,
    );
    const step = solveLower(lower, gradient);
    const longest = Math.max(
      0,
      ...step.map((by, i) => Math.abs(by) / (parameters[i] as Parameter).sd),
    );
    if (longest < SHORTEST_STEP) break;
    const share = Math.min(1, LONGEST_STEP / longest);
    values = values.map((value, i) => value + share * (step[i] ?? 0));
  }
  return { values, covariance, evidence };
}

const precisionOf = (
  parameters: readonly Parameter[],
  evidence: readonly (Evidence | null)[],
): number[][] =>
  parameters.map(({ sd }, i) =>
    parameters.map(
      (_, j) =>
        evidence.reduce((sum, each) => sum + ((each?.information[i] as number[])?.[j] ?? 0), 0) +
        (i === j ? 1 / sd ** 2 : 0),
    ),
  );

/**
 * What one lot says of a house's numbers. Its own yeast and places are a little off, too, which no other lot shares:
 * that is left out of what it says (Schur complement of what is its own).
 */
function lotEvidence(
  parameters: readonly HouseParameter[],
  values: readonly number[],
  { lot, observations }: KnownLot,
  constantsAt: (coldestC: number) => FermentConstants,
): Evidence | null {
  const own: readonly Parameter[] = [
    { name: 'own yeast', sd: LOT_YEAST_SD },
    { name: 'own places', sd: LOT_PLACE_SD_C },
  ];
  const all = [...parameters, ...own];
  const evidence = evidenceOf(all, [...values, 0, 0], {
    observations,
    target: targetOf(lot),
    touched: [...parameters.map(({ touches }) => touches(lot)), true, true],
    routeAt: (at) => {
      const [yeast = 0, places = 0] = at.slice(parameters.length);
      const route = routeIn(lot.route, parameters, at, constantsAt);
      return {
        ...route,
        yeastActivity: (route.yeastActivity ?? 1) * Math.exp(yeast),
        stages: route.stages.map((stage) => ({ ...stage, airTempC: stage.airTempC + places })),
      };
    },
  });
  return evidence && withoutOwn(evidence, own, parameters.length);
}

/** Evidence of the first parameters, with the last ones left free within their spreads. */
function withoutOwn(
  { gradient, information }: Evidence,
  own: readonly Parameter[],
  shared: number,
): Evidence {
  const at = (i: number, j: number) => (information[i] as number[])[j] as number;
  const lower = cholesky(
    own.map(({ sd }, i) =>
      own.map((_, j) => at(shared + i, shared + j) + (i === j ? 1 / sd ** 2 : 0)),
    ),
  );
  const places = Array.from({ length: shared }, (_, i) => i);
  const solved = places.map((i) =>
    solveLower(
      lower,
      own.map((_, k) => at(shared + k, i)),
    ),
  );
  const dot = (a: readonly number[], b: readonly number[]) =>
    a.reduce((sum, value, k) => sum + value * (b[k] ?? 0), 0);
  return {
    gradient: places.map(
      (i) => (gradient[i] ?? 0) - dot(solved[i] as number[], gradient.slice(shared)),
    ),
    information: places.map((i) =>
      places.map(
        (j) =>
          at(i, j) -
          dot(
            solved[i] as number[],
            own.map((_, k) => at(shared + k, j)),
          ),
      ),
    ),
  };
}

/** How well lots are foretold: what it costs, and how far rises are off, percent. */
interface Foretold {
  readonly cost: number;
  readonly risePercent: number;
}

/** How well each lot is foretold by the others, without and with the numbers they say. */
function foretold(
  parameters: readonly HouseParameter[],
  known: readonly KnownLot[],
  whole: Fit | null,
): { readonly before: Foretold; readonly after: Foretold } {
  const constantsAt = coldEnds();
  const nothing = parameters.map(() => 0);
  const precision = whole && precisionOf(parameters, whole.evidence);
  const valuesWithout = (l: number): readonly number[] => {
    const left = whole?.evidence[l];
    if (!whole || !precision || !left) return nothing;
    // At the best values all gradients add up to nothing: without one lot they lack its own.
    const rest = precision.map((row, i) =>
      row.map((value, j) => value - ((left.information[i] as number[])[j] ?? 0)),
    );
    const step = solveLower(cholesky(rest), left.gradient);
    return whole.values.map((value, i) =>
      bounded(value - (step[i] ?? 0), (parameters[i] as Parameter).sd),
    );
  };
  const told = (valuesOf: (l: number) => readonly number[]): Foretold => {
    let [cost, squares, marks] = [0, 0, 0];
    known.forEach(({ lot, observations }, l) => {
      const route = routeIn(lot.route, parameters, valuesOf(l), constantsAt);
      const expected = expectedOf(route, targetOf(lot), observations);
      if (!expected) return;
      cost += costOf(observations, expected);
      observations.forEach((observation, o) => {
        const here = expected[o];
        if (observation.kind !== 'rise' || here?.kind !== 'number') return;
        squares += (Math.log(observation.value) - here.value) ** 2;
        marks += 1;
      });
    });
    return { cost, risePercent: marks === 0 ? 0 : 100 * Math.sqrt(squares / marks) };
  };
  return { before: told(() => nothing), after: told(valuesWithout) };
}
