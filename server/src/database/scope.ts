import type { Queries } from './database';

/**
 * The one way to a house's rows: every store function takes a scope and filters by its house, so
 * that no query crosses houses by accident.
 */
export interface Scope {
  readonly tx: Queries;
  readonly houseId: string;
}
