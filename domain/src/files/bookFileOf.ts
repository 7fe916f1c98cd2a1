import { type HouseBook, BOOK_FILE_FORMAT, BOOK_FILE_VERSION, type BookFile } from '@calm/contract';

/** A house's formulas and routes as a file. */
export function bookFileOf({ formulas, routes }: HouseBook): BookFile {
  return {
    format: BOOK_FILE_FORMAT,
    version: BOOK_FILE_VERSION,
    formulas: formulas.map(({ name, code, doughTempC, formula, method }) => ({
      name,
      code,
      doughTempC,
      formula,
      method,
    })),
    routes: routes.map(({ name, stages }) => ({ name, stages })),
  };
}
