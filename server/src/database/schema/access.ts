import type { CalendarContent, HousePart, MachineKind, Permission } from '@calm/contract';
import {
  bigint,
  char,
  date,
  foreignKey,
  index,
  int,
  json,
  mediumtext,
  mysqlTable,
  primaryKey,
  smallint,
  tinyint,
  unique,
  varchar,
} from 'drizzle-orm/mysql-core';
import { id, instant, ref, refOrNone, version } from './columns';
import { houseId, people } from './house';

/** Who may begin in a house. Every change of who looks after it goes through this row, one after the other. */
export const houseAccess = mysqlTable('house_access', {
  houseId: houseId().primaryKey(),
  /** When it had its first owner; a house that had one never takes another without being asked by one. */
  ownedAt: instant('owned_at'),
  /** Of the code with which the first owner begins; null when there is none to begin with. */
  setupHash: varchar('setup_hash', { length: 200 }),
  changes: int('changes').notNull().default(0),
});

/** This server: with which code its first house begins, and how it tells people. */
export const installation = mysqlTable('installation', {
  /** Always 1: there is one row. */
  id: tinyint('id').primaryKey(),
  /** Of the code; null when there is none to begin with. */
  setupHash: varchar('setup_hash', { length: 200 }),
  changes: int('changes').notNull().default(0),
  /** Keys with which it shows browsers' makers who it is, base64url; made once: devices hang on them. */
  pushPublicKey: varchar('push_public_key', { length: 100 }),
  pushPrivateKey: varchar('push_private_key', { length: 60 }),
  /** Whom its e-mails come from; null sends none. */
  mailFrom: varchar('mail_from', { length: 254 }),
});

/** Who is signed in where. Tokens themselves are not kept. */
export const sessions = mysqlTable(
  'sessions',
  {
    /** SHA-256 of the token, hexadecimal. */
    tokenHash: char('token_hash', { length: 64 }).notNull().primaryKey(),
    houseId: houseId(),
    personId: ref('person_id'),
    openedAt: instant('opened_at').notNull(),
    expiresAt: instant('expires_at').notNull(),
    /** When its device last asked for anything, within minutes. */
    seenAt: instant('seen_at').notNull(),
    /** What its browser calls itself. */
    agent: varchar('agent', { length: 200 }).notNull(),
  },
  (t) => [
    foreignKey({
      name: 'sessions_person',
      columns: [t.houseId, t.personId],
      foreignColumns: [people.houseId, people.id],
    }),
  ],
);

/** Devices on which somebody of the house has signed in: their tries are counted apart from everybody else's. */
export const devices = mysqlTable(
  'devices',
  {
    houseId: houseId(),
    /** SHA-256 of the token that the device keeps, hexadecimal. */
    tokenHash: char('token_hash', { length: 64 }).notNull(),
    firstAt: instant('first_at').notNull(),
    lastAt: instant('last_at').notNull(),
    failedTries: smallint('failed_tries').notNull().default(0),
    lockedUntil: instant('locked_until'),
  },
  (t) => [primaryKey({ columns: [t.houseId, t.tokenHash] })],
);

/** Days on which somebody's shifts are not as their week says; without hours they are away. */
export const shiftExceptions = mysqlTable(
  'shift_exceptions',
  {
    id: id().primaryKey(),
    houseId: houseId(),
    personId: ref('person_id'),
    date: date('date', { mode: 'string' }).notNull(),
    /** Whether they are away at these hours; in at them otherwise. */
    isAway: tinyint('is_away').notNull().default(0),
    startMin: smallint('start_min'),
    endMin: smallint('end_min'),
    note: varchar('note', { length: 120 }).notNull(),
    version: version(),
  },
  (t) => [
    unique('shift_exceptions_day').on(t.houseId, t.personId, t.date),
    foreignKey({
      name: 'shift_exceptions_person',
      columns: [t.houseId, t.personId],
      foreignColumns: [people.houseId, people.id],
    }),
  ],
);

