import type { CalendarContent, CalendarLink } from '@calm/contract';
import { and, asc, eq, isNull, lt, or } from 'drizzle-orm';
import * as t from '../../database/schema';
import type { Scope } from '../../database/scope';
import { tokenHash } from './token';

/** Whose steps a calendar reads. */
export interface KnownCalendar {
  readonly id: string;
  readonly personId: string;
  readonly content: CalendarContent;
}

const isOwn = (houseId: string, personId: string) =>
  and(eq(t.calendarLinks.houseId, houseId), eq(t.calendarLinks.personId, personId));

/** Somebody's calendar links, oldest first. */
export async function readCalendarLinks(
  { tx, houseId }: Scope,
  personId: string,
): Promise<CalendarLink[]> {
  const { id, content, issuedAt, lastSeenAt } = t.calendarLinks;
  const rows = await tx
    .select({ id, content, issuedAt, lastSeenAt })
    .from(t.calendarLinks)
    .where(isOwn(houseId, personId))
    .orderBy(asc(issuedAt), asc(id));
  return rows.map((row) => ({
    ...row,
    issuedAt: row.issuedAt.toISOString(),
    lastSeenAt: row.lastSeenAt?.toISOString() ?? null,
  }));
}

/** Which calendar a secret was told to; null when to none, or to one of somebody who has left the crew. */
export async function findCalendar(
  { tx, houseId }: Scope,
  secret: string,
): Promise<KnownCalendar | null> {
  const { id, personId, content } = t.calendarLinks;
  const [row] = await tx
    .select({ id, personId, content })
    .from(t.calendarLinks)
    .innerJoin(
      t.people,
      and(eq(t.people.houseId, t.calendarLinks.houseId), eq(t.people.id, personId)),
    )
    .where(
      and(
        eq(t.calendarLinks.houseId, houseId),
        eq(t.calendarLinks.tokenHash, tokenHash(secret)),
        isNull(t.people.leftAt),
      ),
    );
  return row ?? null;
}

export async function insertCalendarLink(
  { tx, houseId }: Scope,
  link: KnownCalendar,
  secret: string,
  issuedAt: Date,
): Promise<void> {
  await tx
    .insert(t.calendarLinks)
    .values({ ...link, houseId, tokenHash: tokenHash(secret), issuedAt });
}

/** @returns whether there was such a link of theirs */
export async function deleteCalendarLink(
  { tx, houseId }: Scope,
  personId: string,
  id: string,
): Promise<boolean> {
  const [result] = await tx
    .delete(t.calendarLinks)
    .where(and(isOwn(houseId, personId), eq(t.calendarLinks.id, id)));
  return result.affectedRows === 1;
}

/** A calendar has just read; written when the last time is longer ago than `since`. */
export async function writeCalendarSeen(
  { tx, houseId }: Scope,
  id: string,
  at: Date,
  since: Date,
): Promise<void> {
  const { lastSeenAt } = t.calendarLinks;
  await tx
    .update(t.calendarLinks)
    .set({ lastSeenAt: at })
    .where(
      and(
        eq(t.calendarLinks.houseId, houseId),
        eq(t.calendarLinks.id, id),
        or(isNull(lastSeenAt), lt(lastSeenAt, since)),
      ),
    );
}
