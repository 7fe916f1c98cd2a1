import {
  hasPermission,
  type PracticeResult,
  type PracticeStart,
  type Session,
} from '@calm/contract';
import { fail, ok } from '@calm/core';
import type { Scope } from '../../database/scope';
import { insertPractice, readPractice } from '../../store/practice/practice';
import { seenAt } from '../lots/records';
import type { Result } from '../result';

/** What whoever is signed in practised, newest first; of everybody, for who leads the crew. */
export async function practiceOf(
  scope: Scope,
  who: Session | null,
): Promise<Result<PracticeResult[]>> {
  if (!who) return fail({ kind: 'signed-out' });
  const isLead = hasPermission(who.role, 'crew');
  return ok(await readPractice(scope, isLead ? null : who.personId));
}

/** Keeps what whoever is signed in practised. */
export async function addPractice(
  scope: Scope,
  who: Session | null,
  { id, at, content }: PracticeStart,
  now: Date,
): Promise<Result<PracticeResult>> {
  if (!who) return fail({ kind: 'signed-out' });
  const seen = seenAt(at, now);
  if (!seen.ok) return seen;
  const result: PracticeResult = {
    id,
    personId: who.personId,
    at: seen.value.toISOString(),
    receivedAt: now.toISOString(),
    content,
  };
  await insertPractice(scope, result);
  return ok(result);
}
