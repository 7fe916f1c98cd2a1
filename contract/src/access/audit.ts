import type { Permission } from './permissions';

/** One thing that a write changed: the fields that differ, before and after. */
export interface AuditChange {
  /** What kind of thing: `person`, `count`, `load`, … */
  readonly what: string;
  /** Which one; a count's is its date, service and product. */
  readonly id: string;
  /** Null where it was not there before. Values too long to keep are told by their length and hash. */
  readonly before: Readonly<Record<string, unknown>> | null;
  /** Null where it is not there any more. */
  readonly after: Readonly<Record<string, unknown>> | null;
}

/** One line of who did what. */
export interface AuditEntry {
  readonly id: number;
  /** Its number in the house's chain; null for lines from before there was one. */
  readonly no: number | null;
  readonly at: string;
  /** Null where nobody was signed in: somebody at the door, or a machine. */
  readonly personId: string | null;
  /** The machine that wrote; its lines stand for an hour each. */
  readonly machineId: string | null;
  readonly permission: Permission | 'sign-in';
  readonly method: string;
  /** What it was done to: the address within the house. */
  readonly path: string;
  readonly changes: readonly AuditChange[];
}
