import type { Skill } from '@calm/core';

/** Who somebody is in a house, from most to least they may do. */
export const ROLES = ['manager', 'hand', 'oven', 'viewer'] as const;
export type Role = (typeof ROLES)[number];

/**
 * What can be done: see the house; mark work as done; make lots and weigh; sell and count what is left;
 * plan services and work; write the book; look after the crew.
 */
export const DEEDS = ['see', 'mark', 'make', 'sell', 'plan', 'book', 'crew'] as const;
export type Deed = (typeof DEEDS)[number];

/** What each role may do. The server goes by it; pages show only what can be done. */
export const MAY: Readonly<Record<Role, readonly Deed[]>> = {
  manager: DEEDS,
  hand: ['see', 'mark', 'make'],
  oven: ['see', 'mark', 'sell'],
  viewer: ['see'],
};

/** Whether a role may do something. */
export const may = (role: Role, deed: Deed): boolean => MAY[role].includes(deed);

/** What somebody types to come in: managers a password, others a PIN on the shared tablet. */
export type SecretKind = 'password' | 'pin';

export const secretKindOf = (role: Role): SecretKind => (role === 'manager' ? 'password' : 'pin');

/** Fewest and most characters of a password; digits of a PIN. */
export const PASSWORD_LENGTH = { least: 10, most: 200 } as const;
export const PIN_LENGTH = { least: 4, most: 8 } as const;

/** Whether a password or PIN will do for a role. */
export function isGoodSecret(role: Role, secret: string): boolean {
  if (secretKindOf(role) === 'password') {
    return secret.length >= PASSWORD_LENGTH.least && secret.length <= PASSWORD_LENGTH.most;
  }
  const { least, most } = PIN_LENGTH;
  return /^\d+$/.test(secret) && secret.length >= least && secret.length <= most;
}

/** Somebody who may try to come in, as the door shows them. */
export interface Comer {
  readonly id: string;
  readonly name: string;
  readonly initials: string;
  readonly by: SecretKind;
}

/** What can be read before anybody is signed in. */
export interface FrontDoor {
  readonly name: string;
  /** Those who have a password or a PIN. */
  readonly comers: readonly Comer[];
  /** Nobody looks after the house yet: the first one makes the owner's account. */
  readonly isUnowned: boolean;
  /** What a made-up house tells everybody, by the comers' ids; absent in a real one. */
  readonly demo?: Readonly<Record<string, string>>;
}

/** Who is signed in. */
export interface Session {
  readonly personId: string;
  readonly name: string;
  readonly initials: string;
  readonly role: Role;
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
}

/** What is kept about somebody of the crew. */
export interface CrewContent {
  readonly name: string;
  readonly initials: string;
  readonly role: Role;
  readonly skills: readonly Skill[];
}

export interface CrewMember extends CrewContent {
  readonly id: string;
  readonly version: number;
  /** Has a password or a PIN. */
  readonly canSignIn: boolean;
}

/** A shift that comes every week. Minutes after midnight; past midnight goes on counting. */
export interface ShiftPatternContent {
  readonly personId: string;
  /** 1 is Monday. */
  readonly weekday: number;
  readonly startMin: number;
  readonly endMin: number;
}

export interface ShiftPattern extends ShiftPatternContent {
  readonly id: string;
  readonly version: number;
}

/** A day on which somebody's shifts are not as their week says. */
export interface ShiftExceptionContent {
  readonly personId: string;
  /** Local date. */
  readonly date: string;
  /** In at these hours instead; null is away all day. */
  readonly hours: { readonly startMin: number; readonly endMin: number } | null;
  readonly note: string;
}

export interface ShiftException extends ShiftExceptionContent {
  readonly id: string;
  readonly version: number;
}

/** Everybody, their weeks, and the days that differ. */
export interface Crew {
  readonly people: readonly CrewMember[];
  readonly shifts: readonly ShiftPattern[];
  readonly exceptions: readonly ShiftException[];
}

/** One line of who did what. */
export interface AuditEntry {
  readonly id: number;
  readonly at: string;
  /** Null where nobody was signed in: somebody at the door. */
  readonly personId: string | null;
  readonly deed: Deed | 'door';
  readonly method: string;
  /** What it was done to: the address within the house. */
  readonly path: string;
}
