import type { FormulaContent, FormulaRecord, RouteContent, RouteRecord } from './formula';

/** Formulas and routes brought in together: all of them, or none. */
export interface BookImport {
  readonly note: string;
  readonly formulas: readonly (
    | { readonly slug: string; readonly version: number; readonly content: FormulaContent }
    | { readonly code: string; readonly content: FormulaContent }
  )[];
  readonly routes: readonly (
    | { readonly id: string; readonly version: number; readonly content: RouteContent }
    | { readonly content: RouteContent }
  )[];
}

/** What an import wrote, in the file's order. */
export interface BookImportAnswer {
  readonly formulas: readonly FormulaRecord[];
  readonly routes: readonly RouteRecord[];
}
