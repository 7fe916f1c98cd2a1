import { bookFileSchema, check } from '@calm/contract/schemas';
import { BOOK_FILE_FORMAT, BOOK_FILE_VERSION, type BookFile } from '@calm/contract';
import { AHEAD_KINDS, CSV_PARTS, NOT_WOKEN, parseCsv, WOKEN } from './bookCsv';
import type { FileProblem, ReadFile } from './readBookFile';

type Cells = Readonly<Record<string, string>>;
type Raw = Record<string, unknown>;

/**
 * Reads a book's table. Comma or semicolon between cells, point or comma in numbers. A bad table is
 * refused whole: every problem with the line it stands in.
 */
export function readBookCsv(text: string): ReadFile<BookFile> {
  const { rows, unknown } = parseCsv(text);
  if (rows.length === 0 || unknown.length > 0) {
    const message = unknown.length
      ? `There are columns here that a book does not have: ${unknown.join(', ')}.`
      : 'The table has no rows.';
    return { ok: false, problems: [{ path: '', code: 'csv.columns', message, line: 1 }] };
  }
  const reader = new BookReader();
  for (const { line, cells } of rows) reader.read(cells, line);
  if (reader.problems.length > 0) return { ok: false, problems: reader.problems };
  const checked = check(bookFileSchema, reader.file());
  if (checked.ok) return { ok: true, value: checked.value };
  const problems = checked.errors.map((error): FileProblem => ({
    ...error,
    line: reader.lineOf(error.path),
  }));
  return { ok: false, problems: problems.sort((a, b) => a.line - b.line) };
}

/** Builds a file row by row and remembers which line each part of it came from. */
class BookReader {
  readonly problems: FileProblem[] = [];
  private readonly formulas: Raw[] = [];
  private readonly routes: { name: string; stages: Raw[] }[] = [];
  private readonly lines = new Map<string, number>();

  read(cells: Cells, line: number): void {
    const part = cells['part'] ?? '';
    if (part === 'route') return this.readStage(cells, line);
    if (!(CSV_PARTS as readonly string[]).includes(part)) {
      return this.refuse(line, `A row's part is one of ${CSV_PARTS.join(', ')}, not "${part}".`);
    }
    const { raw, path } = this.formulaOf(cells, line);
    if (part === 'dough' && cells['kind'] === 'temperature') {
      raw['doughTempC'] = number(cells['value']);
      this.lines.set(`${path}/doughTempC`, line);
    } else if (part === 'dough') {
      this.readPlain(child(raw, 'formula'), `${path}/formula`, cells, line);
    } else if (part === 'pre-ferment') this.readPreferment(raw, path, cells, line);
    else if (part === 'old dough') this.readOldDough(raw, path, cells, line);
    else this.readMethod(raw, path, cells, line);
  }

  file(): object {
    return {
      format: BOOK_FILE_FORMAT,
      version: BOOK_FILE_VERSION,
      formulas: this.formulas,
      ...(this.routes.length > 0 && { routes: this.routes }),
    };
  }

  /** The line of the nearest thing around a path. */
  lineOf(path: string): number {
    for (let keys = path.split('/'); keys.length > 0; keys = keys.slice(0, -1)) {
      const line = this.lines.get(keys.join('/'));
      if (line !== undefined) return line;
    }
    return 1;
  }

  private refuse(line: number, message: string): void {
    this.problems.push({ path: '', code: 'csv.row', message, line });
  }

  private formulaOf({ code = '', name = '' }: Cells, line: number): { raw: Raw; path: string } {
    let index = this.formulas.findIndex((raw) => raw['code'] === code && raw['name'] === name);
    if (index < 0) {
      index = this.formulas.push({ code, name }) - 1;
      this.lines.set(`formulas/${index}`, line);
    }
    return { raw: this.formulas[index] as Raw, path: `formulas/${index}` };
  }

  private readPlain(formula: Raw, path: string, cells: Cells, line: number): void {
    const { kind = '', ingredient, value, form } = cells;
    const amount = number(value);
    const single = SINGLES[kind];
    if (single) {
      formula[single] = amount;
      this.lines.set(`${path}/${single}`, line);
    } else if (kind === 'yeast') {
      const isSaid = ingredient === WOKEN || ingredient === NOT_WOKEN;
      const woken = isSaid && { isPreWetted: ingredient === WOKEN };
      formula['yeast'] = { form, percent: amount, ...woken };
      this.lines.set(`${path}/yeast`, line);
    } else if (kind === 'flour') {
      const flour = numbers(cells, ['strengthW', 'proteinPercent', 'branPercent']);
      this.add(formula, 'flours', path, { name: ingredient, percent: amount, ...flour }, line);
    } else if (kind === 'addition') {
      const composition = numbers(cells, COMPOSITION);
      const has = Object.keys(composition).length > 0;
      const addition = { name: ingredient, percent: amount, ...(has && { composition }) };
      this.add(formula, 'additions', path, addition, line);
    } else this.refuse(line, `A dough has no "${kind}".`);
  }

