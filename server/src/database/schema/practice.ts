import type { PracticeContent } from '@calm/contract';
import { foreignKey, index, json, mysqlTable, unique } from 'drizzle-orm/mysql-core';

import { id, instant, ref } from './columns';
import { houseId, people } from './house';

/** What people practised, and how it went: the only thing of practice that is kept. */
export const practiceResults = mysqlTable(
  'practice_results',
  {
    id: id().primaryKey(),
    houseId: houseId(),
    personId: ref('person_id'),
    at: instant('at').notNull(),
    receivedAt: instant('received_at'),
    content: json('content').$type<PracticeContent>().notNull(),
  },
  (t) => [
    unique('practice_results_house').on(t.houseId, t.id),
    index('practice_results_person').on(t.houseId, t.personId, t.at),
    foreignKey({
      name: 'practice_results_person_fk',
      columns: [t.houseId, t.personId],
      foreignColumns: [people.houseId, people.id],
    }),
  ],
);
