import type { AuditChange, AuditEntry } from '@calm/contract';
import { and, asc, count, desc, eq, gt, isNotNull, isNull, lt, sql } from 'drizzle-orm';
import { createHash } from 'node:crypto';
import * as t from '../../database/schema';
import type { Scope } from '../../database/scope';

/** Lines of who did what that are read at once. */
const PAGE = 100;
const LONGEST_PATH = 300;

/** What is said of a write before it has its place in the chain. */
export type AuditLine = Omit<AuditEntry, 'id' | 'no' | 'at'> & { readonly at: Date };

/** What a line's hash is of, besides the hash before it. */
const textOf = (
  { at, personId, machineId, permission, method, path }: AuditLine,
  changes: string,
) => JSON.stringify([at.toISOString(), personId, machineId, permission, method, path, changes]);

/**
 * Writes one line of who did what, as the next link of the house's chain: whoever writes in the same house meanwhile
 * waits until this transaction ends.
 */
export async function appendAudit({ tx, houseId }: Scope, line: AuditLine): Promise<void> {
  const short = { ...line, path: line.path.slice(0, LONGEST_PATH) };
  const changes = JSON.stringify(line.changes);
  const text = textOf(short, changes);
  const { auditNo, auditHash } = t.houseHeads;
  await tx
    .insert(t.houseHeads)
    .values({ houseId, auditNo: 1, auditHash: sql`sha2(${text}, 256)` })
    .onDuplicateKeyUpdate({
      set: {
        auditNo: sql`${auditNo} + 1`,
        auditHash: sql`sha2(concat(${auditHash}, ${text}), 256)`,
      },
    });
  const head = (column: typeof auditNo | typeof auditHash) =>
    sql`(select ${column} from ${t.houseHeads} where ${t.houseHeads.houseId} = ${houseId})`;
  await tx.insert(t.audit).values({
    ...short,
    houseId,
    changes,
    no: head(auditNo) as never,
    hash: head(auditHash) as never,
  });
}

/** Whether a machine has a line since a moment: its lines stand for an hour each. */
export async function hasMachineLine(
  { tx, houseId }: Scope,
  machineId: string,
  since: Date,
): Promise<boolean> {
  const [last] = await tx
    .select({ at: t.audit.at })
    .from(t.audit)
    .where(and(eq(t.audit.houseId, houseId), eq(t.audit.machineId, machineId)))
    .orderBy(desc(t.audit.id))
    .limit(1);
  return last !== undefined && last.at >= since;
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
  return rows.map(({ houseId: _h, hash: _s, at, changes, ...entry }) => ({
    ...entry,
    at: at.toISOString(),
    changes: changes === null ? [] : (JSON.parse(changes) as AuditChange[]),
  }));
}

/** What a chain was found to be: whole, or where it breaks first. */
export interface ChainReport {
  readonly lines: number;
  /** Lines from before there was a chain: nothing can be said of them. */
  readonly unchained: number;
  /** Number of the first line that is missing, changed or out of place; null when all is as it was written. */
  readonly brokenAt: number | null;
}

/** Lines of a chain that are read at once. */
const VERIFIED_AT_ONCE = 2000;

/** Works a house's chain out again from its lines. */
export async function verifyAudit({ tx, houseId }: Scope): Promise<ChainReport> {
  const ofHouse = eq(t.audit.houseId, houseId);
  const [early] = await tx
    .select({ lines: count() })
    .from(t.audit)
    .where(and(ofHouse, isNull(t.audit.no)));
  const unchained = early?.lines ?? 0;
  let [hash, lines] = ['', 0];
  for (;;) {
    const rows = await tx
      .select()
      .from(t.audit)
      .where(and(ofHouse, isNotNull(t.audit.no), gt(t.audit.no, lines)))
      .orderBy(asc(t.audit.no))
      .limit(VERIFIED_AT_ONCE);
    for (const { changes, ...row } of rows) {
      const text = textOf({ ...row, changes: [] }, changes ?? '');
      hash = createHash('sha256')
        .update(hash + text)
        .digest('hex');
      if (row.no !== lines + 1 || row.hash !== hash)
        return { lines, unchained, brokenAt: lines + 1 };
      lines += 1;
    }
    if (rows.length < VERIFIED_AT_ONCE) break;
  }
  const [head] = await tx.select().from(t.houseHeads).where(eq(t.houseHeads.houseId, houseId));
  const isWhole = (head?.auditNo ?? 0) === lines && (head?.auditHash ?? '') === hash;
  return { lines, unchained, brokenAt: isWhole ? null : lines + 1 };
}
