import { fail, ok } from '@calm/core';
import { secretKindOf } from '@calm/contract';
import { randomInt } from 'node:crypto';
import type { Scope } from '../../database/scope';
import { readCrew, writeSecret } from '../../store/access/crew';
import { clearDeviceTries } from '../../store/access/devices';
import { clearTries, closeSessions } from '../../store/access/sessions';
import type { Result } from '../result';
import { hashSecret } from './hashSecret';

/*
 * For whoever stands at the server, when nobody can get in at the door any more.
 */

/** Lets everybody of a house try again at once, on every device. */
export async function unlockHouse(scope: Scope): Promise<void> {
  await clearTries(scope);
  await clearDeviceTries(scope);
}

/** Nothing that is read as something else. */
const LETTERS = 'abcdefghjkmnpqrstuvwxyz23456789';
const PASSWORD_LETTERS = 16;
const PIN_DIGITS = 6;

const drawn = (signs: string, count: number): string =>
  Array.from({ length: count }, () => signs[randomInt(signs.length)]).join('');

/**
 * Gives somebody a new password or PIN, drawn by chance, and signs them out everywhere.
 *
 * @param name as it stands in the crew
 * @returns the secret, which nobody keeps; not found when no one, or more than one, has that name
 */
export async function newSecretFor(scope: Scope, name: string): Promise<Result<string>> {
  const { people } = await readCrew(scope);
  const [person, other] = people.filter((each) => each.name === name);
  if (!person || other) return fail({ kind: 'not-found', what: 'person' });
  const isPin = secretKindOf(person.role) === 'pin';
  const secret = isPin ? drawn('0123456789', PIN_DIGITS) : drawn(LETTERS, PASSWORD_LETTERS);
  await writeSecret(scope, person.id, await hashSecret(secret));
  await closeSessions(scope, { personId: person.id });
  return ok(secret);
}
