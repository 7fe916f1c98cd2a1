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

/** Writes that leave the book, the demand and the crew as they were. */
const IS_READING = /^\/readings$/;
const IS_WORK = /^\/(lots|handovers|cold-notes|alarms|session|sessions|plan)(\/|$)/;

/** Counts a write in its house and tells whoever follows it. */
export async function addWrite({ tx, houseId }: Scope, path: string, at: Date): Promise<void> {
  const counted = {
    writes: 1,
    readings: IS_READING.test(path) ? 1 : 0,
    work: IS_WORK.test(path) ? 1 : 0,
  };
  const { houseHeads } = t;
  await tx
    .insert(houseHeads)
    .values({ houseId, ...counted })
    .onDuplicateKeyUpdate({
      set: {
        writes: sql`${houseHeads.writes} + 1`,
        readings: sql`${houseHeads.readings} + ${counted.readings}`,
        work: sql`${houseHeads.work} + ${counted.work}`,
      },
    });
  await tx.insert(t.writes).values({ houseId, at, path: path.slice(0, LONGEST_PATH) });
}

/** Versions of what stands in a house: each differs from before whenever something of it was written. */
export interface HouseVersions {
  readonly all: number;
  /** Everything but what probes have posted. */
  readonly withoutReadings: number;
  /** The book, the demand, the crew and the settings. */
  readonly records: number;
}

export async function readHouseVersions({ tx, houseId }: Scope): Promise<HouseVersions> {
  const [head] = await tx.select().from(t.houseHeads).where(eq(t.houseHeads.houseId, houseId));
  const { writes = 0, readings = 0, work = 0 } = head ?? {};
  return { all: writes, withoutReadings: writes - readings, records: writes - readings - work };
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
