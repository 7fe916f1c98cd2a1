import type { Skill } from '@calm/core';
import type { Role } from './permissions';

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

/** A day on which somebody's shifts are not as their week says: in at these hours instead, or away during them. */
export interface ShiftExceptionContent {
  readonly personId: string;
  /** Local date. */
  readonly date: string;
  /** Whether they are away at these hours and in at the others; away all day where there are no hours. */
  readonly isAway: boolean;
  /** Null is the whole day, away. */
  readonly hours: { readonly startMin: number; readonly endMin: number } | null;
  readonly note: string;
}

export interface ShiftException extends ShiftExceptionContent {
  readonly id: string;
  readonly version: number;
}

/** Somebody who has left the crew: what they did keeps their name. */
export interface FormerPerson {
  readonly id: string;
  readonly name: string;
  readonly initials: string;
}

/** Everybody, their weeks, and the days that differ. */
export interface Crew {
  readonly people: readonly CrewMember[];
  readonly formerPeople: readonly FormerPerson[];
  readonly shifts: readonly ShiftPattern[];
  readonly exceptions: readonly ShiftException[];
}
