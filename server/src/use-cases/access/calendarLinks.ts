import type {
  CalendarLink,
  CalendarLinkIssued,
  CalendarLinkStart,
  House,
  Session,
} from '@calm/contract';
import { fail, ok } from '@calm/core';
import { randomUUID } from 'node:crypto';
import type { Scope } from '../../database/scope';
import {
  deleteCalendarLink,
  findCalendar,
  insertCalendarLink,
  readCalendarLinks,
  writeCalendarSeen,
} from '../../store/access/calendarLinks';
import { readPreferences } from '../../store/access/crew';
import { newToken } from '../../store/access/token';
import { planCalendar } from '../plan/planExport';
import { badInput, type Result } from '../result';
import { noteChange } from './recordWrite';

/** Links of one person: their phone, their computer, the one at home. */
const MOST_LINKS = 10;
/** When a calendar last read is known to so many ms. */
const SEEN_WITHIN_MS = 600_000;

/** The calendar links of whoever is signed in. */
export async function ownCalendarLinks(
  scope: Scope,
  session: Session | null,
): Promise<Result<CalendarLink[]>> {
  if (!session) return fail({ kind: 'signed-out' });
  return ok(await readCalendarLinks(scope, session.personId));
}

/** Makes a link for whoever is signed in. Its secret is told this once. */
export async function issueCalendarLink(
  scope: Scope,
  session: Session | null,
  { content }: CalendarLinkStart,
  now: Date,
): Promise<Result<CalendarLinkIssued>> {
  if (!session) return fail({ kind: 'signed-out' });
  const { personId } = session;
  if ((await readCalendarLinks(scope, personId)).length >= MOST_LINKS)
    return badInput('', 'calendar.many', 'Remove a link that no calendar follows any more first.');
  const [id, secret] = [randomUUID(), newToken()];
  await insertCalendarLink(scope, { id, personId, content }, secret, now);
  noteChange(scope, 'calendar-link', id, null, { content });
  const link = { id, content, issuedAt: now.toISOString(), lastSeenAt: null };
  return ok({ link, secret });
}

/** Makes one's link good for nothing, at once; somebody else's is none of theirs. */
export async function revokeCalendarLink(
  scope: Scope,
  session: Session | null,
  id: string,
): Promise<Result<null>> {
  if (!session) return fail({ kind: 'signed-out' });
  if (!(await deleteCalendarLink(scope, session.personId, id)))
    return fail({ kind: 'not-found', what: 'calendar link' });
  noteChange(scope, 'calendar-link', id, { id }, null);
  return ok(null);
}

/** What a calendar reads with its secret: the published plan, one's own steps of it or all. */
export async function calendarFeed(
  scope: Scope,
  house: House,
  secret: string,
  now: Date,
): Promise<Result<string>> {
  const calendar = await findCalendar(scope, secret);
  if (!calendar) return fail({ kind: 'not-found', what: 'calendar link' });
  const { id, personId, content } = calendar;
  await writeCalendarSeen(scope, id, now, new Date(now.getTime() - SEEN_WITHIN_MS));
  const whose = content === 'own' ? personId : null;
  return ok(await planCalendar(scope, house, whose, await readPreferences(scope, personId)));
}
