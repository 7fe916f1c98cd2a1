import type { AlarmAcknowledgement, ColdAlarm } from '@calm/contract';
import type { AlarmFound, LikelyCause } from '@calm/core';
import { and, desc, eq, gte, isNull, lt, or } from 'drizzle-orm';
import { v7 as uuid } from 'uuid';
import * as t from '../../database/schema';
import type { Scope } from '../../database/scope';

const alarmOf = (row: typeof t.coldAlarms.$inferSelect): ColdAlarm => ({
  id: row.id,
  probeId: row.probeId,
  kind: row.kind,
  fromAt: row.fromAt.toISOString(),
  untilAt: row.untilAt?.toISOString() ?? null,
  worstC: row.worstC,
  meanC: row.meanC,
  causes: row.causes,
  acknowledged:
    row.acknowledgedAt === null
      ? null
      : {
          at: row.acknowledgedAt.toISOString(),
          personId: row.acknowledgedById,
          cause: row.foundCause,
          note: row.note,
        },
  version: row.version,
});

/** Alarms that began since, go on, or are nobody's yet; newest first. */
export async function readAlarms({ tx, houseId }: Scope, since: Date): Promise<ColdAlarm[]> {
  const rows = await tx
    .select()
    .from(t.coldAlarms)
    .where(
      and(
        eq(t.coldAlarms.houseId, houseId),
        or(
          gte(t.coldAlarms.fromAt, since),
          isNull(t.coldAlarms.untilAt),
          isNull(t.coldAlarms.acknowledgedAt),
        ),
      ),
    )
    .orderBy(desc(t.coldAlarms.fromAt), desc(t.coldAlarms.id))
    .limit(100);
  return rows.map(alarmOf);
}

/** Alarms of a stretch of time, newest first. */
export async function readAlarmsBetween(
  { tx, houseId }: Scope,
  from: Date,
  to: Date,
): Promise<ColdAlarm[]> {
  const rows = await tx
    .select()
    .from(t.coldAlarms)
    .where(
      and(
        eq(t.coldAlarms.houseId, houseId),
        lt(t.coldAlarms.fromAt, to),
        or(gte(t.coldAlarms.fromAt, from), gte(t.coldAlarms.untilAt, from)),
      ),
    )
    .orderBy(desc(t.coldAlarms.fromAt), desc(t.coldAlarms.id));
  return rows.map(alarmOf);
}

export async function findAlarm({ tx, houseId }: Scope, id: string): Promise<ColdAlarm | null> {
  const [row] = await tx
    .select()
    .from(t.coldAlarms)
    .where(and(eq(t.coldAlarms.houseId, houseId), eq(t.coldAlarms.id, id)));
  return row ? alarmOf(row) : null;
}

const columnsOf = ({ kind, fromS, untilS, worstC, meanC }: AlarmFound) => ({
  kind,
  fromAt: new Date(fromS * 1000),
  untilAt: untilS === null ? null : new Date(untilS * 1000),
  worstC,
  meanC,
});

export async function insertAlarm(
  { tx, houseId }: Scope,
  probeId: string,
  alarm: AlarmFound,
  causes: readonly LikelyCause[],
): Promise<void> {
  await tx
    .insert(t.coldAlarms)
    .values({ id: uuid(), houseId, probeId, ...columnsOf(alarm), causes });
}

/** An alarm as the readings tell it now; what people have said of it stays. */
export async function writeAlarm(
  { tx, houseId }: Scope,
  { id, version }: ColdAlarm,
  alarm: AlarmFound,
): Promise<void> {
  await tx
    .update(t.coldAlarms)
    .set({ ...columnsOf(alarm), version: version + 1 })
    .where(and(eq(t.coldAlarms.houseId, houseId), eq(t.coldAlarms.id, id)));
}

export async function removeAlarm({ tx, houseId }: Scope, id: string): Promise<void> {
  await tx
    .delete(t.coldAlarms)
    .where(and(eq(t.coldAlarms.houseId, houseId), eq(t.coldAlarms.id, id)));
}

/** Somebody is on it; false when it has changed since it was read. */
export async function writeAcknowledgement(
  { tx, houseId }: Scope,
  id: string,
  { version, cause, note }: AlarmAcknowledgement,
  at: Date,
  personId: string | null,
): Promise<boolean> {
  const [result] = await tx
    .update(t.coldAlarms)
    .set({
      acknowledgedAt: at,
      acknowledgedById: personId,
      foundCause: cause,
      note,
      version: version + 1,
    })
    .where(
      and(
        eq(t.coldAlarms.houseId, houseId),
        eq(t.coldAlarms.id, id),
        eq(t.coldAlarms.version, version),
      ),
    );
  return result.affectedRows === 1;
}
