import { randomUUID } from 'node:crypto';
import type { Logger } from 'pino';
import type { Clock } from '../clock';
import { endLease, holdLease } from '../store/coordination';
import { findHouse, listHouses } from '../store/house/houses';
import type { Database } from '../database/database';
import { inTransaction } from '../database/transaction';
import { recordWrite } from '../use-cases/access/recordWrite';
import { watchCold } from '../use-cases/cold/watchCold';

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
  let running: Promise<void> | null = null;
  const holder = randomUUID();
  const look = () => {
    running ??= holdLease(db, 'cold-watch', holder, LEASE_S)
      .then((isOurs) => (isOurs ? lookOnce(db, clock.now()) : 0))
      .then((changed) => {
        if (changed > 0) onChange();
      })
      .catch((error: unknown) => log.warn({ err: error }, 'the cold could not be looked at'))
      .finally(() => {
        running = null;
      });
  };
  const timer = setInterval(look, EVERY_MS).unref();
  return async () => {
    clearInterval(timer);
    await running;
    await endLease(db, 'cold-watch', holder).catch(() => undefined);
  };
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
  for (const { slug } of await listHouses(db)) {
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
