import type { Addition, Flour, PlainFormula, RestStage, WorkStage, YeastDose } from '@calm/core';
import Papa from 'papaparse';
import { writeCsv } from './writeCsv';
import type { Method, MethodStep, BookFile, FileFormula, FileRoute } from '@calm/contract';

/** Columns of a book as a table; a row fills those that its part and kind have. */
export const CSV_COLUMNS = [
  'code',
  'name',
  'part',
  'kind',
  'ingredient',
  'value',
  'form',
  'strengthW',
  'proteinPercent',
  'branPercent',
  'waterPercent',
  'saltPercent',
  'fatPercent',
  'sugarPercent',
  'key',
  'text',
  'lookFor',
  'minutes',
  'speed',
  'caution',
  'skill',
  'people',
  'fixedMin',
  'perLoadMin',
  'perHundredBallsMin',
  'container',
  'least',
  'preferred',
  'most',
  'shaping',
  'cover',
  'under',
  'untilRise',
] as const;

/** One row of a book's table. */
export type CsvRow = Partial<Record<(typeof CSV_COLUMNS)[number], string | number>>;

/** What a row is about. */
export const CSV_PARTS = ['dough', 'pre-ferment', 'old dough', 'method', 'route'] as const;

/**
 * A file of formulas and routes as CSV: one row an ingredient, a step or a stage. Numbers are written
 * in full, so that reading them back loses nothing.
 */
export function writeBookCsv({ formulas, routes = [] }: BookFile): string {
  const rows = [...formulas.flatMap(formulaRows), ...routes.flatMap(routeRows)];
  return writeCsv(rows, CSV_COLUMNS);
}

function formulaRows({ code, name, doughTempC, formula, method }: FileFormula): CsvRow[] {
  const { preferment, oldDough } = formula;
  const own = (part: (typeof CSV_PARTS)[number]) => (row: CsvRow) => ({ code, name, part, ...row });
  return [
    ...[{ kind: 'temperature', value: doughTempC }, ...plainRows(formula)].map(own('dough')),
    ...(preferment
      ? [
          { kind: 'share', ingredient: preferment.name, value: preferment.flourSharePercent },
          { kind: 'water', value: preferment.waterPercent },
          ...optional('salt', preferment.saltPercent),
          yeastRow(preferment.yeast),
        ].map(own('pre-ferment'))
      : []),
    ...(oldDough
      ? [
          { kind: 'share', ingredient: oldDough.name, value: oldDough.percent },
          ...plainRows(oldDough.formula),
        ].map(own('old dough'))
      : []),
    ...(method ? methodRows(method).map(own('method')) : []),
  ];
}

function plainRows(formula: PlainFormula): CsvRow[] {
  return [
    ...formula.flours.map(flourRow),
    { kind: 'water', value: formula.waterPercent },
    { kind: 'salt', value: formula.saltPercent },
    ...optional('sugar', formula.sugarPercent),
    ...optional('oil', formula.oilPercent),
    ...(formula.additions ?? []).map(additionRow),
    yeastRow(formula.yeast),
  ];
}

/** Dry yeast that is woken in water first says so where other rows name an ingredient. */
export const WOKEN = 'woken';
export const NOT_WOKEN = 'not woken';

const yeastRow = ({ form, percent, isPreWetted }: YeastDose): CsvRow => ({
  kind: 'yeast',
  form,
  value: percent,
  ...(isPreWetted !== undefined && { ingredient: isPreWetted ? WOKEN : NOT_WOKEN }),
});

const optional = (kind: string, value: number | undefined): CsvRow[] =>
  value === undefined ? [] : [{ kind, value }];

const flourRow = ({ name, percent, ...strength }: Flour): CsvRow => ({
  kind: 'flour',
  ingredient: name,
  value: percent,
  ...strength,
});

const additionRow = ({ name, percent, composition }: Addition): CsvRow => ({
  kind: 'addition',
  ingredient: name,
  value: percent,
  ...composition,
});

const methodRows = ({ name, why, steps, ahead = [] }: Method): CsvRow[] => [
  { kind: 'name', ingredient: name, text: why },
  ...stepRows(steps, 'step', 'adds'),
  ...stepRows(ahead, ...AHEAD_KINDS),
];

/** What is done ahead, and what goes in at it. */
export const AHEAD_KINDS = ['step ahead', 'adds ahead'] as const;

const stepRows = (steps: readonly MethodStep[], kind: string, addsKind: string): CsvRow[] =>
  steps.flatMap(({ title, detail, adds = [], leastMinutes, ...step }: MethodStep): CsvRow[] => [
    {
      kind,
      ingredient: title,
      text: detail,
      ...step,
      ...(leastMinutes !== undefined && { least: leastMinutes }),
    },
    ...adds.map(({ kind: form, name, percent }): CsvRow => ({
      kind: addsKind,
      key: step.key,
      form,
      value: percent,
      ...(name !== undefined && { ingredient: name }),
    })),
  ]);

function routeRows({ name, stages }: FileRoute): CsvRow[] {
  return stages.map((stage) => ({
    name,
    part: 'route',
    ...(stage.kind === 'work' ? workRow(stage) : restRow(stage)),
  }));
}

const workRow = ({ rate, ...work }: WorkStage): CsvRow => ({ ...work, ...rate });

const restRow = ({ place, airTempC, hours, ...rest }: RestStage): CsvRow => ({
  ...rest,
  ...hours,
  ingredient: place,
  value: airTempC,
});

/** The rows of a table, with the line each stands in; and what is wrong with the table itself. */
export function parseCsv(text: string): {
  readonly rows: readonly {
    readonly line: number;
    readonly cells: Readonly<Record<string, string>>;
  }[];
  readonly unknown: readonly string[];
} {
  const { data, meta } = Papa.parse<Record<string, string>>(text.replace(/^\ufeff/, ''), {
    header: true,
    skipEmptyLines: false,
  });
  const known: readonly string[] = CSV_COLUMNS;
  const rows = data
    .map((cells, i) => ({ line: i + 2, cells: clean(cells) }))
    .filter(({ cells }) => Object.keys(cells).length > 0);
  return { rows, unknown: (meta.fields ?? []).filter((field) => !known.includes(field)) };
}

/** Cells that hold something, without the mark that keeps a spreadsheet from computing them. */
function clean(cells: Record<string, string>): Record<string, string> {
  return Object.fromEntries(
    Object.entries(cells)
      .filter(([, value]) => typeof value === 'string' && value !== '')
      .map(([column, value]) => [column, value.replace(/^'(?=[=+\-@\t\r])/, '')]),
  );
}
