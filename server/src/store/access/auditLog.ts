import type { AuditEntry } from '@calm/contract';
import { and, asc, desc, eq, gt, lt, ne } from 'drizzle-orm';
import type { Queries } from '../../database/database';
import * as t from '../../database/schema';
import type { Scope } from '../../database/scope';

/** Lines of who did what that are read at once. */
const PAGE = 100;
const LONGEST_PATH = 300;

/** Writes one line of who did what. */
export async function appendAudit(
  { tx, houseId }: Scope,
  entry: Omit<typeof t.audit.$inferInsert, 'id' | 'houseId'>,
): Promise<void> {
  await tx.insert(t.audit).values({ houseId, ...entry, path: entry.path.slice(0, LONGEST_PATH) });
}

/** The latest lines of who did what, newest first; `before` reads on from a line. */
export async function readAudit({ tx, houseId }: Scope, before?: number): Promise<AuditEntry[]> {
  const rows = await tx
    .select()
    .from(t.audit)
    .where(
      and(eq(t.audit.houseId, houseId), before === undefined ? undefined : lt(t.audit.id, before)),
    )
    .orderBy(desc(t.audit.id))
    .limit(PAGE);
  return rows.map(({ houseId: _, at, ...entry }) => ({ ...entry, at: at.toISOString() }));
}

/** A write, and in which house. */
export interface HouseAuditEntry {
  readonly id: number;
  readonly houseId: string;
  readonly path: string;
}

/** Most writes that are told at once. */
const MOST_TOLD = 2000;
const told = { id: t.audit.id, houseId: t.audit.houseId, path: t.audit.path };

/** What was written after a line, in every house, oldest first. */
export function readAuditAfter(tx: Queries, after: number): Promise<HouseAuditEntry[]> {
  return tx
    .select(told)
    .from(t.audit)
    .where(gt(t.audit.id, after))
    .orderBy(asc(t.audit.id))
    .limit(MOST_TOLD);
}

/** What was written after a line in one house, oldest first. */
export function readAuditOf({ tx, houseId }: Scope, after: number): Promise<HouseAuditEntry[]> {
  return tx
    .select(told)
    .from(t.audit)
    .where(and(eq(t.audit.houseId, houseId), gt(t.audit.id, after)))
    .orderBy(asc(t.audit.id))
    .limit(MOST_TOLD);
}

/** Writes that are looked at: one that was numbered earlier may be there later. */
const LATEST = 200;

/**
 * Differs whenever something was written in a house.
 *
 * @param besides a path whose writes do not count
 */
export async function latestAuditKey(
  { tx, houseId }: Scope,
  besides: string | null = null,
): Promise<string> {
  const rows = await tx
    .select({ id: t.audit.id })
    .from(t.audit)
    .where(
      and(eq(t.audit.houseId, houseId), besides === null ? undefined : ne(t.audit.path, besides)),
    )
    .orderBy(desc(t.audit.id))
    .limit(LATEST);
  return `${rows[0]?.id ?? 0}/${rows.reduce((sum, { id }) => sum + id, 0)}`;
}

/** The number of the last write; 0 before the first. */
export async function readLatestAudit(tx: Queries): Promise<number> {
  const [row] = await tx
    .select({ id: t.audit.id })
    .from(t.audit)
    .orderBy(desc(t.audit.id))
    .limit(1);
  return row?.id ?? 0;
}
