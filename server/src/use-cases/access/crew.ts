import {
  type AuditEntry,
  type Crew,
  secretKindOf,
  type CrewContent,
  type CrewMember,
  type RecordChange,
} from '@calm/contract';
import {
  readCrew,
  shiftExceptionRepository,
  shiftRepository,
  hasManager,
  personRepository,
  rejoinCrew,
  writeSecret,
} from '../../store/access/crew';
import { readAudit } from '../../store/access/auditLog';
import { lockAccess } from '../../store/access/ownership';
import { fail, ok } from '@calm/core';
import type { Scope } from '../../database/scope';
import { closeSessions } from '../../store/access/sessions';
import { noteChange } from './recordWrite';
import { badInput, type Result } from '../result';
import { changeRecord, recordWrites, removeRecord } from '../recordWrites';

const lastManager = (path: string) =>
  badInput(
    path,
    'role.last-manager',
    'Somebody has to look after the house: make another manager first.',
  );

/**
 * Changes somebody of the crew. Whoever becomes a manager, or ceases to be one, comes in by another kind of
 * secret: the old one is taken away, and they are signed out.
 */
export async function changePerson(
  scope: Scope,
  id: string,
  change: RecordChange<CrewContent>,
): Promise<Result<CrewMember>> {
  await lockAccess(scope);
  const before = await personRepository.find(scope, id);
  const { role } = change.content;
  const isStepDown = before?.role === 'manager' && role !== 'manager';
  if (isStepDown && !(await hasManager(scope, id))) return lastManager('content/role');
  const changed = await changeRecord(scope, personRepository, id, change);
  if (!changed.ok || !before || before.role === role) return changed;
  await closeSessions(scope, { personId: id });
  if (secretKindOf(before.role) === secretKindOf(role)) return changed;
  await writeSecret(scope, id, null);
  return ok({ ...changed.value, canSignIn: false });
}

/** Takes somebody out of the crew; what they did stays on record. */
export async function removePerson(scope: Scope, id: string): Promise<Result<CrewMember>> {
  await lockAccess(scope);
  const there = await personRepository.find(scope, id);
  if (there?.role === 'manager' && !(await hasManager(scope, id))) return lastManager('');
  return removeRecord(scope, personRepository, id);
}

/** Takes somebody back who had left the crew; they come in again once they are given a secret. */
export async function rejoin(scope: Scope, id: string): Promise<Result<CrewMember>> {
  const isBack = await rejoinCrew(scope, id);
  const person = await personRepository.find(scope, id);
  if (!isBack || !person) return fail({ kind: 'not-found', what: 'person' });
  noteChange(scope, 'person', id, null, person);
  return ok(person);
}

/** Crew members as records; changing and removing them needs more than that: `changePerson`, `removePerson`. */
export const people = recordWrites(personRepository);
export const shiftPatterns = recordWrites(shiftRepository);
export const shiftExceptions = recordWrites(shiftExceptionRepository);

/** Everybody, their weeks, and the days that differ. */
export const crewOf = (scope: Scope): Promise<Crew> => readCrew(scope);

/** Who changed what, newest first, before an entry. */
export const activityLog = (scope: Scope, before?: number): Promise<AuditEntry[]> =>
  readAudit(scope, before);