/** Probes and tills that post by themselves. Revoked ones stay: what they posted has their name. */
export const machines = mysqlTable(
  'machines',
  {
    id: id().primaryKey(),
    houseId: houseId(),
    /** Stands for it on millions of readings. */
    no: int('no', { unsigned: true }).autoincrement().notNull().unique('machines_no'),
    kind: varchar('kind', { length: 8 }).$type<MachineKind>().notNull(),
    name: varchar('name', { length: 80 }).notNull(),
    probeId: refOrNone('probe_id'),
    /** SHA-256 of the token, hexadecimal. */
    tokenHash: char('token_hash', { length: 64 }).notNull(),
    issuedAt: instant('issued_at').notNull(),
    lastSeenAt: instant('last_seen_at'),
    revokedAt: instant('revoked_at'),
  },
  (t) => [unique('machines_token').on(t.houseId, t.tokenHash)],
);

/** Links that calendars follow by themselves. What is revoked is gone: nothing hangs on it. */
export const calendarLinks = mysqlTable(
  'calendar_links',
  {
    id: id().primaryKey(),
    houseId: houseId(),
    personId: ref('person_id'),
    content: varchar('content', { length: 8 }).$type<CalendarContent>().notNull(),
    /** SHA-256 of the secret, hexadecimal. */
    tokenHash: char('token_hash', { length: 64 }).notNull(),
    issuedAt: instant('issued_at').notNull(),
    lastSeenAt: instant('last_seen_at'),
  },
  (t) => [
    unique('calendar_links_token').on(t.houseId, t.tokenHash),
    foreignKey({
      name: 'calendar_links_person',
      columns: [t.houseId, t.personId],
      foreignColumns: [people.houseId, people.id],
    }),
  ],
);

/** The last link of a house's chain of who did what, as one row that every write goes through. */
export const houseHeads = mysqlTable('house_heads', {
  houseId: houseId().primaryKey(),
  auditNo: int('audit_no').notNull().default(0),
  auditHash: char('audit_hash', { length: 64 }).notNull().default(''),
});

/** How often each part of a house was written: what was worked out from a part is good while its number stands. */
export const houseVersions = mysqlTable(
  'house_versions',
  {
    houseId: houseId(),
    part: varchar('part', { length: 10 }).$type<HousePart>().notNull(),
    version: int('version').notNull(),
  },
  (t) => [primaryKey({ columns: [t.houseId, t.part] })],
);

/** What was written and where, for whoever follows a house; forgotten once no device comes back for it. */
export const writes = mysqlTable(
  'writes',
  {
    id: bigint('id', { mode: 'number' }).autoincrement().primaryKey(),
    houseId: houseId(),
    at: instant('at').notNull(),
    path: varchar('path', { length: 300 }).notNull(),
  },
  (t) => [index('writes_house').on(t.houseId, t.id), index('writes_at').on(t.houseId, t.at)],
);

/**
 * Who did what. Rows are only added: each has its number in the house and a hash over itself and the one before.
 * People may leave; what they did stays.
 */
export const audit = mysqlTable(
  'audit',
  {
    id: bigint('id', { mode: 'number' }).autoincrement().primaryKey(),
    houseId: houseId(),
    at: instant('at').notNull(),
    personId: refOrNone('person_id'),
    permission: varchar('permission', { length: 10 }).$type<Permission | 'sign-in'>().notNull(),
    method: varchar('method', { length: 8 }).notNull(),
    path: varchar('path', { length: 300 }).notNull(),
    /** Counted within the house; null is from before lines were chained. */
    no: int('no'),
    /** Which machine, where it was none of the people. */
    machineId: refOrNone('machine_id'),
    /** What was changed, as JSON text: a hash needs the very letters. */
    changes: mediumtext('changes'),
    /** SHA-256 of the hash before and this line, hexadecimal. */
    hash: char('hash', { length: 64 }),
  },
  (t) => [
    index('audit_house').on(t.houseId, t.id),
    unique('audit_no').on(t.houseId, t.no),
    index('audit_machine').on(t.houseId, t.machineId, t.id),
  ],
);

/** Answers of writes that devices gave a key, so that one sent twice is done once. */
export const answers = mysqlTable(
  'answers',
  {
    houseId: houseId(),
    key: char('key', { length: 36 }).notNull(),
    /** Method and address. */
    what: varchar('what', { length: 300 }).notNull(),
    at: instant('at').notNull(),
    value: json('value').$type<unknown>(),
  },
  (t) => [primaryKey({ columns: [t.houseId, t.key] }), index('answers_at').on(t.houseId, t.at)],
);
