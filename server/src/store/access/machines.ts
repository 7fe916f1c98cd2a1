import type { Machine, MachineKind, MachineStart } from '@calm/contract';
import { and, asc, eq, isNull } from 'drizzle-orm';
import type { Queries } from '../../database/database';
import * as t from '../../database/schema';
import type { Scope } from '../../database/scope';
import { tokenHash } from './token';

/** A machine that posts, as far as a request needs to know it. */
export interface KnownMachine {
  readonly id: string;
  readonly no: number;
  readonly kind: MachineKind;
  readonly probeId: string | null;
}

const machineOf = (row: typeof t.machines.$inferSelect): Machine => ({
  id: row.id,
  kind: row.kind,
  name: row.name,
  probeId: row.probeId,
  issuedAt: row.issuedAt.toISOString(),
  lastSeenAt: row.lastSeenAt?.toISOString() ?? null,
  revokedAt: row.revokedAt?.toISOString() ?? null,
});

/** Which machine of a house a token was issued to; null when to none, or not any more. */
export async function findMachineByToken(
  tx: Queries,
  slug: string,
  token: string,
): Promise<KnownMachine | null> {
  const { id, no, kind, probeId } = t.machines;
  const [row] = await tx
    .select({ id, no, kind, probeId })
    .from(t.machines)
    .innerJoin(t.houses, eq(t.houses.id, t.machines.houseId))
    .where(
      and(
        eq(t.houses.slug, slug),
        eq(t.machines.tokenHash, tokenHash(token)),
        isNull(t.machines.revokedAt),
      ),
    );
  return row ?? null;
}

/** Every machine that was ever let in, by name. */
export async function readMachines({ tx, houseId }: Scope): Promise<Machine[]> {
  const rows = await tx
    .select()
    .from(t.machines)
    .where(eq(t.machines.houseId, houseId))
    .orderBy(asc(t.machines.name), asc(t.machines.no));
  return rows.map(machineOf);
}

export async function findMachine({ tx, houseId }: Scope, id: string): Promise<Machine | null> {
  const [row] = await tx.select().from(t.machines).where(isMachine(houseId, id));
  return row ? machineOf(row) : null;
}

export async function insertMachine(
  { tx, houseId }: Scope,
  id: string,
  start: MachineStart,
  token: string,
  issuedAt: Date,
): Promise<void> {
  await tx
    .insert(t.machines)
    .values({ id, houseId, ...start, tokenHash: tokenHash(token), issuedAt });
}

/** From a moment on its token is good for nothing. The row stays: what it posted has its name. */
export async function writeRevoked({ tx, houseId }: Scope, id: string, at: Date): Promise<void> {
  await tx
    .update(t.machines)
    .set({ revokedAt: at })
    .where(and(isMachine(houseId, id), isNull(t.machines.revokedAt)));
}

/** A machine has just posted something. */
export async function writeSeen({ tx, houseId }: Scope, id: string, at: Date): Promise<void> {
  await tx.update(t.machines).set({ lastSeenAt: at }).where(isMachine(houseId, id));
}

const isMachine = (houseId: string, id: string) =>
  and(eq(t.machines.houseId, houseId), eq(t.machines.id, id));
