import { and, eq, sql } from 'drizzle-orm';
import type { Database } from '../database/database';
import * as t from '../database/schema';
import type { Scope } from '../database/scope';
import { inTransaction } from '../database/transaction';

/**
 * Waits for a house's turn at some work, and has it until the transaction ends. What is read after it is what the
 * one before has left; on another node of a cluster the two meet in this row, and one is tried again.
 */
export async function takeTurn({ tx, houseId }: Scope, what: 'cold'): Promise<void> {
  await tx
    .insert(t.turns)
    .values({ houseId, what, taken: 1 })
    .onDuplicateKeyUpdate({ set: { taken: sql`${t.turns.taken} + 1` } });
}

/**
 * Takes a job of the server for a while, or keeps it, by the database's own clock.
 *
 * @param holder who asks: one for each process
 * @param seconds after so long somebody else may have it
 * @returns whether it is the holder's
 */
export const holdLease = (
  db: Database,
  job: string,
  holder: string,
  seconds: number,
): Promise<boolean> =>
  inTransaction(db, async (tx) => {
    const until = sql`date_add(utc_timestamp(3), interval ${seconds} second)`;
    const isFree = sql`${t.leases.until} < utc_timestamp(3) or ${t.leases.holder} = ${holder}`;
    await tx
      .insert(t.leases)
      .values({ job, holder, until: until as never })
      .onDuplicateKeyUpdate({
        set: {
          // Columns are set in their order: whose it is first, then until when.
          holder: sql`if(${isFree}, ${holder}, ${t.leases.holder})`,
          until: sql`if(${t.leases.holder} = ${holder}, ${until}, ${t.leases.until})`,
        },
      });
    const [row] = await tx.select().from(t.leases).where(eq(t.leases.job, job));
    return row?.holder === holder;
  });

/** Gives a job back that is the holder's: whoever asks next has it, without waiting. */
export async function endLease(db: Database, job: string, holder: string): Promise<void> {
  await db.delete(t.leases).where(and(eq(t.leases.job, job), eq(t.leases.holder, holder)));
}
