import type { PracticeResult } from '@calm/contract';
import { and, desc, eq } from 'drizzle-orm';
import { instantOrNull } from '../../database/dates';
import * as t from '../../database/schema';
import type { Scope } from '../../database/scope';
import { isDuplicate } from '../../database/transaction';

/** Results that are read at once: a year of a crew's. */
const LATEST = 2000;

const resultOf = (row: typeof t.practiceResults.$inferSelect): PracticeResult => ({
  id: row.id,
  personId: row.personId,
  at: row.at.toISOString(),
  receivedAt: row.receivedAt?.toISOString() ?? null,
  content: row.content,
});

/** What was practised last, newest first. @param personId whose; everybody's when null */
export async function readPractice(
  { tx, houseId }: Scope,
  personId: string | null,
): Promise<PracticeResult[]> {
  const { practiceResults } = t;
  const isTheirs = personId === null ? undefined : eq(practiceResults.personId, personId);
  const rows = await tx
    .select()
    .from(practiceResults)
    .where(and(eq(practiceResults.houseId, houseId), isTheirs))
    .orderBy(desc(practiceResults.at), desc(practiceResults.id))
    .limit(LATEST);
  return rows.map(resultOf);
}

/** Adds a result; one that is there already stays as it is. */
export async function insertPractice(
  { tx, houseId }: Scope,
  { at, receivedAt, ...result }: PracticeResult,
): Promise<void> {
  try {
    await tx.insert(t.practiceResults).values({
      houseId,
      at: new Date(at),
      receivedAt: instantOrNull(receivedAt),
      ...result,
    });
  } catch (error) {
    if (!isDuplicate(error)) throw error;
  }
}