  private readPreferment(raw: Raw, path: string, cells: Cells, line: number): void {
    const formula = child(raw, 'formula');
    const preferment = child(formula, 'preferment');
    const own = `${path}/formula/preferment`;
    if (cells['kind'] === 'share') {
      preferment['name'] = cells['ingredient'];
      preferment['flourSharePercent'] = number(cells['value']);
      this.lines.set(own, line);
    } else this.readPlain(preferment, own, cells, line);
  }

  private readOldDough(raw: Raw, path: string, cells: Cells, line: number): void {
    const oldDough = child(child(raw, 'formula'), 'oldDough');
    const own = `${path}/formula/oldDough`;
    if (cells['kind'] === 'share') {
      oldDough['name'] = cells['ingredient'];
      oldDough['percent'] = number(cells['value']);
      this.lines.set(own, line);
    } else this.readPlain(child(oldDough, 'formula'), `${own}/formula`, cells, line);
  }

  private readMethod(raw: Raw, path: string, cells: Cells, line: number): void {
    const method = child(raw, 'method');
    const own = `${path}/method`;
    if (cells['kind'] === 'name') {
      method['name'] = cells['ingredient'];
      method['why'] = cells['text'] ?? '';
      this.lines.set(own, line);
      return;
    }
    const [stepAhead, addsAhead] = AHEAD_KINDS;
    const isAhead = cells['kind'] === stepAhead || cells['kind'] === addsAhead;
    const list = isAhead ? 'ahead' : 'steps';
    if (cells['kind'] === 'adds' || cells['kind'] === addsAhead) {
      const steps = (method[list] ?? []) as Raw[];
      const at = steps.findIndex(({ key }) => key === cells['key']);
      const step = steps[at];
      if (!step) return this.refuse(line, `No step "${cells['key'] ?? ''}" stands above.`);
      const { form, ingredient, value } = cells;
      const addition = {
        kind: form,
        ...(ingredient && { name: ingredient }),
        percent: number(value),
      };
      this.add(step, 'adds', `${own}/${list}/${at}`, addition, line);
      return;
    }
    const step = {
      key: cells['key'],
      title: cells['ingredient'],
      detail: cells['text'] ?? '',
      ...strings(cells, ['lookFor', 'speed', 'caution']),
      ...numbers(cells, ['minutes']),
      ...(cells['least'] && { leastMinutes: number(cells['least']) }),
    };
    this.add(method, list, own, step, line);
  }

  private readStage(cells: Cells, line: number): void {
    const { name = '', kind, key, ingredient, value } = cells;
    let index = this.routes.findIndex((route) => route.name === name);
    if (index < 0) {
      index = this.routes.push({ name, stages: [] }) - 1;
      this.lines.set(`routes/${index}`, line);
    }
    const common = { kind, key };
    const stage =
      kind === 'work'
        ? {
            ...common,
            ...strings(cells, ['skill']),
            ...numbers(cells, ['people']),
            rate: numbers(cells, ['fixedMin', 'perLoadMin', 'perHundredBallsMin']),
          }
        : {
            ...common,
            place: ingredient,
            airTempC: number(value),
            hours: numbers(cells, ['least', 'preferred', 'most']),
            ...strings(cells, ['container', 'shaping', 'cover', 'under']),
            ...numbers(cells, ['untilRise']),
          };
    const stages = this.routes[index]?.stages ?? [];
    this.lines.set(`routes/${index}/stages/${stages.push(stage) - 1}`, line);
  }

  private add(to: Raw, list: string, path: string, value: Raw, line: number): void {
    const values = (to[list] ??= []) as Raw[];
    this.lines.set(`${path}/${list}/${values.push(value) - 1}`, line);
  }
}

const SINGLES: Readonly<Record<string, string>> = {
  water: 'waterPercent',
  salt: 'saltPercent',
  sugar: 'sugarPercent',
  oil: 'oilPercent',
};
const COMPOSITION = ['waterPercent', 'saltPercent', 'fatPercent', 'sugarPercent'] as const;

function child(of: Raw, key: string): Raw {
  return (of[key] ??= {}) as Raw;
}

/** A number with a point or a comma; what is none stays as it is, for the schema to name. */
function number(text: string | undefined): number | string | undefined {
  if (text === undefined) return undefined;
  const value = Number(text.replace(',', '.'));
  return text.trim() === '' || Number.isNaN(value) ? text : value;
}

const numbers = (cells: Cells, columns: readonly string[]): Raw =>
  Object.fromEntries(
    columns.filter((column) => cells[column]).map((column) => [column, number(cells[column])]),
  );

const strings = (cells: Cells, columns: readonly string[]): Raw =>
  Object.fromEntries(
    columns.filter((column) => cells[column]).map((column) => [column, cells[column]]),
  );
