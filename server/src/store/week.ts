import { eq } from 'drizzle-orm';
import * as t from './schema';
import type { Scope } from './scope';

/** The services that come every week. */
export function readServicePatterns({ tx, houseId }: Scope) {
  return tx.select().from(t.servicePatterns).where(eq(t.servicePatterns.houseId, houseId));
}

/** The shifts that come every week. */
export function readShiftPatterns({ tx, houseId }: Scope) {
  return tx.select().from(t.shiftPatterns).where(eq(t.shiftPatterns.houseId, houseId));
}
