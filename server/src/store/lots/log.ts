import type { LogLine, LogQuery, LotRecord } from '@calm/contract';
import { currentRecords } from '@calm/domain';
import { and, desc, eq, exists, gte, inArray, like, lt, lte, or, sql, type SQL } from 'drizzle-orm';
import { findLotRow, readItems } from './lots';
import { readRecordsOf } from './records';
import * as t from '../../database/schema';
import type { Scope } from '../../database/scope';

/**
 * Some lots as the log lists them, newest service first; those that were taken back too.
 *
 * @param most lots at once; one more is never read than asked for
 */
export async function readLog(scope: Scope, query: LogQuery, most: number): Promise<LogLine[]> {
  const { tx, houseId } = scope;
  // First which lots, by the index alone; then what is shown of them.
  const found = await tx
    .select({ id: t.lots.id })
    .from(t.lots)
    .where(and(eq(t.lots.houseId, houseId), ...(await conditionsOf(scope, query))))
    .orderBy(desc(t.lots.serviceDate), desc(t.lots.id))
    .limit(most);
  const ids = found.map(({ id }) => id);
  if (ids.length === 0) return [];
  const mine = and(eq(t.lots.houseId, houseId), inArray(t.lots.id, ids));
  const [rows, items, offs, records] = await Promise.all([
    tx
      .select({
        id: t.lots.id,
        code: t.lots.code,
        serviceDate: t.lots.serviceDate,
        formulaId: t.lots.formulaId,
        activeKey: t.lots.activeKey,
        note: t.lots.note,
        wantedC: sql`json_value(${t.lots.recipe}, '$.doughTempC')`.mapWith(Number),
      })
      .from(t.lots)
      .where(mine),
    readItems(scope, ids),
    tx
      .select({ lotId: t.loads.lotId, outC: sql`avg(${t.loads.doughOutC})`.mapWith(Number) })
      .from(t.loads)
      .where(and(eq(t.loads.houseId, houseId), inArray(t.loads.lotId, ids)))
      .groupBy(t.loads.lotId),
    readRecordsOf(scope, ids, ['opened', 'baked', 'used']),
  ]);
  const rowOf = new Map(rows.map((row) => [row.id, row]));
  const outOf = new Map(offs.map(({ lotId, outC }) => [lotId, outC]));
  return ids.flatMap((id): LogLine[] => {
    const row = rowOf.get(id);
    if (!row) return [];
    const { code, serviceDate, formulaId, activeKey, note, wantedC } = row;
    const outC = outOf.get(id);
    return [
      {
        id,
        code,
        serviceDate,
        formulaId,
        items: (items.get(id) ?? []).map(({ name, count }) => ({ name, count })),
        isWithdrawn: activeKey === null,
        // Without a reading the average is null, which is no number and no zero either.
        offC: outC ? outC - wantedC : null,
        hasNote: note !== '',
        ...outcomeOf(records.filter(({ lotId }) => lotId === id)),
      },
    ];
  });
}

/** How a lot's balls turned out, by what stands last. */
function outcomeOf(records: readonly LotRecord[]): Pick<LogLine, 'opened' | 'baked' | 'left'> {
  const used = currentRecords(records, 'used');
  return {
    opened: currentRecords(records, 'opened').at(-1)?.content.found ?? null,
    baked: currentRecords(records, 'baked').at(-1)?.content.found ?? null,
    left: used.length === 0 ? null : used.reduce((sum, { content }) => sum + content.left, 0),
  };
}

async function conditionsOf(scope: Scope, query: LogQuery): Promise<(SQL | undefined)[]> {
  const { from, to, formulaId, text = '', found, after } = query;
  const { tx, houseId } = scope;
  const last = after === undefined ? null : await findLotRow(scope, after);
  const part = `%${text.replaceAll(/[\\%_]/g, '\\$&')}%`;
  return [
    from === undefined ? undefined : gte(t.lots.serviceDate, from),
    to === undefined ? undefined : lte(t.lots.serviceDate, to),
    formulaId === undefined ? undefined : eq(t.lots.formulaId, formulaId),
    text === '' ? undefined : or(like(t.lots.code, part), like(t.lots.note, part)),
    found === undefined
      ? undefined
      : exists(
          tx
            .select({ one: sql`1` })
            .from(t.lotRecords)
            .where(
              and(
                eq(t.lotRecords.houseId, houseId),
                eq(t.lotRecords.lotId, t.lots.id),
                eq(t.lotRecords.found, found),
              ),
            ),
        ),
    last === null
      ? undefined
      : or(
          lt(t.lots.serviceDate, last.serviceDate),
          and(eq(t.lots.serviceDate, last.serviceDate), lt(t.lots.id, last.id)),
        ),
  ];
}
