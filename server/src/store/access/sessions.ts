import { HOUR_MS } from '@calm/core';
import type { Role, Session } from '@calm/contract';
import { and, eq, gt } from 'drizzle-orm';
import { createHash, randomBytes } from 'node:crypto';
import type { Queries } from '../../database/database';
import * as t from '../../database/schema';
import type { Scope } from '../../database/scope';

/** A session ends by itself after so long: everybody comes in again each day. */
export const SESSION_HOURS = 16;

const hashOf = (token: string) => createHash('sha256').update(token).digest('hex');

/**
 * Opens a session.
 *
 * @returns its token, which only the person's device keeps
 */
export async function openSession(
  { tx, houseId }: Scope,
  personId: string,
  now: Date,
): Promise<string> {
  const token = randomBytes(32).toString('base64url');
  await tx.insert(t.sessions).values({
    tokenHash: hashOf(token),
    houseId,
    personId,
    openedAt: now,
    expiresAt: new Date(now.getTime() + SESSION_HOURS * HOUR_MS),
  });
  return token;
}

/** Who a token belongs to; null when it is none of this house, or over. */
export async function readSession(
  tx: Queries,
  slug: string,
  token: string,
  now: Date,
): Promise<Session | null> {
  const [row] = await tx
    .select({
      personId: t.people.id,
      name: t.people.name,
      initials: t.people.initials,
      role: t.people.role,
      preferences: t.people.preferences,
    })
    .from(t.sessions)
    .innerJoin(t.houses, eq(t.houses.id, t.sessions.houseId))
    .innerJoin(
      t.people,
      and(eq(t.people.houseId, t.sessions.houseId), eq(t.people.id, t.sessions.personId)),
    )
    .where(
      and(
        eq(t.sessions.tokenHash, hashOf(token)),
        eq(t.houses.slug, slug),
        gt(t.sessions.expiresAt, now),
      ),
    );
  return row ?? null;
}

/** Ends one session, or all of a person's. */
export async function closeSessions(
  { tx, houseId }: Scope,
  whose: { readonly token: string } | { readonly personId: string },
): Promise<void> {
  const which =
    'token' in whose
      ? eq(t.sessions.tokenHash, hashOf(whose.token))
      : eq(t.sessions.personId, whose.personId);
  await tx.delete(t.sessions).where(and(eq(t.sessions.houseId, houseId), which));
}

/** Somebody as the door knows them. */
export interface KnownPerson {
  readonly id: string;
  readonly role: Role;
  readonly secretHash: string | null;
  readonly failedTries: number;
  readonly lockedUntil: Date | null;
}

/** Reads somebody at the door, and holds the row until the transaction ends: tries are counted one by one. */
export async function beginSignInAttempt(
  { tx, houseId }: Scope,
  id: string,
): Promise<KnownPerson | null> {
  const [row] = await tx
    .select({
      id: t.people.id,
      role: t.people.role,
      secretHash: t.people.secretHash,
      failedTries: t.people.failedTries,
      lockedUntil: t.people.lockedUntil,
    })
    .from(t.people)
    .where(and(eq(t.people.houseId, houseId), eq(t.people.id, id)))
    .for('update');
  return row ?? null;
}

/** Notes how a try at the door came out. */
export async function recordSignInAttempt(
  { tx, houseId }: Scope,
  id: string,
  tries: { readonly failedTries: number; readonly lockedUntil: Date | null },
): Promise<void> {
  await tx
    .update(t.people)
    .set(tries)
    .where(and(eq(t.people.houseId, houseId), eq(t.people.id, id)));
}
