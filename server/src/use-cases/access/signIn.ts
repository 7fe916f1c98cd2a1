import { DAY_MS, HOUR_MS } from '@calm/core';
import { STANDARD_DISPLAY, type House, type SignIn, type SignInOptions } from '@calm/contract';
import { verify } from '@node-rs/argon2';
import type { Scope } from '../../database/scope';
import { forgetAnswers } from '../../store/access/answers';
import { forgetWrites } from '../../store/writes';
import { readSignInCandidates } from '../../store/access/crew';
import {
  beginDeviceTry,
  forgetDevices,
  keepDevice,
  NO_TRIES,
  recordDeviceTry,
  touchDevice,
  type Tries,
} from '../../store/access/devices';
import { readOwnership } from '../../store/access/ownership';
import {
  beginSignInAttempt,
  closeSessions,
  forgetSessions,
  openSession,
  recordSignInAttempt,
} from '../../store/access/sessions';
import { noteChange } from './recordWrite';

/** Wrong tries in a row before the door stays shut for a while. */
const MOST_TRIES = 5;
/** How long it stays shut at first; twice as long after each further wrong try. */
const SHUT_MS = 60_000;
const LONGEST_SHUT_MS = HOUR_MS;
/** More wrong tries than this shut the door no longer. */
const MOST_COUNTED = 1000;
/** A device that was away comes back within two weeks, or its writes are new ones. */
const ANSWERS_KEPT_MS = 14 * DAY_MS;
/** A device on which nobody signed in for so long is a strange one again. */
export const DEVICE_KEPT_MS = 400 * DAY_MS;

/** What a device brings along when somebody signs in on it. */
export interface SigningDevice {
  /** What it is known by; null where nobody of the house has signed in yet. */
  readonly device: string | null;
  /** The session that is open on it; it ends when another begins. */
  readonly token: string | null;
  /** What its browser calls itself. */
  readonly agent: string;
}

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
  /** `device` is what this device is known by from now on. */
  | { readonly kind: 'in'; readonly token: string; readonly device: string }
  | { readonly kind: 'wrong' }
  /** Shut after too many wrong tries. */
  | { readonly kind: 'shut'; readonly until: Date };

/**
 * Lets somebody in who knows their password or PIN. After five wrong tries the door stays shut, a minute at first
 * and twice as long with each further one. Strange devices are counted by the person they try to be, whichever
 * they are; one on which somebody has signed in before is counted by itself, so that nobody outside can keep the
 * crew out.
 */
export async function attemptSignIn(
  scope: Scope,
  { personId, secret }: SignIn,
  { device, token, agent }: SigningDevice,
  now: Date,
): Promise<SignInAttempt> {
  const person = await beginSignInAttempt(scope, personId);
  if (!person?.secretHash) return { kind: 'wrong' };
  const known = await beginDeviceTry(scope, device);
  const tries: Tries = known ?? person;
  if (tries.lockedUntil && tries.lockedUntil > now)
    return { kind: 'shut', until: tries.lockedUntil };
  const knownDevice = known && device;
  if (!(await verify(person.secretHash, secret))) {
    const after = afterWrong(tries, now);
    if (knownDevice) await recordDeviceTry(scope, knownDevice, after);
    else await recordSignInAttempt(scope, personId, after);
    noteChange(scope, 'wrong-secret', personId, null, null);
    return after.lockedUntil ? { kind: 'shut', until: after.lockedUntil } : { kind: 'wrong' };
  }
  if (knownDevice) await touchDevice(scope, knownDevice, now);
  else await recordSignInAttempt(scope, personId, NO_TRIES);
  await forgetOld(scope, now);
  if (token !== null) await closeSessions(scope, { token });
  noteChange(scope, 'session', personId, null, null);
  return {
    kind: 'in',
    token: await openSession(scope, personId, now, agent),
    device: knownDevice ?? (await keepDevice(scope, now)),
  };
}

/** Tries after one more wrong one. */
function afterWrong({ failedTries }: Tries, now: Date): Tries {
  const tries = failedTries + 1;
  const shutMs = Math.min(LONGEST_SHUT_MS, SHUT_MS * 2 ** (tries - MOST_TRIES));
  const lockedUntil = tries >= MOST_TRIES ? new Date(now.getTime() + shutMs) : null;
  return { failedTries: Math.min(tries, MOST_COUNTED), lockedUntil };
}

/** What is kept for a while only goes when somebody signs in: answers, writes to follow, sessions, devices. */
async function forgetOld(scope: Scope, now: Date): Promise<void> {
  await forgetAnswers(scope, new Date(now.getTime() - ANSWERS_KEPT_MS));
  await forgetWrites(scope, new Date(now.getTime() - ANSWERS_KEPT_MS));
  await forgetSessions(scope, now);
  await forgetDevices(scope, new Date(now.getTime() - DEVICE_KEPT_MS));
}
