import { fail, ok } from '@calm/core';
import type { OwnerStart, SecretChange } from '@calm/contract';
import { verify } from '@node-rs/argon2';
import { randomUUID } from 'node:crypto';
import type { Scope } from '../../database/scope';
import { personRepository, writeSecret } from '../../store/access/crew';
import { lockAccess, readOwnership, writeOwned } from '../../store/access/ownership';
import { beginSignInAttempt, closeSessions, openSession } from '../../store/access/sessions';
import { findHouseById } from '../../store/house/houses';
import { badInput, type Result } from '../result';
import { noteChange } from './recordWrite';
import { hashSecret } from './hashSecret';
import { plainCode } from './setupCode';
import { weakness } from './weakness';

/** Makes the first account of a house that never had an owner, for whoever has its set-up code, and lets them in. */
export async function startOwner(
  scope: Scope,
  { name, initials, password, code }: OwnerStart,
  now: Date,
): Promise<Result<{ token: string }>> {
  await lockAccess(scope);
  const { isOwned, setupHash } = await readOwnership(scope);
  if (isOwned) return badInput('', 'owner.there', 'The house has its owner already.');
  if (setupHash === null || !(await verify(setupHash, plainCode(code))))
    return badInput('code', 'code.wrong', 'That is not the set-up code that the server printed.');
  const weak = await weakness('manager', password, [name, await nameOf(scope)], 'password');
  if (weak) return weak;
  await writeOwned(scope, now);
  const id = randomUUID();
  await personRepository.insert(scope, id, { name, initials, role: 'manager', skills: [] });
  await writeSecret(scope, id, await hashSecret(password));
  noteChange(scope, 'person', id, null, await personRepository.find(scope, id));
  return ok({ token: await openSession(scope, id, now) });
}

/** Gives somebody a new password or PIN. Whoever was signed in as them is signed out. */
export async function changeSecret(
  scope: Scope,
  id: string,
  { secret, ownSecret }: SecretChange,
  by: string | null,
): Promise<Result<{ readonly canSignIn: true }>> {
  const own = by === null ? null : await beginSignInAttempt(scope, by);
  if (!own?.secretHash || !(await verify(own.secretHash, ownSecret)))
    return badInput('ownSecret', 'secret.wrong', 'That is not your own password.');
  const person = await personRepository.find(scope, id);
  if (!person) return fail({ kind: 'not-found', what: 'person' });
  const weak = await weakness(person.role, secret, [person.name, await nameOf(scope)]);
  if (weak) return weak;
  await writeSecret(scope, id, await hashSecret(secret));
  await closeSessions(scope, { personId: id });
  // That there is another one, never what it is.
  noteChange(scope, 'secret', id, null, null);
  return ok({ canSignIn: true });
}

const nameOf = async (scope: Scope): Promise<string> => (await findHouseById(scope))?.name ?? '';
