import type {
  AcceptedConstant,
  HouseFit,
  ProposalState,
  RiseErrors,
  TrialJudge,
  Verdict,
  WindowMoves,
} from '@calm/contract';
import {
  char,
  double,
  foreignKey,
  index,
  json,
  mysqlTable,
  unique,
  varchar,
} from 'drizzle-orm/mysql-core';
import { id, instant, ref, refOrNone, version } from './columns';
import { houseId } from './house';
import { lots } from './lots';

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

/** Two lots that differ in one thing, judged by people who are not told which is which. */
export const trials = mysqlTable(
  'trials',
  {
    id: id().primaryKey(),
    houseId: houseId(),
    change: varchar('change_tried', { length: 200 }).notNull(),
    judge: varchar('judge', { length: 8 }).$type<TrialJudge>().notNull(),
    controlLotId: ref('control_lot_id'),
    changedLotId: ref('changed_lot_id'),
    /** What the changed lot is called on the plates. */
    changed: char('changed', { length: 1 }).$type<'x' | 'y'>().notNull(),
    startedAt: instant('started_at').notNull(),
    endedAt: instant('ended_at'),
    personId: refOrNone('person_id'),
    version: version(),
  },
  (t) => [
    unique('trials_house').on(t.houseId, t.id),
    foreignKey({
      name: 'trials_control',
      columns: [t.houseId, t.controlLotId],
      foreignColumns: [lots.houseId, lots.id],
    }),
    foreignKey({
      name: 'trials_changed',
      columns: [t.houseId, t.changedLotId],
      foreignColumns: [lots.houseId, lots.id],
    }),
  ],
);

/** What was said of a trial's lots. */
export const trialVerdicts = mysqlTable(
  'trial_verdicts',
  {
    id: id().primaryKey(),
    houseId: houseId(),
    trialId: ref('trial_id'),
    at: instant('at').notNull(),
    personId: refOrNone('person_id'),
    choice: varchar('choice', { length: 4 }).$type<Verdict>().notNull(),
  },
  (t) => [
    foreignKey({
      name: 'trial_verdicts_trial',
      columns: [t.houseId, t.trialId],
      foreignColumns: [trials.houseId, trials.id],
    }),
  ],
);
