import Papa from 'papaparse';

/** Text that a spreadsheet would run: it begins like a formula and is no number. */
const FORMULA = /^(?![+-]?\d+([.,]\d+)?$)[=+\-@\t\r]/;

type Cell = string | number | boolean | null;
type Row = Readonly<Partial<Record<string, Cell>>>;

/**
 * A table as CSV (RFC 4180), as a spreadsheet may open it unharmed: text that would run as a formula is marked as
 * text, numbers stay numbers.
 *
 * @param fields the columns in order; those of the first row when absent
 * @param part `continued` leaves out the names of the columns: these rows go on below others
 * @example writeCsv([{ what: '=1+1', c: '-18.0' }]) // what,c\r\n'=1+1,-18.0
 */
export function writeCsv(
  rows: readonly Row[],
  fields?: readonly string[],
  part: 'whole' | 'continued' = 'whole',
): string {
  const data = [...rows];
  return Papa.unparse(fields ? { fields: [...fields], data } : data, {
    newline: '\r\n',
    header: part === 'whole',
    escapeFormulae: FORMULA,
  });
}
