import type { DiagnoseDocument, FaultyLotDocument, DoughProblem } from '@calm/contract';
import {
  diagnose,
  ok,
  STANDARD_TARGET,
  type DiagnosedLot,
  type Diagnosis,
  type Result,
  type SignEvidence,
} from '@calm/core';
import { routeOfDocument } from '../formulas/simulateDough';

/** What may have been behind some faults, by a lot's record and the last good lots of its dough. */
export function diagnoseDocument({
  faults,
  lot,
  lastGood = [],
}: DiagnoseDocument): Result<Diagnosis, DoughProblem> {
  const here = lot ? lotOf(lot) : ok(null);
  if (!here.ok) return here;
  // A good lot that no kitchen can have had tells nothing.
  const good = lastGood.flatMap((each) => {
    const known = lotOf(each);
    return known.ok ? [known.value] : [];
  });
  return ok(diagnose(faults, here.value, good));
}

const INGREDIENTS = ['yeast', 'salt', 'water'] as const;

function lotOf({
  dough,
  weighed = [],
  cover,
  ...rest
}: FaultyLotDocument): Result<DiagnosedLot, DoughProblem> {
  const route = routeOfDocument(dough);
  if (!route.ok) return route;
  return ok({
    ...rest,
    route: route.value,
    target: { ...STANDARD_TARGET, ...dough.target },
    weighed: weighed.flatMap(({ ingredient, ...amounts }) => {
      const known = INGREDIENTS.find((each) => each === ingredient);
      return known ? [{ ingredient: known, ...amounts }] : [];
    }),
    ...(cover && { isCovered: cover === 'closed' }),
  });
}

/** Signs that are so or are not. */
const YES_OR_NO: ReadonlySet<SignEvidence['sign']> = new Set([
  'flour-name',
  'stretch',
  'cover',
  'skin',
  'seam',
  'wet-spots',
  'proof-test',
  'smell',
]);

/** How a sign stands: so, not so, or against what is usual. */
export function stateOf({
  sign,
  value,
  off,
}: SignEvidence): 'yes' | 'no' | 'low' | 'usual' | 'high' {
  if (YES_OR_NO.has(sign)) return value > 0.5 ? 'yes' : 'no';
  if (Math.abs(off) < 1.5) return 'usual';
  return off > 0 ? 'high' : 'low';
}
