import { char, customType, datetime, decimal, int } from 'drizzle-orm/mysql-core';

/*
 * Columns that tables have in common. Everything belongs to a house: each table is unique on
 * (house_id, id) and refers to others by both, so the database itself refuses a row that points into
 * another house.
 */

export const id = () => char('id', { length: 36 }).notNull();
export const ref = (name: string) => char(name, { length: 36 }).notNull();
/** A reference that may be absent. */
export const refOrNone = (name: string) => char(name, { length: 36 });
/** Counts writes: a write carries the version it read. */
export const version = () => int('version').notNull().default(1);
export const grams = (name: string) => decimal(name, { precision: 12, scale: 3, mode: 'number' });
export const percent = (name: string) => decimal(name, { precision: 8, scale: 4, mode: 'number' });
export const tempC = (name: string) => decimal(name, { precision: 6, scale: 2, mode: 'number' });
export const instant = (name: string) => datetime(name, { mode: 'date', fsp: 3 });
/** Since when it is offered no more; null is offered. What is on record keeps it. */
export const retiredAt = () => instant('retired_at');
/** Bytes, up to 16 MB. */
export const bytes = customType<{ data: Buffer }>({ dataType: () => 'mediumblob' });
