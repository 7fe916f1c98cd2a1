import type {
  DisplayPreferences,
  HouseSettings,
  MixerKind,
  OutOfOrder,
  Role,
  Zone,
} from '@calm/contract';
import type { AirFrom, Room, Skill } from '@calm/core';
import {
  date,
  foreignKey,
  json,
  mysqlTable,
  smallint,
  tinyint,
  unique,
  varchar,
} from 'drizzle-orm/mysql-core';
import { grams, id, instant, ref, retiredAt, tempC, version } from './columns';

export const houses = mysqlTable('houses', {
  id: id().primaryKey(),
  slug: varchar('slug', { length: 60 }).notNull().unique(),
  name: varchar('name', { length: 120 }).notNull(),
  timeZone: varchar('time_zone', { length: 60 }).notNull(),
  settings: json('settings').$type<HouseSettings>().notNull(),
  /** The day on which it is erased for good; null is never. */
  eraseOn: date('erase_on', { mode: 'string' }),
  /** Since when it is put aside; null is worked in. */
  asideOn: date('aside_on', { mode: 'string' }),
  version: version(),
});

/** The house a row belongs to. */
export const houseId = () => ref('house_id').references(() => houses.id);

export const mixers = mysqlTable(
  'mixers',
  {
    id: id().primaryKey(),
    houseId: houseId(),
    name: varchar('name', { length: 120 }).notNull(),
    kind: varchar('kind', { length: 20 }).$type<MixerKind>().notNull(),
    minDoughG: grams('min_dough_g').notNull(),
    maxDoughG: grams('max_dough_g').notNull(),
    frictionC: tempC('friction_c').notNull(),
    /** While it is being mended; null is in order. */
    outOfOrder: json('out_of_order').$type<OutOfOrder>(),
    retiredAt: retiredAt(),
    version: version(),
  },
  (t) => [unique('mixers_house').on(t.houseId, t.id)],
);

/** Where dough stands. */
export const places = mysqlTable(
  'places',
  {
    id: id().primaryKey(),
    houseId: houseId(),
    /** As routes name it. */
    name: varchar('name', { length: 80 }).notNull(),
    zones: json('zones').$type<Zone[]>().notNull(),
    traysAPosition: smallint('trays_a_position').notNull(),
    tubs: smallint('tubs').notNull(),
    /** A cooled place's own numbers; null is a place as warm as the house around it. */
    room: json('room').$type<Room>(),
    /** How warm it is there, by local time. */
    airByHour: json('air_by_hour').$type<readonly AirFrom[]>().notNull().default([]),
    retiredAt: retiredAt(),
    version: version(),
  },
  (t) => [unique('places_house').on(t.houseId, t.id), unique('places_name').on(t.houseId, t.name)],
);

export const people = mysqlTable(
  'people',
  {
    id: id().primaryKey(),
    houseId: houseId(),
    name: varchar('name', { length: 80 }).notNull(),
    initials: varchar('initials', { length: 4 }).notNull(),
    skills: json('skills').$type<readonly Skill[]>().notNull(),
    role: varchar('role', { length: 10 }).$type<Role>().notNull().default('hand'),
    /** Argon2id of the password or PIN; null cannot sign in. */
    secretHash: varchar('secret_hash', { length: 200 }),
    failedTries: smallint('failed_tries').notNull().default(0),
    lockedUntil: instant('locked_until'),
    /** How they read; null is as the house does. */
    preferences: json('preferences').$type<DisplayPreferences>(),
    /** When they left the crew; null is on it. What they did keeps their name. */
    leftAt: instant('left_at'),
    version: version(),
  },
  (t) => [unique('people_house').on(t.houseId, t.id)],
);

/** A shift that comes every week; minutes as in services. */
export const shiftPatterns = mysqlTable(
  'shift_patterns',
  {
    id: id().primaryKey(),
    houseId: houseId(),
    personId: ref('person_id'),
    weekday: tinyint('weekday').notNull(),
    startMin: smallint('start_min').notNull(),
    endMin: smallint('end_min').notNull(),
    version: version(),
  },
  (t) => [
    foreignKey({
      name: 'shift_patterns_person',
      columns: [t.houseId, t.personId],
      foreignColumns: [people.houseId, people.id],
    }),
  ],
);
