import type { BroughtIn, FormulaRecord, RouteRecord } from '@calm/contract';
import { routeShelf } from '../../store/book/routes';
import type { Scope } from '../../database/scope';
import { done, type Result } from '../result';
import { saveFormula, startFormula } from './saveFormula';
import { addRecord, changeRecord } from '../recordWrites';

/** What came of a file, in its order. */
export interface WasBroughtIn {
  readonly formulas: readonly FormulaRecord[];
  readonly routes: readonly RouteRecord[];
}

/**
 * Writes a file's formulas and routes into the book. The first that cannot be ends it, and the
 * transaction around it takes back the ones before.
 */
export async function bringIn(
  scope: Scope,
  { note, formulas, routes }: BroughtIn,
  now: Date,
): Promise<Result<WasBroughtIn>> {
  const madeFormulas: FormulaRecord[] = [];
  const madeRoutes: RouteRecord[] = [];
  for (const one of formulas) {
    const result =
      'slug' in one
        ? await saveFormula(scope, one.slug, { note, ...one }, now)
        : await startFormula(scope, { note, ...one }, now);
    if (result.kind !== 'done') return result;
    madeFormulas.push(result.value);
  }
  for (const one of routes) {
    const result =
      'id' in one
        ? await changeRecord(scope, routeShelf, one.id, one)
        : await addRecord(scope, routeShelf, one.content);
    if (result.kind !== 'done') return result;
    madeRoutes.push(result.value);
  }
  return done({ formulas: madeFormulas, routes: madeRoutes });
}
