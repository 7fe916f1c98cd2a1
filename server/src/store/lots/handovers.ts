import type { Handover } from '@calm/contract';
import { and, desc, eq, isNull } from 'drizzle-orm';
import { instantOrNull } from '../../database/dates';
import * as t from '../../database/schema';
import type { Scope } from '../../database/scope';

/** Handovers that are read at once. */
const LATEST = 20;

const handoverOf = (row: typeof t.handovers.$inferSelect): Handover => ({
  id: row.id,
  at: row.at.toISOString(),
  receivedAt: row.receivedAt?.toISOString() ?? null,
  personId: row.personId,
  lines: row.lines,
  note: row.note,
  read: row.readAt ? { at: row.readAt.toISOString(), personId: row.readById } : null,
});

/** The latest handovers, newest first. */
export async function readHandovers({ tx, houseId }: Scope): Promise<Handover[]> {
  const rows = await tx
    .select()
    .from(t.handovers)
    .where(eq(t.handovers.houseId, houseId))
    .orderBy(desc(t.handovers.at), desc(t.handovers.id))
    .limit(LATEST);
  return rows.map(handoverOf);
}

/** One handover, or null. */
export async function findHandover({ tx, houseId }: Scope, id: string): Promise<Handover | null> {
  const [row] = await tx
    .select()
    .from(t.handovers)
    .where(and(eq(t.handovers.houseId, houseId), eq(t.handovers.id, id)));
  return row ? handoverOf(row) : null;
}

/** Adds a handover. */
export async function insertHandover(
  { tx, houseId }: Scope,
  { read: _none, at, receivedAt, ...handover }: Handover,
): Promise<void> {
  await tx.insert(t.handovers).values({
    houseId,
    at: new Date(at),
    receivedAt: instantOrNull(receivedAt),
    ...handover,
  });
}

/** Writes who has read a handover, unless somebody has already. */
export async function writeHandoverRead(
  { tx, houseId }: Scope,
  id: string,
  readAt: Date,
  readById: string | null,
): Promise<void> {
  await tx
    .update(t.handovers)
    .set({ readAt, readById })
    .where(
      and(eq(t.handovers.houseId, houseId), eq(t.handovers.id, id), isNull(t.handovers.readAt)),
    );
}

/** Deletes a handover of somebody's that nobody has read. False when there was none. */
export async function deleteUnreadHandover(
  { tx, houseId }: Scope,
  id: string,
  personId: string,
): Promise<boolean> {
  const { handovers } = t;
  const [{ affectedRows }] = await tx
    .delete(handovers)
    .where(
      and(
        eq(handovers.houseId, houseId),
        eq(handovers.id, id),
        eq(handovers.personId, personId),
        isNull(handovers.readAt),
      ),
    );
  return affectedRows === 1;
}
