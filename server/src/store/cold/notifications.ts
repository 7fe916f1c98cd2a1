import type { Notification, NotificationChannel, NotificationEvent } from '@calm/contract';
import { and, asc, desc, eq, inArray, isNotNull, lt, lte } from 'drizzle-orm';
import { v7 as uuid } from 'uuid';
import type { Queries } from '../../database/database';
import * as t from '../../database/schema';
import type { Scope } from '../../database/scope';

/** Where something is told. */
export interface Target {
  readonly channel: NotificationChannel;
  /** Somebody for mail, a device, a webhook. */
  readonly targetId: string;
  /** Null for a webhook. */
  readonly personId: string | null;
}

/** Something that is to be told. */
export interface DueNotification extends Target {
  readonly id: string;
  readonly houseId: string;
  readonly event: NotificationEvent;
  /** The alarm; of a week its last day; of a test, the test. */
  readonly aboutId: string;
  readonly madeAt: Date;
  readonly tries: number;
}

/** Puts something where it is to be told; what was put there before is not put there again. */
export async function insertNotifications(
  { tx, houseId }: Scope,
  event: NotificationEvent,
  aboutId: string,
  targets: readonly Target[],
  now: Date,
): Promise<number> {
  if (targets.length === 0) return 0;
  const rows = targets.map((target) => ({
    ...target,
    id: uuid(),
    houseId,
    event,
    aboutId,
    madeAt: now,
    dueAt: now,
  }));
  const [result] = await tx.insert(t.notifications).ignore().values(rows);
  return result.affectedRows;
}

/** What people were told of some alarms, and when first. */
export async function readTold(
  { tx, houseId }: Scope,
  alarmIds: readonly string[],
): Promise<{ readonly alarmId: string; readonly personId: string; readonly atMs: number }[]> {
  if (alarmIds.length === 0) return [];
  const { aboutId, personId, madeAt, event } = t.notifications;
  const rows = await tx
    .select({ aboutId, personId, madeAt })
    .from(t.notifications)
    .where(
      and(
        eq(t.notifications.houseId, houseId),
        eq(event, 'begun'),
        inArray(aboutId, [...alarmIds]),
        isNotNull(personId),
      ),
    );
  return rows.map((row) => ({
    alarmId: row.aboutId,
    personId: row.personId ?? '',
    atMs: row.madeAt.getTime(),
  }));
}

/** What a house told of late, newest first. */
export async function readNotifications(
  { tx, houseId }: Scope,
  most: number,
  personId?: string,
): Promise<Notification[]> {
  const n = t.notifications;
  const rows = await tx
    .select()
    .from(n)
    .where(
      and(eq(n.houseId, houseId), personId === undefined ? undefined : eq(n.personId, personId)),
    )
    .orderBy(desc(n.madeAt), desc(n.id))
    .limit(most);
  return rows.map((row) => ({
    id: row.id,
    event: row.event,
    alarmId: row.event === 'test' || row.event === 'week' ? null : row.aboutId,
    channel: row.channel,
    personId: row.personId,
    at: row.madeAt.toISOString(),
    sentAt: row.sentAt?.toISOString() ?? null,
    fault: row.fault,
    isGivenUp: row.dueAt === null && row.sentAt === null,
  }));
}

/** What is to be told by now, of all houses, oldest first. */
export const readDue = (db: Queries, now: Date, most: number): Promise<DueNotification[]> => {
  const n = t.notifications;
  const { id, houseId, event, aboutId, channel, targetId, personId, madeAt, tries, dueAt } = n;
  return db
    .select({ id, houseId, event, aboutId, channel, targetId, personId, madeAt, tries })
    .from(t.notifications)
    .where(lte(dueAt, now))
    .orderBy(asc(dueAt))
    .limit(most);
};

/**
 * Takes something to tell it. From then on nobody else does, whatever becomes of whoever took it: what may have been
 * told is not told again.
 *
 * @returns whether it was still to be told
 */
export async function takeNotification(db: Queries, id: string): Promise<boolean> {
  const [result] = await db
    .update(t.notifications)
    .set({ dueAt: null })
    .where(and(eq(t.notifications.id, id), isNotNull(t.notifications.dueAt)));
  return result.affectedRows === 1;
}

/** How telling went: `sentAt` when it was taken, else what was wrong, and when it is tried again. */
export async function writeNotification(
  db: Queries,
  { id, tries }: DueNotification,
  outcome: {
    readonly sentAt: Date | null;
    readonly fault: string | null;
    readonly dueAt: Date | null;
  },
): Promise<void> {
  await db
    .update(t.notifications)
    .set({ ...outcome, fault: outcome.fault?.slice(0, 200) ?? null, tries: tries + 1 })
    .where(eq(t.notifications.id, id));
}

/** Forgets what was told before. */
export async function forgetNotifications(db: Queries, before: Date): Promise<void> {
  await db.delete(t.notifications).where(lt(t.notifications.madeAt, before));
}
