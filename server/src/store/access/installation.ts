import { isNull, sql } from 'drizzle-orm';
import type { Queries } from '../../database/database';
import * as t from '../../database/schema';

/** There is one row: this server's. */
const ROW = 1;

/**
 * Lets one begin the first house at a time: the others wait here, and find it begun. What is read after it is what
 * they left.
 *
 * @returns the hash of the code with which the first house begins; null when none was printed
 */
export async function lockInstallation(tx: Queries): Promise<string | null> {
  await tx
    .insert(t.installation)
    .values({ id: ROW, changes: 1 })
    .onDuplicateKeyUpdate({ set: { changes: sql`${t.installation.changes} + 1` } });
  const [row] = await tx.select().from(t.installation);
  return row?.setupHash ?? null;
}

/** The code with which the first house begins; null is used up. The one before it is good no longer. */
export async function writeInstallationCode(tx: Queries, setupHash: string | null): Promise<void> {
  await tx.update(t.installation).set({ setupHash });
}

/** Whether any house is here. */
export async function hasHouse(tx: Queries): Promise<boolean> {
  const rows = await tx.select({ id: t.houses.id }).from(t.houses).limit(1);
  return rows.length > 0;
}

/** How this server tells people outside the application. */
export interface Outlets {
  readonly pushPublicKey: string | null;
  readonly mailFrom: string | null;
}

/** How this server tells people; of neither way before it first started. */
export async function readInstallation(tx: Queries): Promise<Outlets> {
  const { pushPublicKey, mailFrom } = t.installation;
  const [row] = await tx.select({ pushPublicKey, mailFrom }).from(t.installation);
  return row ?? { pushPublicKey: null, mailFrom: null };
}

/** Keys with which a server shows browsers' makers who it is, base64url. */
export interface PushKeys {
  readonly publicKey: string;
  readonly privateKey: string;
}

/**
 * Keeps the server's keys, unless it has some, and whom its e-mails come from.
 *
 * @returns the keys that it has
 */
export async function keepOutlets(
  tx: Queries,
  { publicKey, privateKey }: PushKeys,
  mailFrom: string | null,
): Promise<PushKeys> {
  await lockInstallation(tx);
  await tx.update(t.installation).set({ mailFrom });
  await tx
    .update(t.installation)
    .set({ pushPublicKey: publicKey, pushPrivateKey: privateKey })
    .where(isNull(t.installation.pushPublicKey));
  const [row] = await tx.select().from(t.installation);
  return {
    publicKey: row?.pushPublicKey ?? publicKey,
    privateKey: row?.pushPrivateKey ?? privateKey,
  };
}
