import {
  fail,
  inHouse,
  learnHouse,
  narrowLot,
  ok,
  simulate,
  STANDARD_TARGET,
  type NarrowedLot,
  type ObservedLot,
  type Result,
} from '@calm/core';
import type {
  DoughProblem,
  LearnDocument,
  LearnedDocument,
  NarrowDocument,
  ObservedLotDocument,
} from '@calm/contract';
import { constantOf, routeOfDocument } from '../formulas/simulateDough';

/** A lot that the engine cannot take, and why. */
export interface LotProblem {
  readonly id: string;
  readonly problems: readonly DoughProblem[];
}

/** What a house's lots say of its own numbers. */
export function learnDocument({ lots }: LearnDocument): Result<LearnedDocument, LotProblem> {
  const observed = lots.map(({ id, day, ...lot }) => ({ id, lot: observedOf(lot, id, day) }));
  const problems = observed.flatMap(({ id, lot }): LotProblem[] =>
    lot.ok ? [] : [{ id, problems: lot.reasons }],
  );
  if (problems.length > 0) return fail(...problems);
  const { constants, riseErrorPercent } = learnHouse(
    observed.flatMap(({ lot }) => (lot.ok ? [lot.value] : [])),
  );
  return ok({
    constants: constants.map(({ by, ...rest }) => ({ ...rest, ...by })),
    riseErrorPercent,
  });
}

/** A lot's window, narrowed by what was seen of it in a house whose numbers are known so far. */
export function narrowDocument({
  constants = [],
  ...document
}: NarrowDocument): Result<NarrowedLot, DoughProblem> {
  const lot = observedOf(document, '', '1970-01-01');
  if (!lot.ok) return lot;
  return ok(
    narrowLot({ ...lot.value, route: inHouse(lot.value.route, constants.map(constantOf)) }),
  );
}

const CHECK_STEP_MIN = 60;

function observedOf(
  { dough, readings = [], marks = [], looks = [], opened }: ObservedLotDocument,
  id: string,
  day: string,
): Result<ObservedLot, DoughProblem> {
  const route = routeOfDocument(dough);
  if (!route.ok) return route;
  // What no kitchen could do is said, not left out.
  const way = simulate(route.value, { stepMin: CHECK_STEP_MIN, beyondH: 0 });
  if (!way.ok) return way;
  return ok({
    id,
    day,
    route: route.value,
    target: { ...STANDARD_TARGET, ...dough.target },
    readings,
    marks,
    looks,
    ...(opened && { opened }),
  });
}
