import type { AuditChange, HousePart } from '@calm/contract';
import type { Queries } from './database';

/**
 * The one way to a house's rows: every store function takes a scope and filters by its house, so
 * that no query crosses houses by accident.
 */
export interface Scope {
  readonly tx: Queries;
  readonly houseId: string;
  /** What a write has changed so far, for the record of who did what; where there is none nothing is noted. */
  readonly trail?: AuditChange[];
  /** Parts of the house that a write touches besides the one that its address says. */
  readonly alsoWritten?: Set<HousePart>;
}
