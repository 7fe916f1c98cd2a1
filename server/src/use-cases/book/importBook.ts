import type { BookImport, FormulaRecord, RouteRecord } from '@calm/contract';
import { routeRepository } from '../../store/book/routes';
import type { Scope } from '../../database/scope';
import { ok, type Result } from '../result';
import { saveFormula, startFormula } from './saveFormula';
import { addRecord, changeRecord } from '../recordWrites';

/** What came of a file, in its order. */
export interface BookImportResult {
  readonly formulas: readonly FormulaRecord[];
  readonly routes: readonly RouteRecord[];
}

/**
 * Writes a file's formulas and routes into the book. The first that cannot be ends it, and the
 * transaction around it takes back the ones before.
 */
export async function importBook(
  scope: Scope,
  { note, formulas, routes }: BookImport,
  now: Date,
): Promise<Result<BookImportResult>> {
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
        ? await changeRecord(scope, routeRepository, one.id, one)
        : await addRecord(scope, routeRepository, one.content);
    if (result.kind !== 'done') return result;
    madeRoutes.push(result.value);
  }
  return ok({ formulas: madeFormulas, routes: madeRoutes });
}
