import { ok, fail } from '@calm/core';
import {
  isGoodSecret,
  secretKindOf,
  type SignInOptions,
  type House,
  type OwnerStart,
  type Role,
  type SignIn,
  PASSWORD_LENGTH,
  PIN_LENGTH,
  STANDARD_DISPLAY,
} from '@calm/contract';
import { verify } from '@node-rs/argon2';
import { randomUUID } from 'node:crypto';
import { forgetAnswers } from '../../store/access/answers';
import { lockAccess, readOwnership, writeOwned } from '../../store/access/ownership';
import { personRepository, readSignInCandidates, writeSecret } from '../../store/access/crew';
import type { Scope } from '../../database/scope';
import {
  closeSessions,
  beginSignInAttempt,
  recordSignInAttempt,
  openSession,
} from '../../store/access/sessions';
import { hashSecret } from './hashSecret';
import { plainCode } from './setupCode';
import { badInput, type Refused, type Result } from '../result';

/** Wrong tries in a row before the door stays shut for a while. */
const MOST_TRIES = 5;
/** How long it stays shut at first; twice as long after each further wrong try. */
const SHUT_MS = 60_000;
const LONGEST_SHUT_MS = 3_600_000;
/** A device that was away comes back within two weeks, or its writes are new ones. */
const ANSWERS_KEPT_MS = 14 * 24 * 3_600_000;

/** What can be read before anybody is signed in. */
export async function signInOptions(scope: Scope, house: House): Promise<SignInOptions> {
  const { demoSecrets, display = STANDARD_DISPLAY } = house.settings;
  return {
    name: house.name,
    candidates: await readSignInCandidates(scope),
    isUnowned: !(await readOwnership(scope)).isOwned,
    display,
    ...(demoSecrets && { demo: demoSecrets }),
  };
}

/** What a try at the door came to. A wrong try is counted, so it is no refusal that undoes it. */
export type SignInAttempt =
  | { readonly kind: 'in'; readonly token: string }
  | { readonly kind: 'wrong' }
  /** Shut after too many wrong tries. */
  | { readonly kind: 'shut'; readonly until: Date };

/**
 * Lets somebody in who knows their password or PIN. After five wrong tries the door stays shut for that
 * person, a minute at first and twice as long with each further one, whatever device they come from.
 */
export async function attemptSignIn(
  scope: Scope,
  { personId, secret }: SignIn,
  now: Date,
): Promise<SignInAttempt> {
  const person = await beginSignInAttempt(scope, personId);
  if (!person?.secretHash) return { kind: 'wrong' };
  const { failedTries, lockedUntil, secretHash } = person;
  if (lockedUntil && lockedUntil > now) return { kind: 'shut', until: lockedUntil };
  if (await verify(secretHash, secret)) {
    await recordSignInAttempt(scope, personId, { failedTries: 0, lockedUntil: null });
    await forgetAnswers(scope, new Date(now.getTime() - ANSWERS_KEPT_MS));
    return { kind: 'in', token: await openSession(scope, personId, now) };
  }
  const tries = failedTries + 1;
  const shutMs = Math.min(LONGEST_SHUT_MS, SHUT_MS * 2 ** (tries - MOST_TRIES));
  const until = tries >= MOST_TRIES ? new Date(now.getTime() + shutMs) : null;
  await recordSignInAttempt(scope, personId, { failedTries: tries, lockedUntil: until });
  return until ? { kind: 'shut', until } : { kind: 'wrong' };
}

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
  const weak = weakness('manager', password, 'password');
  if (weak) return weak;
  await writeOwned(scope, now);
  const id = randomUUID();
  await personRepository.insert(scope, id, { name, initials, role: 'manager', skills: [] });
  await writeSecret(scope, id, await hashSecret(password));
  return ok({ token: await openSession(scope, id, now) });
}

/** Why a secret will not do for a role; null when it does. */
function weakness(role: Role, secret: string, field = 'secret'): Refused | null {
  if (isGoodSecret(role, secret)) return null;
  const { least, most } = PIN_LENGTH;
  return secretKindOf(role) === 'password'
    ? badInput(
        field,
        'secret.weak',
        `A password has at least ${PASSWORD_LENGTH.least} characters, not the same few throughout.`,
      )
    : badInput(field, 'secret.weak', `A PIN is ${least} to ${most} digits, not in a row.`);
}

/** Gives somebody a new password or PIN. Whoever was signed in as them is signed out. */
export async function changeSecret(
  scope: Scope,
  id: string,
  secret: string,
): Promise<Result<{ readonly canSignIn: true }>> {
  const person = await personRepository.find(scope, id);
  if (!person) return fail({ kind: 'not-found', what: 'person' });
  const weak = weakness(person.role, secret);
  if (weak) return weak;
  await writeSecret(scope, id, await hashSecret(secret));
  await closeSessions(scope, { personId: id });
  return ok({ canSignIn: true });
}
