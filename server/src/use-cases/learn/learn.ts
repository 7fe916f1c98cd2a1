import type { House, LearnedNumbers, LearnedProposal, ProposalDecision } from '@calm/contract';
import { fail, ok, DAY_MS, learnWork } from '@calm/core';
import { airReadIn, inForceOf, lotToLearn, workSamples, type Learned } from '@calm/domain';
import { v7 as uuid } from 'uuid';
import type { Scope } from '../../database/scope';
import { readBook, writeHouse } from '../../store/house/houses';
import {
  deleteUndecided,
  insertProposals,
  readFit,
  readProposals,
  writeDecision,
  writeFit,
} from '../../store/learn/proposals';
import { readFinishedLots } from '../../store/lots/finishedLots';
import { readRecordsOf } from '../../store/lots/records';
import { onThread } from '../../workers/threads';
import { noteChange } from '../access/recordWrite';
import type { Writing } from '../lots/records';
import type { Result } from '../result';
import { airSince } from './airSince';

/** Older dough says little of today's: other flour, another season. */
const DAYS_BACK = 42;
/** Lots that are learned from, the newest. */
const MOST_LOTS = 30;
/** What was left for later is proposed again once so many more lots say it. */
const MORE_LOTS = 3;
/** What somebody saw or measured of a lot. */
const TELLING = ['looked', 'risen', 'core', 'checked', 'opened'] as const;

/** A house's own numbers: in force, proposed, and what its lots say of the others. */
export async function learnedNumbers(scope: Scope, { settings }: House): Promise<LearnedNumbers> {
  return {
    inForce: settings.learned ?? [],
    proposals: await readProposals(scope),
    fit: await readFit(scope),
  };
}

/**
 * Learns from the lots that are over, and proposes what they say. Lots from before something was accepted told that
 * already: they are not asked twice.
 */
export async function learnNow(scope: Scope, house: House, now: Date): Promise<LearnedNumbers> {
  const before = await readProposals(scope);
  const { lots, work } = await lotsToLearn(scope, house, lastAccepted(before, now), now);
  const learned = await onThread(
    'learn',
    lots.map(({ seen }) => seen),
  );
  await writeFit(scope, now, { ...fitOf(learned, lots.length), work: learnWork(work) });
  const codes = new Map(lots.map(({ seen, code }) => [seen.id, code]));
  const proposals = proposalsOf(learned, before, codes, now);
  const names = new Set(learned.constants.map(({ name }) => name));
  await deleteUndecided(
    scope,
    before.filter(({ state, name }) => state === 'proposed' && names.has(name)).map(({ id }) => id),
  );
  await insertProposals(scope, proposals, now);
  return learnedNumbers(scope, house);
}

const fitOf = ({ constants, riseErrorPercent }: Learned, lots: number) => ({
  constants,
  riseErrorPercent,
  lots,
});

/** From when on lots are asked. */
function lastAccepted(proposals: readonly LearnedProposal[], now: Date): Date {
  const accepted = proposals.flatMap(({ state, decidedAt }) =>
    state === 'accepted' && decidedAt ? [Date.parse(decidedAt)] : [],
  );
  return new Date(Math.max(now.getTime() - DAYS_BACK * DAY_MS, ...accepted));
}

async function lotsToLearn(scope: Scope, house: House, from: Date, now: Date) {
  const book = await readBook(scope, house);
  const finished = await readFinishedLots(scope, from, now, MOST_LOTS);
  const records = await readRecordsOf(
    scope,
    finished.map(({ lot }) => lot.id),
    [...TELLING, 'taken-back'],
  );
  const oldestMs = Math.min(
    now.getTime(),
    ...finished.map(({ lot }) => Date.parse(lot.startedAt) - DAY_MS),
  );
  const air = await airSince(scope, book.places, new Date(oldestMs), now);
  const seenLots = finished.flatMap(({ lot, planned }) => {
    const own = records.filter(({ lotId }) => lotId === lot.id);
    const seen = lotToLearn(
      { lot, planned, records: own },
      book,
      house.settings.learned ?? [],
      airReadIn(book.places, air),
    );
    return seen ? [{ seen, code: lot.code }] : [];
  });
  const timed = finished.map((each) => ({ ...each, records: [] }));
  return { lots: seenLots, work: workSamples(timed, book) };
}

/** What is new to propose. */
function proposalsOf(
  { constants, riseErrorPercent, laterMin }: Learned,
  before: readonly LearnedProposal[],
  codes: ReadonlyMap<string, string>,
  now: Date,
): LearnedProposal[] {
  return constants.flatMap((constant): LearnedProposal[] => {
    const { name, factor, shift, sdBefore, sdAfter, lots, isMoved } = constant;
    const put = before.find((each) => each.name === name && each.state === 'later');
    if (!isMoved || (put && lots.length < put.lots.length + MORE_LOTS)) return [];
    return [
      {
        id: uuid(),
        version: 1,
        name,
        ...(shift === undefined ? { factor: factor ?? 1 } : { shift }),
        madeAt: now.toISOString(),
        sdBefore,
        sdAfter,
        lots: lots.map((id) => codes.get(id) ?? id),
        riseErrorPercent,
        laterMin: laterMin[name] ?? null,
        state: 'proposed',
        decidedAt: null,
        personId: null,
      },
    ];
  });
}

/** Somebody accepts a proposal, leaves it for later or takes it back. Dough that is under way keeps what it began with. */
export async function decideLearned(
  scope: Scope,
  house: House,
  id: string,
  { version, state }: ProposalDecision,
  { personId, now }: Writing,
): Promise<Result<LearnedNumbers>> {
  const decision = { state, decidedAt: now, personId };
  const isWritten = await writeDecision(scope, id, version, decision);
  const proposals = await readProposals(scope);
  const current = proposals.find((each) => each.id === id);
  if (!current) return fail({ kind: 'not-found', what: 'proposal' });
  if (!isWritten) return fail({ kind: 'stale', current, sent: { state } });
  const learned = inForceOf(proposals);
  const settings = { ...house.settings, learned };
  const { name, timeZone } = house;
  if (!(await writeHouse(scope, house.version, { name, timeZone, settings }))) {
    return fail({ kind: 'stale', current: house, sent: { learned } });
  }
  noteChange(scope, 'proposal', id, house.settings.learned ?? [], learned);
  return ok(await learnedNumbers(scope, { ...house, settings }));
}
