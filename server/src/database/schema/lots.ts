import type { HandoverLine, Recipe, RecordContent, RecordKind } from '@calm/contract';
import type { PlannedStage } from '@calm/core';
import {
  date,
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
import { formulas, products, routes } from './book';
import { bytes, grams, id, instant, percent, ref, refOrNone, tempC, version } from './columns';
import { houseId, mixers } from './house';

export const lots = mysqlTable(
  'lots',
  {
    id: id().primaryKey(),
    houseId: houseId(),
    code: varchar('code', { length: 20 }).notNull(),
    serviceDate: date('service_date', { mode: 'string' }).notNull(),
    formulaId: ref('formula_id'),
    routeId: ref('route_id'),
    mixerId: ref('mixer_id'),
    startedAt: instant('started_at').notNull(),
    doorsAt: instant('doors_at').notNull(),
    closeAt: instant('close_at').notNull(),
    note: varchar('note', { length: 500 }).notNull().default(''),
    leftG: grams('left_g'),
    trimG: grams('trim_g'),
    recipe: json('recipe').$type<Recipe>().notNull(),
    /** Its stages as they were planned when it started. */
    planned: json('planned').$type<readonly PlannedStage[]>(),
    /** One lot of a dough per date may be under way; null once withdrawn, so that it is free again. */
    activeKey: varchar('active_key', { length: 100 }),
    version: version(),
  },
  (t) => [
    unique('lots_house').on(t.houseId, t.id),
    unique('lots_active').on(t.houseId, t.activeKey),
    index('lots_by_date').on(t.houseId, t.serviceDate),
    /** All that the log looks for: it never opens a row that it does not show. */
    index('lots_log').on(t.houseId, t.serviceDate, t.id, t.formulaId, t.code, t.note),
    foreignKey({
      name: 'lots_formula',
      columns: [t.houseId, t.formulaId],
      foreignColumns: [formulas.houseId, formulas.id],
    }),
    foreignKey({
      name: 'lots_route',
      columns: [t.houseId, t.routeId],
      foreignColumns: [routes.houseId, routes.id],
    }),
    foreignKey({
      name: 'lots_mixer',
      columns: [t.houseId, t.mixerId],
      foreignColumns: [mixers.houseId, mixers.id],
    }),
  ],
);

export const lotItems = mysqlTable(
  'lot_items',
  {
    houseId: houseId(),
    lotId: ref('lot_id'),
    productId: ref('product_id'),
    name: varchar('name', { length: 120 }).notNull(),
    position: smallint('position').notNull(),
    count: int('count').notNull(),
    ballWeightG: grams('ball_weight_g').notNull(),
    trimPercent: percent('trim_percent').notNull(),
  },
  (t) => [
    primaryKey({ columns: [t.houseId, t.lotId, t.productId] }),
    foreignKey({
      name: 'lot_items_lot',
      columns: [t.houseId, t.lotId],
      foreignColumns: [lots.houseId, lots.id],
    }),
    foreignKey({
      name: 'lot_items_product',
      columns: [t.houseId, t.productId],
      foreignColumns: [products.houseId, products.id],
    }),
  ],
);

export const loads = mysqlTable(
  'loads',
  {
    houseId: houseId(),
    lotId: ref('lot_id'),
    number: smallint('number').notNull(),
    roomTempC: tempC('room_temp_c').notNull(),
    flourTempC: tempC('flour_temp_c').notNull(),
    tapTempC: tempC('tap_temp_c').notNull(),
    prefermentTempC: tempC('preferment_temp_c'),
    frictionC: tempC('friction_c').notNull(),
    waterTempC: tempC('water_temp_c').notNull(),
    doughOutC: tempC('dough_out_c'),
    version: version(),
  },
  (t) => [
    primaryKey({ columns: [t.houseId, t.lotId, t.number] }),
    foreignKey({
      name: 'loads_lot',
      columns: [t.houseId, t.lotId],
      foreignColumns: [lots.houseId, lots.id],
    }),
  ],
);

/** How steps stand; load 0 is the lot as a whole. */
export const marks = mysqlTable(
  'marks',
  {
    houseId: houseId(),
    lotId: ref('lot_id'),
    loadNumber: smallint('load_number').notNull(),
    stepKey: varchar('step_key', { length: 60 }).notNull(),
    startedAt: instant('started_at'),
    doneAt: instant('done_at'),
    skippedWhy: varchar('skipped_why', { length: 200 }),
    extraMin: smallint('extra_min').notNull().default(0),
    personId: refOrNone('person_id'),
    version: version(),
  },
  (t) => [
    primaryKey({ columns: [t.houseId, t.lotId, t.loadNumber, t.stepKey] }),
    foreignKey({
      name: 'marks_lot',
      columns: [t.houseId, t.lotId],
      foreignColumns: [lots.houseId, lots.id],
    }),
  ],
);

/** What was seen and measured of lots. Rows are only added: one that is wrong is corrected by another. */
export const lotRecords = mysqlTable(
  'lot_records',
  {
    id: id().primaryKey(),
    houseId: houseId(),
    lotId: ref('lot_id'),
    at: instant('at').notNull(),
    receivedAt: instant('received_at'),
    personId: refOrNone('person_id'),
    kind: varchar('kind', { length: 12 }).$type<RecordKind>().notNull(),
    /** What was found, where a kind has that: the log is searched by it. */
    found: varchar('found', { length: 16 }),
    correctsId: refOrNone('corrects_id'),
    content: json('content').$type<RecordContent>().notNull(),
  },
  (t) => [
    index('lot_records_kind').on(t.houseId, t.lotId, t.kind),
    index('lot_records_found').on(t.houseId, t.found),
    foreignKey({
      name: 'lot_records_lot',
      columns: [t.houseId, t.lotId],
      foreignColumns: [lots.houseId, lots.id],
    }),
  ],
);

/** Photos of lots. Each has a record that tells when it was taken and by whom. */
export const lotPhotos = mysqlTable(
  'lot_photos',
  {
    id: id().primaryKey(),
    houseId: houseId(),
    lotId: ref('lot_id'),
    jpeg: bytes('jpeg').notNull(),
  },
  (t) => [
    foreignKey({
      name: 'lot_photos_lot',
      columns: [t.houseId, t.lotId],
      foreignColumns: [lots.houseId, lots.id],
    }),
  ],
);

/** A shift's word to the next one. */
export const handovers = mysqlTable(
  'handovers',
  {
    id: id().primaryKey(),
    houseId: houseId(),
    at: instant('at').notNull(),
    receivedAt: instant('received_at'),
    personId: refOrNone('person_id'),
    lines: json('lines').$type<readonly HandoverLine[]>().notNull(),
    note: varchar('note', { length: 1000 }).notNull(),
    readAt: instant('read_at'),
    readById: refOrNone('read_by_id'),
  },
  (t) => [index('handovers_at').on(t.houseId, t.at)],
);
