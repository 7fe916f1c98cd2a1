import {
  type DisplayPreferences,
  type SignInCandidate,
  type Crew,
  type CrewContent,
  type CrewMember,
  type FormerPerson,
  type ShiftException,
  type ShiftExceptionContent,
  type ShiftPattern,
  type ShiftPatternContent,
  secretKindOf,
} from '@calm/contract';
import { and, asc, eq, isNotNull, isNull, ne, sql } from 'drizzle-orm';
import { tableRepository } from '../tableRepository';
import { NO_TRIES } from './devices';
import * as t from '../../database/schema';
import type { Scope } from '../../database/scope';

const memberOf = (row: typeof t.people.$inferSelect): CrewMember => ({
  id: row.id,
  name: row.name,
  initials: row.initials,
  role: row.role,
  skills: row.skills,
  version: row.version,
  canSignIn: row.secretHash !== null,
});

const plainPeople = tableRepository<typeof t.people, CrewContent, CrewMember>(t.people, {
  what: 'person',
  rowOf: (content) => content,
  storedOf: memberOf,
});

const isOnCrew = isNull(t.people.leftAt);

/** What somebody has only as long as they are on the crew. */
const OF_ONE_ON_THE_CREW = [
  t.sessions,
  t.shiftExceptions,
  t.shiftPatterns,
  t.calendarLinks,
  t.contacts,
  t.pushDevices,
] as const;

/**
 * The people on a house's crew. Nobody is deleted: whoever is removed is not found any more, and what they did keeps
 * their name. Their shifts, sessions, what they come in by, what they follow and where they are told go.
 */
export const personRepository: typeof plainPeople = {
  ...plainPeople,
  async find({ tx, houseId }, id) {
    const [row] = await tx
      .select()
      .from(t.people)
      .where(and(eq(t.people.houseId, houseId), eq(t.people.id, id), isOnCrew));
    return row ? memberOf(row) : null;
  },
  async remove({ tx, houseId }, id) {
    for (const table of OF_ONE_ON_THE_CREW) {
      await tx.delete(table).where(and(eq(table.houseId, houseId), eq(table.personId, id)));
    }
    await tx
      .update(t.people)
      .set({
        secretHash: null,
        leftAt: sql`utc_timestamp(3)`,
        version: sql`${t.people.version} + 1`,
      })
      .where(and(eq(t.people.houseId, houseId), eq(t.people.id, id)));
  },
};

/** Takes somebody back on the crew who had left it; false when nobody of this id has. */
export async function rejoinCrew({ tx, houseId }: Scope, id: string): Promise<boolean> {
  const [result] = await tx
    .update(t.people)
    .set({ leftAt: null, version: sql`${t.people.version} + 1` })
    .where(and(eq(t.people.houseId, houseId), eq(t.people.id, id), isNotNull(t.people.leftAt)));
  return result.affectedRows === 1;
}

/** Everybody who has been on the crew and is not any more, by name. */
export async function readFormerPeople({ tx, houseId }: Scope): Promise<FormerPerson[]> {
  return tx
    .select({ id: t.people.id, name: t.people.name, initials: t.people.initials })
    .from(t.people)
    .where(and(eq(t.people.houseId, houseId), isNotNull(t.people.leftAt)))
    .orderBy(asc(t.people.name), asc(t.people.id));
}

const isThere = async ({ tx, houseId }: Scope, { personId }: { readonly personId: string }) => {
  const rows = await tx
    .select({ id: t.people.id })
    .from(t.people)
    .where(and(eq(t.people.houseId, houseId), eq(t.people.id, personId)));
  return rows.length > 0 ? null : 'personId';
};

const shiftOf = ({ houseId: _, ...shift }: typeof t.shiftPatterns.$inferSelect): ShiftPattern =>
  shift;

/** Shifts that come every week. */
export const shiftRepository = tableRepository<
  typeof t.shiftPatterns,
  ShiftPatternContent,
  ShiftPattern
>(t.shiftPatterns, {
  what: 'shift',
  rowOf: (content) => content,
  storedOf: shiftOf,
  lacks: isThere,
});

const exceptionOf = ({
  houseId: _,
  startMin,
  endMin,
  isAway,
  ...exception
}: typeof t.shiftExceptions.$inferSelect): ShiftException => ({
  ...exception,
  isAway: isAway === 1,
  hours: startMin !== null && endMin !== null ? { startMin, endMin } : null,
});

