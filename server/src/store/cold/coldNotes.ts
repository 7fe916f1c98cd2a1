import type { ColdNote } from '@calm/contract';
import { and, between, desc, eq } from 'drizzle-orm';
import { instantOrNull } from '../../database/dates';
import * as t from '../../database/schema';
import type { Scope } from '../../database/scope';
import { isDuplicate } from '../../database/transaction';

/** What people wrote down of the cold between two moments, newest first. */
export async function readColdNotes(
  { tx, houseId }: Scope,
  from: Date,
  to: Date,
): Promise<ColdNote[]> {
  const rows = await tx
    .select()
    .from(t.coldNotes)
    .where(and(eq(t.coldNotes.houseId, houseId), between(t.coldNotes.at, from, to)))
    .orderBy(desc(t.coldNotes.at), desc(t.coldNotes.id));
  return rows.map(({ houseId: _, at, receivedAt, ...note }) => ({
    ...note,
    at: at.toISOString(),
    receivedAt: receivedAt?.toISOString() ?? null,
  }));
}

/** Adds a note; false when there is one of its name. */
export async function insertColdNote({ tx, houseId }: Scope, note: ColdNote): Promise<boolean> {
  try {
    await tx.insert(t.coldNotes).values({
      ...note,
      houseId,
      at: new Date(note.at),
      receivedAt: instantOrNull(note.receivedAt),
    });
    return true;
  } catch (error) {
    if (isDuplicate(error)) return false;
    throw error;
  }
}
