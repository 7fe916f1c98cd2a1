import type { PlanContent } from '@calm/contract';
import { int, json, mysqlTable, primaryKey } from 'drizzle-orm/mysql-core';
import { instant } from './columns';
import { houseId } from './house';

/** Every plan that was published; the newest is the one the house works by. Rows are only added. */
export const plans = mysqlTable(
  'plans',
  {
    houseId: houseId(),
    /** Counts publications from 1. */
    version: int('version').notNull(),
    publishedAt: instant('published_at').notNull(),
    content: json('content').$type<PlanContent>().notNull(),
  },
  (t) => [primaryKey({ columns: [t.houseId, t.version] })],
);
