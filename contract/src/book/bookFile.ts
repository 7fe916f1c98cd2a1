import type { Formula, PerLitreFormula, Route } from '@calm/core';
import type { Method } from './formula';

/** What every file of formulas starts with. */
export const BOOK_FILE_FORMAT = 'calm-tray-formulas';

export const BOOK_FILE_VERSION = 1;

/** A formula in a file. */
export interface FileFormula {
  readonly name: string;
  /** Two to four capital letters; the same code is the same formula. */
  readonly code: string;
  readonly doughTempC: number;
  readonly formula: Formula;
  readonly method?: Method;
}

/** A route in a file. */
export interface FileRoute {
  readonly name: string;
  readonly stages: Route;
}

/** A whole file: formulas and routes, moved between houses. */
export interface BookFile {
  readonly format: typeof BOOK_FILE_FORMAT;
  readonly version: typeof BOOK_FILE_VERSION;
  readonly formulas: readonly FileFormula[];
  readonly routes?: readonly FileRoute[];
}

/** As it may be written: a formula may also be counted per litre of water. */
export type WrittenFormula = Omit<FileFormula, 'formula'> &
  ({ readonly formula: Formula } | { readonly perLitre: PerLitreFormula });