/** Days that differ for somebody. */
export const shiftExceptionRepository = tableRepository<
  typeof t.shiftExceptions,
  ShiftExceptionContent,
  ShiftException
>(t.shiftExceptions, {
  what: 'shift-exception',
  rowOf: ({ hours, isAway, ...content }) => ({
    ...content,
    isAway: isAway ? 1 : 0,
    startMin: hours?.startMin ?? null,
    endMin: hours?.endMin ?? null,
  }),
  storedOf: exceptionOf,
  lacks: isThere,
});

/** Everybody, their weeks, and the days that differ. */
export async function readCrew({ tx, houseId }: Scope): Promise<Crew> {
  const [people, formerPeople, shifts, exceptions] = await Promise.all([
    tx
      .select()
      .from(t.people)
      .where(and(eq(t.people.houseId, houseId), isOnCrew))
      .orderBy(asc(t.people.name), asc(t.people.id)),
    readFormerPeople({ tx, houseId }),
    tx
      .select()
      .from(t.shiftPatterns)
      .where(eq(t.shiftPatterns.houseId, houseId))
      // Whatever begins at the same minute stands in the same order each time it is read.
      .orderBy(
        asc(t.shiftPatterns.weekday),
        asc(t.shiftPatterns.startMin),
        asc(t.shiftPatterns.id),
      ),
    tx
      .select()
      .from(t.shiftExceptions)
      .where(eq(t.shiftExceptions.houseId, houseId))
      .orderBy(asc(t.shiftExceptions.date), asc(t.shiftExceptions.id)),
  ]);
  return {
    people: people.map(memberOf),
    formerPeople,
    shifts: shifts.map(shiftOf),
    exceptions: exceptions.map(exceptionOf),
  };
}

/** Those who have a password or a PIN, by name. */
export async function readSignInCandidates({ tx, houseId }: Scope): Promise<SignInCandidate[]> {
  const rows = await tx
    .select()
    .from(t.people)
    .where(and(eq(t.people.houseId, houseId), isNotNull(t.people.secretHash)))
    .orderBy(asc(t.people.name), asc(t.people.id));
  return rows.map(({ id, name, initials, role }) => ({
    id,
    name,
    initials,
    by: secretKindOf(role),
  }));
}

/** Whether somebody can look after the house, other than one person. */
export async function hasManager({ tx, houseId }: Scope, otherThan = ''): Promise<boolean> {
  const rows = await tx
    .select({ id: t.people.id })
    .from(t.people)
    .where(
      and(
        eq(t.people.houseId, houseId),
        eq(t.people.role, 'manager'),
        isNotNull(t.people.secretHash),
        ne(t.people.id, otherThan),
      ),
    )
    .limit(1);
  return rows.length > 0;
}

/** Gives somebody a new secret; null takes it away. Whoever was locked out may try again. */
export async function writeSecret(
  { tx, houseId }: Scope,
  id: string,
  secretHash: string | null,
): Promise<void> {
  await tx
    .update(t.people)
    .set({ ...NO_TRIES, secretHash })
    .where(and(eq(t.people.houseId, houseId), eq(t.people.id, id)));
}

/** What somebody comes in by; null when they cannot. */
export async function readSecretHash({ tx, houseId }: Scope, id: string): Promise<string | null> {
  const [row] = await tx
    .select({ secretHash: t.people.secretHash })
    .from(t.people)
    .where(and(eq(t.people.houseId, houseId), eq(t.people.id, id)));
  return row?.secretHash ?? null;
}

/** How somebody reads; null where they have not said. */
export async function readPreferences(
  { tx, houseId }: Scope,
  id: string,
): Promise<DisplayPreferences | null> {
  const [row] = await tx
    .select({ preferences: t.people.preferences })
    .from(t.people)
    .where(and(eq(t.people.houseId, houseId), eq(t.people.id, id)));
  return row?.preferences ?? null;
}

/** Keeps how somebody reads. */
export async function writePreferences(
  { tx, houseId }: Scope,
  id: string,
  preferences: DisplayPreferences,
): Promise<void> {
  await tx
    .update(t.people)
    .set({ preferences })
    .where(and(eq(t.people.houseId, houseId), eq(t.people.id, id)));
}

/** What somebody is called, on the crew or not any more. */
export async function readPersonName(
  { tx, houseId }: Scope,
  id: string,
): Promise<string | undefined> {
  const [row] = await tx
    .select({ name: t.people.name })
    .from(t.people)
    .where(and(eq(t.people.houseId, houseId), eq(t.people.id, id)));
  return row?.name;
}
