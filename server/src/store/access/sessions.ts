import { HOUR_MS } from '@calm/core';
import type { Role, SignedInDevice } from '@calm/contract';
import { and, desc, eq, gt, lt, ne, or } from 'drizzle-orm';
import * as t from '../../database/schema';
import type { Scope } from '../../database/scope';
import { NO_TRIES, type Tries } from './devices';
import { newToken, tokenHash } from './token';

/** A session ends by itself after so long: everybody comes in again each day. */
export const SESSION_HOURS = 16;
/** A device that asks for nothing for so long is signed out: it was switched off, or is gone. */
const IDLE_HOURS = 4;

const idleSince = (now: Date) => new Date(now.getTime() - IDLE_HOURS * HOUR_MS);
/** A session goes on while it expires after the one moment, and was seen after the other. */
export const isOpenSince = (now: Date) => ({ expiresAfter: now, seenAfter: idleSince(now) });
/** Sessions that go on. */
function isOpen(now: Date) {
  const { expiresAfter, seenAfter } = isOpenSince(now);
  return and(gt(t.sessions.expiresAt, expiresAfter), gt(t.sessions.seenAt, seenAfter));
}

/**
 * Opens a session.
 *
 * @param agent what its browser calls itself
 * @returns its token, which only the person's device keeps
 */
export async function openSession(
  { tx, houseId }: Scope,
  personId: string,
  now: Date,
  agent = '',
): Promise<string> {
  const token = newToken();
  await tx.insert(t.sessions).values({
    tokenHash: tokenHash(token),
    houseId,
    personId,
    openedAt: now,
    seenAt: now,
    expiresAt: new Date(now.getTime() + SESSION_HOURS * HOUR_MS),
    agent: agent.slice(0, 200),
  });
  return token;
}

/** Where somebody is signed in, the newest first. */
export async function readSessions(
  { tx, houseId }: Scope,
  personId: string,
  token: string | null,
  now: Date,
): Promise<SignedInDevice[]> {
  const rows = await tx
    .select()
    .from(t.sessions)
    .where(and(eq(t.sessions.houseId, houseId), eq(t.sessions.personId, personId), isOpen(now)))
    .orderBy(desc(t.sessions.openedAt));
  const own = token === null ? null : tokenHash(token);
  return rows.map(({ tokenHash: id, openedAt, seenAt, agent }) => ({
    id,
    openedAt: openedAt.toISOString(),
    seenAt: seenAt.toISOString(),
    agent,
    isThis: id === own,
  }));
}

/** Which sessions end. */
export type WhichSessions =
  | { readonly token: string }
  | { readonly personId: string }
  /** All of somebody's but one; one of theirs by its id. */
  | { readonly personId: string; readonly besides: string }
  | { readonly personId: string; readonly id: string };

/** Ends sessions of a house. Gives back how many. */
export async function closeSessions({ tx, houseId }: Scope, which: WhichSessions): Promise<number> {
  const theirs = 'personId' in which ? eq(t.sessions.personId, which.personId) : undefined;
  const [result] = await tx
    .delete(t.sessions)
    .where(
      and(
        eq(t.sessions.houseId, houseId),
        theirs,
        'token' in which ? eq(t.sessions.tokenHash, tokenHash(which.token)) : undefined,
        'besides' in which ? ne(t.sessions.tokenHash, tokenHash(which.besides)) : undefined,
        'id' in which ? eq(t.sessions.tokenHash, which.id) : undefined,
      ),
    );
  return result.affectedRows;
}

/** Forgets the sessions of a house that are over. */
export async function forgetSessions({ tx, houseId }: Scope, now: Date): Promise<void> {
  const isOver = or(lt(t.sessions.expiresAt, now), lt(t.sessions.seenAt, idleSince(now)));
  await tx.delete(t.sessions).where(and(eq(t.sessions.houseId, houseId), isOver));
}

/** Somebody as the door knows them. */
export interface KnownPerson extends Tries {
  readonly id: string;
  readonly role: Role;
  readonly secretHash: string | null;
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
  { failedTries, lockedUntil }: Tries,
): Promise<void> {
  await tx
    .update(t.people)
    .set({ failedTries, lockedUntil })
    .where(and(eq(t.people.houseId, houseId), eq(t.people.id, id)));
}

/** Everybody of a house may try again. */
export async function clearTries({ tx, houseId }: Scope): Promise<void> {
  await tx.update(t.people).set(NO_TRIES).where(eq(t.people.houseId, houseId));
}
