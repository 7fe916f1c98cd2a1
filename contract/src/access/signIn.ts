import type { Role } from './permissions';
import type { DisplayPreferences } from './preferences';

/** What somebody types to come in: managers a password, others a PIN on the shared tablet. */
export type SecretKind = 'password' | 'pin';

export const secretKindOf = (role: Role): SecretKind => (role === 'manager' ? 'password' : 'pin');

/** Fewest and most characters of a password; digits of a PIN. */
export const PASSWORD_LENGTH = { least: 10, most: 200 } as const;

export const PIN_LENGTH = { least: 4, most: 8 } as const;

/** Fewest different characters of a password: ten blanks keep nobody out. */
const LEAST_DIFFERENT = 5;

/** Whether a password or PIN will do for a role: long enough, and not the first that anybody would try. */
export function isGoodSecret(role: Role, secret: string): boolean {
  if (secretKindOf(role) === 'password') {
    const isLong = secret.length >= PASSWORD_LENGTH.least && secret.length <= PASSWORD_LENGTH.most;
    return isLong && new Set(secret.trim()).size >= LEAST_DIFFERENT;
  }
  const { least, most } = PIN_LENGTH;
  const isPin = /^\d+$/.test(secret) && secret.length >= least && secret.length <= most;
  return isPin && !isEvenRow(secret);
}

/** The same step from digit to digit throughout: 0000, 1234, 8642. */
function isEvenRow(digits: string): boolean {
  const steps = [...digits].slice(1).map((digit, i) => Number(digit) - Number(digits[i]));
  return new Set(steps).size <= 1;
}

/** Somebody who may try to come in, as the door shows them. */
export interface SignInCandidate {
  readonly id: string;
  readonly name: string;
  readonly initials: string;
  readonly by: SecretKind;
}

/** What can be read before anybody is signed in. */
export interface SignInOptions {
  readonly name: string;
  /** Those who have a password or a PIN. */
  readonly candidates: readonly SignInCandidate[];
  /** Nobody looks after the house yet: the first one makes the owner's account. */
  readonly isUnowned: boolean;
  /** How the house reads, for whoever has not said. */
  readonly display: DisplayPreferences;
  /** What a made-up house tells everybody, by the comers' ids; absent in a real one. */
  readonly demo?: Readonly<Record<string, string>>;
}

/** Who is signed in. */
export interface Session {
  /** Of this signing in on this device; the next one has another. */
  readonly id: string;
  readonly personId: string;
  readonly name: string;
  readonly initials: string;
  readonly role: Role;
  /** How they read; null is as the house does. */
  readonly preferences: DisplayPreferences | null;
}

/** A device on which somebody is signed in. */
export interface SignedInDevice {
  readonly id: string;
  readonly openedAt: string;
  /** When it last asked for anything, within minutes. */
  readonly seenAt: string;
  /** What its browser calls itself. */
  readonly agent: string;
  /** The device that asks. */
  readonly isThis: boolean;
}

/** A new password or PIN for somebody, by whoever proves to be themselves. */
export interface SecretChange {
  readonly secret: string;
  /** The password of whoever changes it: an unlocked tablet is not enough. */
  readonly ownSecret: string;
}

/** Somebody at the door. */
export interface SignIn {
  readonly personId: string;
  readonly secret: string;
}

/** The first account of a house. */
export interface OwnerStart {
  readonly name: string;
  readonly initials: string;
  readonly password: string;
  /** The one-time set-up code that the server printed. */
  readonly code: string;
}
