import type { Permission } from './permissions';

/** One line of who did what. */
export interface AuditEntry {
  readonly id: number;
  readonly at: string;
  /** Null where nobody was signed in: somebody at the door. */
  readonly personId: string | null;
  readonly permission: Permission | 'sign-in';
  readonly method: string;
  /** What it was done to: the address within the house. */
  readonly path: string;
}
