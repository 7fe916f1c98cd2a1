import type { DoughRoute } from '../../ferment/route/doughRoute';
import type { Target } from '../../ferment/dough/state';
import { expectedOf, type Expected } from './likelihood';
import { LOOKS, type Observation } from './observed';

/** Residuals beyond so many standard deviations count as if they were no larger (Huber 1964), … */
const HUBER = 1.345;
/** … and beyond so many less and less: nobody is that unlucky, it is a slip or a joke (Hampel 1974). */
const SLIP = 3;
/** Derivatives are taken over this share of what each parameter may be off by. */
const DIFFERENCE_SHARE = 0.25;

/** What some observations say of parameters: how steeply the fit climbs, and how sure it is. */
export interface Evidence {
  readonly gradient: number[];
  /** Fisher information; as many rows as parameters. */
  readonly information: number[][];
}

/** A parameter of a dough's way: what it may be off by, and what it does to a route. */
export interface Parameter {
  readonly name: string;
  /** One standard deviation before anything was seen. */
  readonly sd: number;
}

/**
 * What observations of one lot say of parameters, about where they stand. One-sided differences: one run of the
 * simulator for each parameter that touches the lot, and one without.
 *
 * @param routeAt the lot's route with parameters at given values
 * @param touched which of them change anything on this route
 * @returns null where the route cannot be simulated
 */
export function evidenceOf(
  parameters: readonly Parameter[],
  values: readonly number[],
  lot: {
    readonly observations: readonly Observation[];
    readonly target: Target;
    readonly routeAt: (values: readonly number[]) => DoughRoute;
    readonly touched: readonly boolean[];
  },
): Evidence | null {
  const { observations, target, routeAt, touched } = lot;
  const base = expectedOf(routeAt(values), target, observations);
  if (!base) return null;
  const moved = parameters.map(({ sd }, j) => {
    if (!touched[j]) return null;
    const by = sd * DIFFERENCE_SHARE;
    const there = values.map((value, i) => (i === j ? value + by : value));
    const expected = expectedOf(routeAt(there), target, observations);
    return expected && { by, expected };
  });
  const gradient = parameters.map(() => 0);
  const information = parameters.map(() => parameters.map(() => 0));
  observations.forEach((observation, o) => {
    const here = base[o] as Expected;
    for (const { weight, residual, slopes } of partsOf(observation, here, (j) => {
      const there = moved[j];
      return there ? { by: there.by, expected: there.expected[o] as Expected } : null;
    })) {
      slopes.forEach((slope, i) => {
        (gradient[i] as number) += weight * residual * slope;
        const row = information[i] as number[];
        slopes.forEach((other, j) => {
          (row[j] as number) += weight * slope * other;
        });
      });
    }
  });
  return { gradient, information };

  /** An observation as residuals of unit scatter with their slopes: one of a number, one of each finding. */
  function partsOf(
    observation: Observation,
    here: Expected,
    there: (j: number) => { readonly by: number; readonly expected: Expected } | null,
  ) {
    if (here.kind === 'number') {
      const residual = residualOf(observation, here);
      const slopes = parameters.map((_, j) => {
        const other = there(j);
        return other?.expected.kind === 'number'
          ? (other.expected.value - here.value) / other.by / here.sd
          : 0;
      });
      const weight = weightOf(Math.abs(residual));
      return [{ weight, residual, slopes }];
    }
    const found = observation.kind === 'look' ? LOOKS.indexOf(observation.found) : -1;
    return here.odds.map((odds, c) => ({
      weight: 1 / odds,
      // The score of what was found; the others only say how sure a look can be.
      residual: c === found ? 1 : 0,
      slopes: parameters.map((_, j) => {
        const other = there(j);
        return other?.expected.kind === 'odds'
          ? ((other.expected.odds[c] ?? odds) - odds) / other.by
          : 0;
      }),
    }));
  }
}

/** How much of its own pull a residual keeps. @param off its size, in standard deviations */
function weightOf(off: number): number {
  if (off <= HUBER) return 1;
  return (HUBER / off) * Math.min(1, SLIP / off);
}

/** What a residual of a size costs. */
function lossOf(off: number): number {
  if (off <= HUBER) return off ** 2 / 2;
  const toSlip = HUBER * (Math.min(off, SLIP) - HUBER / 2);
  return off <= SLIP ? toSlip : toSlip + HUBER * SLIP * Math.log(off / SLIP);
}

/** How far a number is from what was expected, in standard deviations. */
function residualOf(observation: Observation, expected: Expected): number {
  if (expected.kind !== 'number' || observation.kind === 'look') return 0;
  const seen = observation.kind === 'rise' ? Math.log(observation.value) : observation.value;
  return (seen - expected.value) / expected.sd;
}

/** What observations cost: half the squares of residuals, as far as they count, and the logarithm of odds. */
export function costOf(
  observations: readonly Observation[],
  expected: readonly Expected[],
): number {
  return observations.reduce((sum, observation, o) => {
    const here = expected[o] as Expected;
    if (here.kind === 'number') return sum + lossOf(Math.abs(residualOf(observation, here)));
    const found = observation.kind === 'look' ? LOOKS.indexOf(observation.found) : -1;
    return sum - Math.log(here.odds[found] ?? 1);
  }, 0);
}
