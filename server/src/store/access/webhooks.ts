import type { Webhook, WebhookStart } from '@calm/contract';
import { and, asc, eq } from 'drizzle-orm';
import * as t from '../../database/schema';
import type { Scope } from '../../database/scope';

const isIts = (houseId: string, id: string) =>
  and(eq(t.webhooks.houseId, houseId), eq(t.webhooks.id, id));

/** Where a house posts its alarms to, oldest first; without what signs them. */
export async function readWebhooks({ tx, houseId }: Scope): Promise<Webhook[]> {
  const { id, name, url, issuedAt } = t.webhooks;
  const rows = await tx
    .select({ id, name, url, issuedAt })
    .from(t.webhooks)
    .where(eq(t.webhooks.houseId, houseId))
    .orderBy(asc(issuedAt), asc(id));
  return rows.map((row) => ({ ...row, issuedAt: row.issuedAt.toISOString() }));
}

/** An address and what signs what is posted there; null when it is none of the house's any more. */
export async function findWebhook(
  { tx, houseId }: Scope,
  id: string,
): Promise<{ readonly url: string; readonly secret: string } | null> {
  const [row] = await tx
    .select({ url: t.webhooks.url, secret: t.webhooks.secret })
    .from(t.webhooks)
    .where(isIts(houseId, id));
  return row ?? null;
}

export async function insertWebhook(
  { tx, houseId }: Scope,
  webhook: WebhookStart & { readonly id: string },
  secret: string,
  issuedAt: Date,
): Promise<void> {
  await tx.insert(t.webhooks).values({ ...webhook, houseId, secret, issuedAt });
}

/** @returns whether there was one */
export async function deleteWebhook({ tx, houseId }: Scope, id: string): Promise<boolean> {
  const [result] = await tx.delete(t.webhooks).where(isIts(houseId, id));
  return result.affectedRows === 1;
}
