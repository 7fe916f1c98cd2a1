import { housePartOf, type HousePart } from '@calm/contract';
import { and, asc, desc, eq, gt, lt, sql } from 'drizzle-orm';
import type { Queries } from '../database/database';
import * as t from '../database/schema';
import type { Scope } from '../database/scope';

const LONGEST_PATH = 300;

/** A write, and in which house. */
export interface HouseWrite {
  readonly id: number;
  readonly houseId: string;
  readonly path: string;
}

/** Counts a write of a part of the house, and tells whoever follows it. */
export async function addWrite({ tx, houseId, alsoWritten }: Scope, path: string, at: Date) {
  const parts = new Set([housePartOf(path), ...(alsoWritten ?? [])]);
  await Promise.all([
    tx.insert(t.writes).values({ houseId, at, path: path.slice(0, LONGEST_PATH) }),
    tx
      .insert(t.houseVersions)
      .values([...parts].sort().map((part) => ({ houseId, part, version: 1 })))
      .onDuplicateKeyUpdate({ set: { version: sql`${t.houseVersions.version} + 1` } }),
  ]);
}

/** How often some parts of a house were written, as one text: differs whenever one of them was. */
export async function readVersions(
  { tx, houseId }: Scope,
  parts: readonly HousePart[],
): Promise<string> {
  const rows = await tx
    .select({ part: t.houseVersions.part, version: t.houseVersions.version })
    .from(t.houseVersions)
    .where(eq(t.houseVersions.houseId, houseId));
  const versionOf = new Map(rows.map(({ part, version }) => [part, version]));
  return parts.map((part) => versionOf.get(part) ?? 0).join('.');
}

/** Most writes that are told at once. */
const MOST_TOLD = 2000;
const told = { id: t.writes.id, houseId: t.writes.houseId, path: t.writes.path };

/** What was written after a number, in every house, oldest first. */
export function readWritesAfter(tx: Queries, after: number): Promise<HouseWrite[]> {
  return tx
    .select(told)
    .from(t.writes)
    .where(gt(t.writes.id, after))
    .orderBy(asc(t.writes.id))
    .limit(MOST_TOLD);
}

/** What was written after a number in one house, oldest first. */
export function readWritesOf({ tx, houseId }: Scope, after: number): Promise<HouseWrite[]> {
  return tx
    .select(told)
    .from(t.writes)
    .where(and(eq(t.writes.houseId, houseId), gt(t.writes.id, after)))
    .orderBy(asc(t.writes.id))
    .limit(MOST_TOLD);
}

/** The number of the last write; 0 before the first. */
export async function readLatestWrite(tx: Queries): Promise<number> {
  const [row] = await tx
    .select({ id: t.writes.id })
    .from(t.writes)
    .orderBy(desc(t.writes.id))
    .limit(1);
  return row?.id ?? 0;
}

/** Forgets the writes of a house from before a moment: no device comes back for them after so long. */
export async function forgetWrites({ tx, houseId }: Scope, before: Date): Promise<void> {
  await tx.delete(t.writes).where(and(eq(t.writes.houseId, houseId), lt(t.writes.at, before)));
}
