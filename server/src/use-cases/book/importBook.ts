import { ok } from '@calm/core';
import type { BookImport, BookImportAnswer, FormulaRecord, RouteRecord } from '@calm/contract';
import { routeRepository } from '../../store/book/routes';
import type { Scope } from '../../database/scope';
import { type Result } from '../result';
import { saveFormula, startFormula } from './saveFormula';
import { addRecord, changeRecord } from '../recordWrites';

/**
 * Writes a file's formulas and routes into the book. The first that cannot be ends it, and the
 * transaction around it takes back the ones before.
 */
export async function importBook(
  scope: Scope,
  { note, formulas, routes }: BookImport,
  now: Date,
): Promise<Result<BookImportAnswer>> {
  const madeFormulas: FormulaRecord[] = [];
  const madeRoutes: RouteRecord[] = [];
  for (const one of formulas) {
    const result =
      'slug' in one
        ? await saveFormula(scope, one.slug, { note, ...one }, now)
        : await startFormula(scope, { note, ...one }, now);
    if (!result.ok) return result;
    madeFormulas.push(result.value);
  }
  for (const one of routes) {
    const result =
      'id' in one
        ? await changeRecord(scope, routeRepository, one.id, one)
        : await addRecord(scope, routeRepository, one.content);
    if (!result.ok) return result;
    madeRoutes.push(result.value);
  }
  return ok({ formulas: madeFormulas, routes: madeRoutes });
}
