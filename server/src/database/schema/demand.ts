import type { BookedBalls } from '@calm/contract';
import {
  date,
  foreignKey,
  index,
  int,
  json,
  mysqlTable,
  primaryKey,
  smallint,
  tinyint,
  unique,
  varchar,
} from 'drizzle-orm/mysql-core';
import { products } from './book';
import { id, instant, ref, refOrNone, version } from './columns';
import { houseId } from './house';

/** A service that comes every week. Minutes count from local midnight; past 1440 is the next day. */
export const servicePatterns = mysqlTable(
  'service_patterns',
  {
    id: id().primaryKey(),
    houseId: houseId(),
    name: varchar('name', { length: 60 }).notNull(),
    /** 1 = Monday … 7 = Sunday. */
    weekday: tinyint('weekday').notNull(),
    startMin: smallint('start_min').notNull(),
    endMin: smallint('end_min').notNull(),
    /** Local dates between which it comes, both included; null is for ever. */
    firstDate: date('first_date', { mode: 'string' }),
    lastDate: date('last_date', { mode: 'string' }),
    version: version(),
  },
  (t) => [unique('service_patterns_house').on(t.houseId, t.id)],
);

/** What a weekday's service usually needs, until somebody chooses otherwise. */
export const usualCounts = mysqlTable(
  'usual_counts',
  {
    houseId: houseId(),
    patternId: ref('pattern_id'),
    productId: ref('product_id'),
    count: int('count').notNull(),
  },
  (t) => [
    primaryKey({ columns: [t.houseId, t.patternId, t.productId] }),
    foreignKey({
      name: 'usual_counts_pattern',
      columns: [t.houseId, t.patternId],
      foreignColumns: [servicePatterns.houseId, servicePatterns.id],
    }),
    foreignKey({
      name: 'usual_counts_product',
      columns: [t.houseId, t.productId],
      foreignColumns: [products.houseId, products.id],
    }),
  ],
);

/** What somebody chose for one service on one date. A null count went back to the usual. */
export const chosenCounts = mysqlTable(
  'chosen_counts',
  {
    houseId: houseId(),
    date: date('date', { mode: 'string' }).notNull(),
    patternId: ref('pattern_id'),
    productId: ref('product_id'),
    count: int('count'),
    version: version(),
  },
  (t) => [
    primaryKey({ columns: [t.houseId, t.date, t.patternId, t.productId] }),
    foreignKey({
      name: 'chosen_counts_pattern',
      columns: [t.houseId, t.patternId],
      foreignColumns: [servicePatterns.houseId, servicePatterns.id],
    }),
    foreignKey({
      name: 'chosen_counts_product',
      columns: [t.houseId, t.productId],
      foreignColumns: [products.houseId, products.id],
    }),
  ],
);

/** What one service sold of one product: by hand, from a file, or from the till. */
export const sales = mysqlTable(
  'sales',
  {
    houseId: houseId(),
    date: date('date', { mode: 'string' }).notNull(),
    patternId: ref('pattern_id'),
    productId: ref('product_id'),
    sold: int('sold').notNull(),
    /** Minutes from local midnight when the last ball went; null when they lasted. */
    soldOutMin: smallint('sold_out_min'),
    /** Balls counted at the end that are kept; null when nobody counted. */
    leftBalls: smallint('left_balls'),
    version: version(),
  },
  (t) => [
    primaryKey({ columns: [t.houseId, t.date, t.patternId, t.productId] }),
    foreignKey({
      name: 'sales_pattern',
      columns: [t.houseId, t.patternId],
      foreignColumns: [servicePatterns.houseId, servicePatterns.id],
    }),
    foreignKey({
      name: 'sales_product',
      columns: [t.houseId, t.productId],
      foreignColumns: [products.houseId, products.id],
    }),
  ],
);

/** What is on in town, or in the house, that moves demand. */
export const events = mysqlTable(
  'events',
  {
    id: id().primaryKey(),
    houseId: houseId(),
    date: date('date', { mode: 'string' }).notNull(),
    /** One service of the day; null is all of them. */
    patternId: refOrNone('pattern_id'),
    /** The same name is the same kind of event: what it did before teaches what it will do. */
    name: varchar('name', { length: 80 }).notNull(),
    /** What the house expects of it, percent of an ordinary day. */
    expectedPercent: smallint('expected_percent').notNull(),
    note: varchar('note', { length: 300 }).notNull().default(''),
    version: version(),
  },
  (t) => [
    unique('events_house').on(t.houseId, t.id),
    index('events_by_date').on(t.houseId, t.date),
    foreignKey({
      name: 'events_pattern',
      columns: [t.houseId, t.patternId],
      foreignColumns: [servicePatterns.houseId, servicePatterns.id],
    }),
  ],
);

