import type { Logger } from 'pino';
import type { Clock } from '../clock';
import { findHouse, listHouses } from '../store/house/houses';
import type { Database } from '../database/database';
import { inTransaction } from '../database/transaction';
import { recordWrite } from '../use-cases/access/recordWrite';
import { watchCold } from '../use-cases/cold/watchCold';
import { startLeasedJob } from './leasedJob';

/** A probe that has fallen silent says nothing: the cold is looked at this often, ms. */
const EVERY_MS = 60_000;

/** Whoever looks does so until it has not for so long, s: then another process does. */
const LEASE_S = 150;

/**
 * Looks after the cold of every house while nothing is posted. What changes is told to devices like any other
 * write. Of several processes on one database one looks.
 *
 * @returns how to stop; resolves when nothing runs any more
 */
export function startColdWatch(
  db: Database,
  clock: Clock,
  log: Logger,
  onChange: () => void,
): () => Promise<void> {
  return startLeasedJob(db, {
    name: 'cold-watch',
    everyMs: EVERY_MS,
    leaseS: LEASE_S,
    renewedMs: 0,
    work: async () => {
      if ((await lookOnce(db, clock.now())) > 0) onChange();
    },
    onFault: (error) => log.warn({ err: error }, 'the cold could not be looked at'),
  });
}

/** As what the server itself is on record. */
const WATCH = {
  personId: null,
  machineId: null,
  permission: 'mark',
  method: 'PUT',
  path: '/alarms',
} as const;

/** Looks at every house once. @returns how many have changed */
export async function lookOnce(db: Database, now: Date): Promise<number> {
  let changed = 0;
  for (const { slug, asideOn } of await listHouses(db)) {
    if (asideOn !== null) continue;
    const isChanged = await inTransaction(db, async (tx) => {
      const house = await findHouse(tx, slug);
      if (!house) return false;
      const scope = { tx, houseId: house.id };
      if (!(await watchCold(scope, house, now))) return false;
      await recordWrite(scope, { now, ...WATCH });
      return true;
    });
    if (isChanged) changed += 1;
  }
  return changed;
}
