import type { FormulaContent, Method } from '@calm/contract';
import {
  STANDARD_TARGET,
  type Formula,
  type Ingredient,
  type Route,
  type Target,
} from '@calm/core';
import {
  foreignKey,
  int,
  json,
  mysqlTable,
  primaryKey,
  smallint,
  tinyint,
  unique,
  varchar,
} from 'drizzle-orm/mysql-core';
import { grams, id, instant, percent, ref, retiredAt, tempC, version } from './columns';
import { houseId, mixers } from './house';

export const routes = mysqlTable(
  'routes',
  {
    id: id().primaryKey(),
    houseId: houseId(),
    name: varchar('name', { length: 120 }).notNull(),
    stages: json('stages').$type<Route>().notNull(),
    retiredAt: retiredAt(),
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
    retiredAt: retiredAt(),
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
    retiredAt: retiredAt(),
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
