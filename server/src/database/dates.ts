import { and, gte, lt, type SQL } from 'drizzle-orm';
import type { MySqlColumn } from 'drizzle-orm/mysql-core';

/** Local dates from one up to, not including, another: as every range of dates in here. */
export const datesIn = (column: MySqlColumn, from: string, before: string): SQL | undefined =>
  and(gte(column, from), lt(column, before));

/** An instant as the database takes it. */
export const instantOrNull = (iso: string | null): Date | null =>
  iso === null ? null : new Date(iso);
