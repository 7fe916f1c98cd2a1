import type { Recipe } from '@calm/contract';
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
import { grams, id, instant, percent, ref, tempC, version } from './columns';
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
    /** One lot of a dough per date may be under way; null once withdrawn, so that it is free again. */
    activeKey: varchar('active_key', { length: 100 }),
    version: version(),
  },
  (t) => [
    unique('lots_house').on(t.houseId, t.id),
    unique('lots_active').on(t.houseId, t.activeKey),
    index('lots_by_date').on(t.houseId, t.serviceDate),
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

/** Steps ticked off; load 0 is the lot as a whole. */
export const marks = mysqlTable(
  'marks',
  {
    houseId: houseId(),
    lotId: ref('lot_id'),
    loadNumber: smallint('load_number').notNull(),
    stepKey: varchar('step_key', { length: 60 }).notNull(),
    doneAt: instant('done_at'),
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