/** Days on which a service is closed, or keeps other hours. */
export const serviceExceptions = mysqlTable(
  'service_exceptions',
  {
    id: id().primaryKey(),
    houseId: houseId(),
    date: date('date', { mode: 'string' }).notNull(),
    /** Null is that day alone. */
    lastDate: date('last_date', { mode: 'string' }),
    isYearly: tinyint('is_yearly').notNull().default(0),
    /** Null is every service of the day. */
    patternId: refOrNone('pattern_id'),
    /** The service that it is one with; null is none. */
    joinsId: refOrNone('joins_id'),
    /** Minutes as in the pattern; both null is closed. */
    startMin: smallint('start_min'),
    endMin: smallint('end_min'),
    note: varchar('note', { length: 300 }).notNull().default(''),
    version: version(),
  },
  (t) => [
    unique('service_exceptions_house').on(t.houseId, t.id),
    index('service_exceptions_by_date').on(t.houseId, t.date),
    foreignKey({
      name: 'service_exceptions_pattern',
      columns: [t.houseId, t.patternId],
      foreignColumns: [servicePatterns.houseId, servicePatterns.id],
    }),
    foreignKey({
      name: 'service_exceptions_joins',
      columns: [t.houseId, t.joinsId],
      foreignColumns: [servicePatterns.houseId, servicePatterns.id],
    }),
  ],
);

/** Parties that come on top of an ordinary service. */
export const bookings = mysqlTable(
  'bookings',
  {
    id: id().primaryKey(),
    houseId: houseId(),
    date: date('date', { mode: 'string' }).notNull(),
    patternId: ref('pattern_id'),
    name: varchar('name', { length: 80 }).notNull(),
    guests: smallint('guests').notNull(),
    balls: json('balls').$type<BookedBalls[]>().notNull(),
    note: varchar('note', { length: 300 }).notNull().default(''),
    version: version(),
  },
  (t) => [
    unique('bookings_house').on(t.houseId, t.id),
    index('bookings_by_date').on(t.houseId, t.date),
    foreignKey({
      name: 'bookings_pattern',
      columns: [t.houseId, t.patternId],
      foreignColumns: [servicePatterns.houseId, servicePatterns.id],
    }),
  ],
);

/** What went in each quarter hour of a service, where somebody knows. */
export const quarterSales = mysqlTable(
  'quarter_sales',
  {
    houseId: houseId(),
    date: date('date', { mode: 'string' }).notNull(),
    patternId: ref('pattern_id'),
    productId: ref('product_id'),
    /** 0 is the first quarter hour. */
    quarter: smallint('quarter').notNull(),
    sold: int('sold').notNull(),
  },
  (t) => [
    primaryKey({ columns: [t.houseId, t.date, t.patternId, t.productId, t.quarter] }),
    foreignKey({
      name: 'quarter_sales_pattern',
      columns: [t.houseId, t.patternId],
      foreignColumns: [servicePatterns.houseId, servicePatterns.id],
    }),
    foreignKey({
      name: 'quarter_sales_product',
      columns: [t.houseId, t.productId],
      foreignColumns: [products.houseId, products.id],
    }),
  ],
);

/** What a till has posted, by its own number: the same number twice is one sale. */
export const tillSales = mysqlTable(
  'till_sales',
  {
    houseId: houseId(),
    number: varchar('number', { length: 60 }).notNull(),
    at: instant('at').notNull(),
    productId: ref('product_id'),
    balls: smallint('balls').notNull(),
    receivedAt: instant('received_at'),
    /** Which till; null is somebody of the house. */
    machineId: refOrNone('machine_id'),
  },
  (t) => [
    primaryKey({ columns: [t.houseId, t.number] }),
    index('till_sales_at').on(t.houseId, t.productId, t.at),
    foreignKey({
      name: 'till_sales_product',
      columns: [t.houseId, t.productId],
      foreignColumns: [products.houseId, products.id],
    }),
  ],
);
