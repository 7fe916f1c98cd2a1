import type { NotificationChannel, NotificationEvent, QuietHours } from '@calm/contract';
import {
  boolean,
  foreignKey,
  index,
  json,
  mysqlTable,
  primaryKey,
  smallint,
  unique,
  varchar,
} from 'drizzle-orm/mysql-core';
import { id, instant, ref, refOrNone, version } from './columns';
import { houseId, people } from './house';

/** Where and when somebody wants to be told of alarms. */
export const contacts = mysqlTable(
  'contacts',
  {
    houseId: houseId(),
    personId: ref('person_id'),
    email: varchar('email', { length: 254 }),
    quiet: json('quiet').$type<QuietHours>(),
    isWeekSent: boolean('is_week_sent').notNull().default(false),
    version: version(),
  },
  (t) => [
    primaryKey({ columns: [t.houseId, t.personId] }),
    foreignKey({
      name: 'contacts_person',
      columns: [t.houseId, t.personId],
      foreignColumns: [people.houseId, people.id],
    }),
  ],
);

/** Browsers that can be told while their pages are closed. What is removed is gone. */
export const pushDevices = mysqlTable(
  'push_devices',
  {
    id: id().primaryKey(),
    houseId: houseId(),
    personId: ref('person_id'),
    name: varchar('name', { length: 80 }).notNull(),
    endpoint: varchar('endpoint', { length: 1000 }).notNull(),
    p256dh: varchar('p256dh', { length: 100 }).notNull(),
    auth: varchar('auth', { length: 40 }).notNull(),
    issuedAt: instant('issued_at').notNull(),
  },
  (t) => [
    foreignKey({
      name: 'push_devices_person',
      columns: [t.houseId, t.personId],
      foreignColumns: [people.houseId, people.id],
    }),
  ],
);

/** Where else alarms are posted to. */
export const webhooks = mysqlTable('webhooks', {
  id: id().primaryKey(),
  houseId: houseId(),
  name: varchar('name', { length: 80 }).notNull(),
  url: varchar('url', { length: 1000 }).notNull(),
  /** Signs what is posted: it is needed as it is, base64. */
  secret: varchar('secret', { length: 60 }).notNull(),
  issuedAt: instant('issued_at').notNull(),
});

/** What was told or is to be: nothing of an alarm goes to the same place twice. */
export const notifications = mysqlTable(
  'notifications',
  {
    id: id().primaryKey(),
    houseId: houseId(),
    event: varchar('event', { length: 12 }).$type<NotificationEvent>().notNull(),
    /** The alarm, a week's last day, or a test. What late readings have undone is told all the same: no row needs to be there. */
    aboutId: ref('about_id'),
    channel: varchar('channel', { length: 8 }).$type<NotificationChannel>().notNull(),
    /** Somebody for mail, a device, a webhook. */
    targetId: ref('target_id'),
    personId: refOrNone('person_id'),
    madeAt: instant('made_at').notNull(),
    /** From when on it may be tried; null once it was taken, or is given up. */
    dueAt: instant('due_at'),
    tries: smallint('tries').notNull().default(0),
    sentAt: instant('sent_at'),
    fault: varchar('fault', { length: 200 }),
  },
  (t) => [
    unique('notifications_once').on(t.houseId, t.event, t.aboutId, t.channel, t.targetId),
    index('notifications_due').on(t.dueAt),
    index('notifications_made').on(t.houseId, t.madeAt),
  ],
);
