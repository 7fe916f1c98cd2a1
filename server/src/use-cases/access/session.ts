import type { DisplayPreferences, Session } from '@calm/contract';
import { fail, ok } from '@calm/core';
import type { Database } from '../../database/database';
import type { Scope } from '../../database/scope';
import { writePreferences } from '../../store/access/crew';
import { closeSessions, readSession, SESSION_HOURS } from '../../store/access/sessions';
import type { Result } from '../result';

export { SESSION_HOURS };

/** Who a token of a house stands for; null when it stands for nobody any more. */
export const sessionOf = (
  db: Database,
  house: string,
  token: string,
  now: Date,
): Promise<Session | null> => readSession(db, house, token, now);

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
  return ok({ ...session, preferences });
}

/** Ends the session of a token; null is nobody's. */
export async function signOut(scope: Scope, token: string | null): Promise<Result<null>> {
  if (token !== null) await closeSessions(scope, { token });
  return ok(null);
}
