import { ok, fail } from '@calm/core';
import type { LogLine, LogPage, LogQuery, LotLog } from '@calm/contract';
import { writeCsv } from '@calm/domain/files';
import { readLog } from '../../store/lots/log';
import { findLotRow, findNewestLotRow, withParts } from '../../store/lots/lots';
import { readLotRecords } from '../../store/lots/records';
import type { Scope } from '../../database/scope';
import { type Result } from '../result';

const PAGE = 50;
/** Lots that a table's parts hold. */
const BATCH = 500;

/** A page of the log. */
export async function logPage(scope: Scope, query: LogQuery): Promise<LogPage> {
  const lots = await readLog(scope, query, PAGE + 1);
  const shown = lots.slice(0, PAGE);
  return { lots: shown, after: lots.length > PAGE ? (shown.at(-1)?.id ?? null) : null };
}

/** Everything on record of a lot, taken back or not; a code, as on its label, names the newest lot that has it. */
export async function lotLog(scope: Scope, lotOrCode: string): Promise<Result<LotLog>> {
  const row = (await findLotRow(scope, lotOrCode)) ?? (await findNewestLotRow(scope, lotOrCode));
  if (!row) return fail({ kind: 'not-found', what: 'lot' });
  const [[lot], records] = await Promise.all([
    withParts(scope, [row]),
    readLotRecords(scope, row.id),
  ]);
  if (!lot) return fail({ kind: 'not-found', what: 'lot' });
  return ok({ lot, isWithdrawn: row.activeKey === null, planned: row.planned, records });
}

/** Reads something of the house; each time by itself, so that a long table holds no connection while it goes out. */
export type ReadInHouse = <T>(work: (scope: Scope) => Promise<T>) => Promise<T>;

const COLUMNS = ['date', 'lot', 'made', 'off by °C', 'opened', 'baked', 'left', 'taken back'];

/** All lots that are looked for, as the parts of a table, however many they are. */
export async function* logCsv(read: ReadInHouse, query: LogQuery): AsyncGenerator<string> {
  let { after } = query;
  for (let isFirst = true; ; isFirst = false) {
    const from = after === undefined ? query : { ...query, after };
    const rows = await read((scope) => readLog(scope, from, BATCH));
    const table = writeCsv(rows.map(rowOf), COLUMNS, isFirst ? 'whole' : 'continued');
    if (isFirst) yield table;
    else if (rows.length > 0) yield `\r\n${table}`;
    if (rows.length < BATCH) return;
    after = rows.at(-1)?.id;
  }
}

const rowOf = (line: LogLine) => ({
  date: line.serviceDate,
  lot: line.code,
  made: line.items.map(({ name, count }) => `${count} ${name}`).join('; '),
  'off by °C': line.offC === null ? '' : line.offC.toFixed(1),
  opened: line.opened ?? '',
  baked: line.baked ?? '',
  left: line.left ?? '',
  'taken back': line.isWithdrawn ? 'yes' : '',
});
