import type { CalibrationContent, ColdNoteContent } from '@calm/contract';
import type { AlarmKind, Cause, LikelyCause } from '@calm/core';
import {
  foreignKey,
  index,
  int,
  json,
  mysqlTable,
  primaryKey,
  smallint,
  unique,
  varchar,
} from 'drizzle-orm/mysql-core';
import { id, instant, ref, refOrNone, tempC, version } from './columns';
import { houseId, places } from './house';

/** What takes temperatures. Its number stands for it on millions of readings. */
export const probes = mysqlTable(
  'probes',
  {
    id: id().primaryKey(),
    houseId: houseId(),
    no: int('no', { unsigned: true }).autoincrement().notNull().unique('probes_no'),
    name: varchar('name', { length: 80 }).notNull(),
    placeId: ref('place_id'),
    zone: varchar('zone', { length: 40 }).notNull(),
    calibrations: json('calibrations').$type<readonly CalibrationContent[]>().notNull(),
    version: version(),
  },
  (t) => [
    unique('probes_house').on(t.houseId, t.id),
    unique('probes_name').on(t.houseId, t.name),
    foreignKey({
      name: 'probes_place',
      columns: [t.houseId, t.placeId],
      foreignColumns: [places.houseId, places.id],
    }),
  ],
);

/**
 * Every reading as it was posted, in hundredths of a degree. One for each moment of a probe: what comes twice is
 * there already.
 */
export const readings = mysqlTable(
  'readings',
  {
    probeNo: int('probe_no', { unsigned: true })
      .notNull()
      .references(() => probes.no),
    /** Seconds since the epoch. */
    atS: int('at_s', { unsigned: true }).notNull(),
    centiC: smallint('centi_c').notNull(),
    /** When the house took it, seconds since the epoch; null for what is from before that was kept. */
    receivedS: int('received_s', { unsigned: true }),
    /** Number of the machine that posted it; null is somebody of the house. */
    machineNo: int('machine_no', { unsigned: true }),
  },
  (t) => [primaryKey({ columns: [t.probeNo, t.atS] })],
);

/** Readings as one line for each ten minutes, always calculated again from the readings themselves. */
export const readingBuckets = mysqlTable(
  'reading_buckets',
  {
    probeNo: int('probe_no', { unsigned: true })
      .notNull()
      .references(() => probes.no),
    atS: int('at_s', { unsigned: true }).notNull(),
    readings: smallint('readings', { unsigned: true }).notNull(),
    sumCentiC: int('sum_centi_c').notNull(),
    minCentiC: smallint('min_centi_c').notNull(),
    maxCentiC: smallint('max_centi_c').notNull(),
  },
  (t) => [primaryKey({ columns: [t.probeNo, t.atS] })],
);

/** What was found wrong with the cold, and who took care of it. */
export const coldAlarms = mysqlTable(
  'cold_alarms',
  {
    id: id().primaryKey(),
    houseId: houseId(),
    probeId: ref('probe_id'),
    kind: varchar('kind', { length: 12 }).$type<AlarmKind>().notNull(),
    fromAt: instant('from_at').notNull(),
    untilAt: instant('until_at'),
    worstC: tempC('worst_c'),
    meanC: tempC('mean_c'),
    causes: json('causes').$type<readonly LikelyCause[]>().notNull(),
    acknowledgedAt: instant('acknowledged_at'),
    acknowledgedById: refOrNone('acknowledged_by_id'),
    foundCause: varchar('found_cause', { length: 12 }).$type<Cause>(),
    note: varchar('note', { length: 500 }).notNull().default(''),
    version: version(),
  },
  (t) => [
    index('cold_alarms_from').on(t.houseId, t.fromAt),
    index('cold_alarms_open').on(t.acknowledgedAt, t.untilAt),
    foreignKey({
      name: 'cold_alarms_probe',
      columns: [t.houseId, t.probeId],
      foreignColumns: [probes.houseId, probes.id],
    }),
  ],
);

/** Temperatures taken by hand, and what was done. Rows are only added. */
export const coldNotes = mysqlTable(
  'cold_notes',
  {
    id: id().primaryKey(),
    houseId: houseId(),
    at: instant('at').notNull(),
    receivedAt: instant('received_at'),
    personId: refOrNone('person_id'),
    content: json('content').$type<ColdNoteContent>().notNull(),
  },
  (t) => [index('cold_notes_at').on(t.houseId, t.at)],
);
