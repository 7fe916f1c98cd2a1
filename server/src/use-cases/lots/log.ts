import { ok, fail } from '@calm/core';
import type { LogPage, LogQuery, LotLog } from '@calm/contract';
import { writeCsv } from '@calm/domain/files';
import { readLog } from '../../store/lots/log';
import { findLotRow, findNewestLotRow, withParts } from '../../store/lots/lots';
import { readLotRecords } from '../../store/lots/records';
import type { Scope } from '../../database/scope';
import { type Result } from '../result';

const PAGE = 50;
/** Most lots that one table holds: some years of a busy house. */
const MOST_LOTS = 20_000;
const BATCH = 1000;

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

/** All lots that are looked for, as a table. */
export async function logCsv(scope: Scope, query: LogQuery): Promise<string> {
  const lines = [];
  let { after } = query;
  for (;;) {
    const batch = await readLog(scope, { ...query, ...(after !== undefined && { after }) }, BATCH);
    lines.push(...batch);
    after = batch.at(-1)?.id;
    if (batch.length < BATCH || lines.length >= MOST_LOTS) break;
  }
  const rows = lines.map((line) => ({
    date: line.serviceDate,
    lot: line.code,
    made: line.items.map(({ name, count }) => `${count} ${name}`).join('; '),
    'off by °C': line.offC === null ? '' : line.offC.toFixed(1),
    opened: line.opened ?? '',
    baked: line.baked ?? '',
    left: line.left ?? '',
    'taken back': line.isWithdrawn ? 'yes' : '',
  }));
  const fields = ['date', 'lot', 'made', 'off by °C', 'opened', 'baked', 'left', 'taken back'];
  return writeCsv(rows, fields);
}
