import type { DisplayPreferences, Session, SignedInDevice } from '@calm/contract';
import { fail, ok } from '@calm/core';
import type { Database } from '../../database/database';
import { reading } from '../../database/transaction';
import type { Scope } from '../../database/scope';
import { readArrival, type Arrival } from '../../store/access/arrival';
import { writePreferences } from '../../store/access/crew';
import { closeSessions, readSessions, SESSION_HOURS } from '../../store/access/sessions';
import { noteChange } from './recordWrite';
import type { Result } from '../result';

export { SESSION_HOURS };
export type { Arrival };

/** What is known of a request before anything else; null when there is no such house. */
export const arrivalAt = (
  db: Database,
  house: string,
  token: string | null,
  now: Date,
): Promise<Arrival | null> => reading(db, (tx) => readArrival(tx, house, token, now));

/** Whoever is signed in. */
export const currentSession = (session: Session | null): Result<Session> =>
  session ? ok(session) : fail({ kind: 'signed-out' });

/** Keeps how whoever is signed in reads. */
export async function changePreferences(
  scope: Scope,
  session: Session | null,
  preferences: DisplayPreferences,
): Promise<Result<Session>> {
  if (!session) return fail({ kind: 'signed-out' });
  await writePreferences(scope, session.personId, preferences);
  noteChange(scope, 'preferences', session.personId, session.preferences, preferences);
  return ok({ ...session, preferences });
}

/** Ends the session of a token; null is nobody's. */
export async function signOut(scope: Scope, token: string | null): Promise<Result<null>> {
  if (token !== null) await closeSessions(scope, { token });
  return ok(null);
}

/** Where whoever is signed in is signed in. */
export async function ownSessions(
  scope: Scope,
  session: Session | null,
  token: string | null,
  now: Date,
): Promise<Result<SignedInDevice[]>> {
  if (!session) return fail({ kind: 'signed-out' });
  return ok(await readSessions(scope, session.personId, token, now));
}

/** Signs out one of one's own devices; somebody else's is none of theirs. */
export async function endSession(
  scope: Scope,
  session: Session | null,
  id: string,
): Promise<Result<null>> {
  if (!session) return fail({ kind: 'signed-out' });
  const ended = await closeSessions(scope, { personId: session.personId, id });
  return ended > 0 ? ok(null) : fail({ kind: 'not-found', what: 'session' });
}

/** Signs out all of one's devices but this one. */
export async function endOtherSessions(
  scope: Scope,
  session: Session | null,
  token: string | null,
): Promise<Result<{ readonly ended: number }>> {
  if (!session || token === null) return fail({ kind: 'signed-out' });
  const { personId } = session;
  return ok({ ended: await closeSessions(scope, { personId, besides: token }) });
}
