import { fail, ok } from '@calm/core';
import { isGoodSecret, secretKindOf, type Role } from '@calm/contract';
import type { Scope } from '../../database/scope';
import { readCrew, writeSecret } from '../../store/access/crew';
import { clearDeviceTries } from '../../store/access/devices';
import { clearTries, closeSessions } from '../../store/access/sessions';
import type { Result } from '../result';
import { DIGITS, drawSigns, PLAIN_SIGNS } from './drawSigns';
import { noteChange } from './recordWrite';
import { hashSecret } from './hashSecret';

/*
 * For whoever stands at the server, when nobody can get in at the door any more.
 */

/** Lets everybody of a house try again at once, on every device. */
export async function unlockHouse(scope: Scope): Promise<Result<null>> {
  await clearTries(scope);
  await clearDeviceTries(scope);
  return ok(null);
}

const PASSWORD_SIGNS = 16;
const PIN_DIGITS = 6;

/** A secret for a role, by chance; the rare PIN that anybody would try first is drawn again. */
function newSecret(role: Role): string {
  for (;;) {
    const secret =
      secretKindOf(role) === 'pin'
        ? drawSigns(DIGITS, PIN_DIGITS)
        : drawSigns(PLAIN_SIGNS, PASSWORD_SIGNS);
    if (isGoodSecret(role, secret)) return secret;
  }
}

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
  const secret = newSecret(person.role);
  await writeSecret(scope, person.id, await hashSecret(secret));
  await closeSessions(scope, { personId: person.id });
  noteChange(scope, 'secret', person.id, null, null);
  return ok(secret);
}
