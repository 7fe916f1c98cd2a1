import type { DisplayPreferences, HousePart, Role, Session } from '@calm/contract';
import { MINUTE_MS } from '@calm/core';
import { eq, sql } from 'drizzle-orm';
import type { Queries } from '../../database/database';
import * as t from '../../database/schema';
import { isOpenSince } from './sessions';
import { tokenHash } from './token';

/** What is known of a request before anything else: of which house, of whom, and how the house stands. */
export interface Arrival {
  readonly houseId: string;
  readonly timeZone: string;
  /** How often each part of the house was written; a part that never was is not in it. */
  readonly versions: ReadonlyMap<HousePart, number>;
  /** Null where the token is nobody's, or there is none. */
  readonly session: Session | null;
}

/** When a device last asked is written down this often. */
const SEEN_MS = 5 * MINUTE_MS;

/** A row of the one query: the session again beside each part. */
interface Row {
  readonly houseId: string;
  readonly timeZone: string;
  readonly part: HousePart | null;
  readonly version: number;
  readonly sessionId: string | null;
  readonly seenAt: string;
  readonly personId: string;
  readonly name: string;
  readonly initials: string;
  readonly role: Role;
  readonly preferences: DisplayPreferences | null;
}

/**
 * Reads all of it in one query: every request begins with it.
 *
 * @param token of a session; null for none
 * @returns null when there is no house of this name
 */
export async function readArrival(
  tx: Queries,
  slug: string,
  token: string | null,
  now: Date,
): Promise<Arrival | null> {
  const hash = token === null ? '' : tokenHash(token);
  const { expiresAfter, seenAfter } = isOpenSince(now);
  const [rows] = (await tx.execute(sql`
    select h.id as houseId, h.time_zone as timeZone, v.part, v.version,
      s.token_hash as sessionId, s.seen_at as seenAt,
      p.id as personId, p.name, p.initials, p.role, p.preferences
    from houses h
    left join house_versions v on v.house_id = h.id
    left join sessions s on s.token_hash = ${hash} and s.house_id = h.id
      and s.expires_at > ${expiresAfter} and s.seen_at > ${seenAfter}
    left join people p on p.house_id = s.house_id and p.id = s.person_id
    where h.slug = ${slug}`)) as unknown as [Row[]];
  const [row] = rows;
  if (!row) return null;
  if (row.sessionId !== null && isLongAgo(row.seenAt, now))
    await tx.update(t.sessions).set({ seenAt: now }).where(eq(t.sessions.tokenHash, hash));
  return {
    houseId: row.houseId,
    timeZone: row.timeZone,
    versions: new Map(
      rows.flatMap(({ part, version }) => (part === null ? [] : [[part, version] as const])),
    ),
    session: sessionOf(row),
  };
}

const sessionOf = ({ sessionId, preferences, ...row }: Row): Session | null =>
  sessionId === null
    ? null
    : {
        id: sessionId,
        personId: row.personId,
        name: row.name,
        initials: row.initials,
        role: row.role,
        preferences,
      };

/** @param seenAt UTC, as the database writes it */
const isLongAgo = (seenAt: string, now: Date): boolean =>
  now.getTime() - Date.parse(`${seenAt.replace(' ', 'T')}Z`) > SEEN_MS;
