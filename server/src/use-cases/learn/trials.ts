import type { Trial, TrialEnd, TrialStart, VerdictStart } from '@calm/contract';
import { fail, ok } from '@calm/core';
import { randomInt } from 'node:crypto';
import { v7 as uuid } from 'uuid';
import type { Scope } from '../../database/scope';
import { insertTrial, insertVerdict, readTrials, writeTrialEnd } from '../../store/learn/trials';
import { findLotRow } from '../../store/lots/lots';
import { noteChange } from '../access/recordWrite';
import type { Writing } from '../lots/records';
import { badInput, type Result } from '../result';

/** A house's trials, newest first. */
export const trialsOf = (scope: Scope): Promise<Trial[]> => readTrials(scope);

async function trialOf(scope: Scope, id: string): Promise<Result<Trial>> {
  const trial = (await readTrials(scope)).find((each) => each.id === id);
  return trial ? ok(trial) : fail({ kind: 'not-found', what: 'trial' });
}

/** Begins a trial of two lots of one dough; which is called X is drawn. */
export async function startTrial(
  scope: Scope,
  start: TrialStart,
  { personId, now }: Writing,
): Promise<Result<Trial>> {
  const control = await findLotRow(scope, start.controlLotId);
  if (!control) return badInput('controlLotId', 'id.unknown', 'The house has no such lot.');
  const changed = await findLotRow(scope, start.changedLotId);
  if (!changed) return badInput('changedLotId', 'id.unknown', 'The house has no such lot.');
  if (control.formulaId !== changed.formulaId) {
    return badInput('changedLotId', 'trial.other-dough', 'Both are lots of one dough.');
  }
  const id = uuid();
  const called = randomInt(2) === 0 ? 'x' : 'y';
  await insertTrial(scope, { ...start, id, changed: called, startedAt: now, personId });
  return trialOf(scope, id);
}

/** Puts down what somebody says of a trial's lots, as long as nobody has told which is which. */
export async function addVerdict(
  scope: Scope,
  trialId: string,
  { id, choice }: VerdictStart,
  { personId, now }: Writing,
): Promise<Result<Trial>> {
  const trial = await trialOf(scope, trialId);
  if (!trial.ok) return trial;
  if (trial.value.endedAt !== null) {
    return badInput('choice', 'trial.ended', 'It is told already which is which.');
  }
  return (await insertVerdict(scope, { id, trialId, at: now, personId, choice }))
    ? trialOf(scope, trialId)
    : badInput('id', 'id.taken', 'There is a verdict of this name already.');
}

/** Ends a trial, and tells which lot was changed. */
export async function endTrial(
  scope: Scope,
  id: string,
  { version }: TrialEnd,
  now: Date,
): Promise<Result<Trial>> {
  const isWritten = await writeTrialEnd(scope, id, version, now);
  const current = await trialOf(scope, id);
  if (!current.ok) return current;
  if (!isWritten) return fail({ kind: 'stale', current: current.value, sent: { version } });
  noteChange(scope, 'trial', id, { endedAt: null }, { endedAt: current.value.endedAt });
  return current;
}
