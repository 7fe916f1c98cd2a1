import type {
  AcceptedConstant,
  HouseFit,
  ProposalState,
  RiseErrors,
  WindowMoves,
} from '@calm/contract';
import { char, double, index, json, mysqlTable, unique, varchar } from 'drizzle-orm/mysql-core';
import { id, instant, refOrNone, version } from './columns';
import { houseId } from './house';

/** What a house's lots said last of all its numbers. */
export const houseFits = mysqlTable('house_fits', {
  houseId: houseId().primaryKey(),
  at: instant('at').notNull(),
  fit: json('fit').$type<Omit<HouseFit, 'at'>>().notNull(),
});

/** Numbers of its own that a house was proposed, and what became of each. */
export const learnedProposals = mysqlTable(
  'learned_proposals',
  {
    id: id().primaryKey(),
    houseId: houseId(),
    name: varchar('name', { length: 100 }).notNull(),
    by: json('moved_by').$type<Omit<AcceptedConstant, 'name'>>().notNull(),
    sdBefore: double('sd_before').notNull(),
    sdAfter: double('sd_after').notNull(),
    lots: json('lots').$type<readonly string[]>().notNull(),
    riseErrorPercent: json('rise_error_percent').$type<RiseErrors>().notNull(),
    laterMin: json('later_min').$type<WindowMoves>(),
    state: char('state', { length: 10 }).$type<ProposalState>().notNull(),
    madeAt: instant('made_at').notNull(),
    decidedAt: instant('decided_at'),
    personId: refOrNone('person_id'),
    version: version(),
  },
  (t) => [
    unique('learned_proposals_house').on(t.houseId, t.id),
    index('learned_proposals_made').on(t.houseId, t.madeAt),
  ],
);
