import {
  STANDARD_TARGET,
  type Formula,
  type Ingredient,
  type Route,
  type Skill,
  type Target,
} from '@calm/core';
import type { FormulaContent, HouseSettings, Method, Recipe } from '@calm/contract';
import {
  char,
  date,
  datetime,
  decimal,
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

/*
 * Everything belongs to a house. Each table is unique on (house_id, id) and refers to others by
 * both, so the database itself refuses a row that points into another house.
 */

const id = () => char('id', { length: 36 }).notNull();
const ref = (name: string) => char(name, { length: 36 }).notNull();
const houseId = () => ref('house_id').references(() => houses.id);
const version = () => int('version').notNull().default(1);
const grams = (name: string) => decimal(name, { precision: 12, scale: 3, mode: 'number' });
const percent = (name: string) => decimal(name, { precision: 8, scale: 4, mode: 'number' });
const tempC = (name: string) => decimal(name, { precision: 6, scale: 2, mode: 'number' });
const instant = (name: string) => datetime(name, { mode: 'date', fsp: 3 });

export const houses = mysqlTable('houses', {
  id: id().primaryKey(),
  slug: varchar('slug', { length: 60 }).notNull().unique(),
  name: varchar('name', { length: 120 }).notNull(),
  timeZone: varchar('time_zone', { length: 60 }).notNull(),
  settings: json('settings').$type<HouseSettings>().notNull(),
  version: version(),
});

export const mixers = mysqlTable(
  'mixers',
  {
    id: id().primaryKey(),
    houseId: houseId(),
    name: varchar('name', { length: 120 }).notNull(),
    kind: varchar('kind', { length: 20 }).$type<'spiral' | 'planetary' | 'hand'>().notNull(),
    minDoughG: grams('min_dough_g').notNull(),
    maxDoughG: grams('max_dough_g').notNull(),
    frictionC: tempC('friction_c').notNull(),
    version: version(),
  },
  (t) => [unique('mixers_house').on(t.houseId, t.id)],
);

export const people = mysqlTable(
  'people',
  {
    id: id().primaryKey(),
    houseId: houseId(),
    name: varchar('name', { length: 80 }).notNull(),
    initials: varchar('initials', { length: 4 }).notNull(),
    skills: json('skills').$type<Skill[]>().notNull(),
    version: version(),
  },
  (t) => [unique('people_house').on(t.houseId, t.id)],
);

export const routes = mysqlTable(
  'routes',
  {
    id: id().primaryKey(),
    houseId: houseId(),
    name: varchar('name', { length: 120 }).notNull(),
    stages: json('stages').$type<Route>().notNull(),
    version: version(),
  },
  (t) => [unique('routes_house').on(t.houseId, t.id)],
);

export const formulas = mysqlTable(
  'formulas',
  {
    id: id().primaryKey(),
    houseId: houseId(),
    slug: varchar('slug', { length: 60 }).notNull(),
    code: varchar('code', { length: 4 }).notNull(),
    name: varchar('name', { length: 120 }).notNull(),
    formula: json('formula').$type<Formula>().notNull(),
    doughTempC: tempC('dough_temp_c').notNull(),
    method: json('method').$type<Method>().notNull(),
    mixerId: ref('mixer_id'),
    allergens: json('allergens').$type<string[]>().notNull(),
    version: version(),
  },
  (t) => [
    unique('formulas_house').on(t.houseId, t.id),
    unique('formulas_slug').on(t.houseId, t.slug),
    foreignKey({
      name: 'formulas_mixer',
      columns: [t.houseId, t.mixerId],
      foreignColumns: [mixers.houseId, mixers.id],
    }),
  ],
);

/** Every version a formula has had, the present one too. Rows are only added. */
export const formulaVersions = mysqlTable(
  'formula_versions',
  {
    houseId: houseId(),
    formulaId: ref('formula_id'),
    version: int('version').notNull(),
    note: varchar('note', { length: 300 }).notNull(),
    savedAt: instant('saved_at').notNull(),
    content: json('content').$type<FormulaContent & { allergens: string[] }>().notNull(),
  },
  (t) => [
    primaryKey({ columns: [t.houseId, t.formulaId, t.version] }),
    foreignKey({
      name: 'formula_versions_formula',
      columns: [t.houseId, t.formulaId],
      foreignColumns: [formulas.houseId, formulas.id],
    }),
  ],
);

/** What the house buys, by name. */
export const ingredients = mysqlTable(
  'ingredients',
  {
    id: id().primaryKey(),
    houseId: houseId(),
    name: varchar('name', { length: 80 }).notNull(),
    facts: json('facts').$type<Omit<Ingredient, 'name'>>().notNull(),
    version: version(),
  },
  (t) => [
    unique('ingredients_house').on(t.houseId, t.id),
    unique('ingredients_name').on(t.houseId, t.name),
  ],
);

export const products = mysqlTable(
  'products',
  {
    id: id().primaryKey(),
    houseId: houseId(),
    slug: varchar('slug', { length: 60 }).notNull(),
    name: varchar('name', { length: 120 }).notNull(),
    position: smallint('position').notNull(),
    formulaId: ref('formula_id'),
    routeId: ref('route_id'),
    ballWeightG: grams('ball_weight_g').notNull(),
    trimPercent: percent('trim_percent').notNull(),
    ballsPerTray: smallint('balls_per_tray').notNull(),
    isFromRemainders: tinyint('is_from_remainders').notNull(),
    target: json('target').$type<Target>().notNull().default(STANDARD_TARGET),
    version: version(),
  },
  (t) => [
    unique('products_house').on(t.houseId, t.id),
    unique('products_slug').on(t.houseId, t.slug),
    foreignKey({
      name: 'products_formula',
      columns: [t.houseId, t.formulaId],
      foreignColumns: [formulas.houseId, formulas.id],
    }),
    foreignKey({
      name: 'products_route',
      columns: [t.houseId, t.routeId],
      foreignColumns: [routes.houseId, routes.id],
    }),
  ],
);

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
    patternId: char('pattern_id', { length: 36 }),
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
