import { char, int, mysqlTable, primaryKey, varchar } from 'drizzle-orm/mysql-core';
import { instant } from './columns';
import { houseId } from './house';

/** Work of a house that goes one after the other, whichever process does it: each takes the row first. */
export const turns = mysqlTable(
  'turns',
  {
    houseId: houseId(),
    what: varchar('what', { length: 20 }).$type<'cold'>().notNull(),
    taken: int('taken').notNull(),
  },
  (t) => [primaryKey({ columns: [t.houseId, t.what] })],
);

/** Jobs of the server that one process at a time does: who, and until when unless it says so again. */
export const leases = mysqlTable('leases', {
  job: varchar('job', { length: 40 }).notNull().primaryKey(),
  holder: char('holder', { length: 36 }).notNull(),
  until: instant('until').notNull(),
});
