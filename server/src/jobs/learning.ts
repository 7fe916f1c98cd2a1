import type { Logger } from 'pino';
import type { Clock } from '../clock';
import type { Database } from '../database/database';
import { inTransaction } from '../database/transaction';
import { findHouse, listHouses } from '../store/house/houses';
import { readFit } from '../store/learn/proposals';
import { readFinishedLots } from '../store/lots/finishedLots';
import { recordWrite } from '../use-cases/access/recordWrite';
import { learnNow } from '../use-cases/learn/learn';
import { startLeasedJob } from './leasedJob';

/** So often it is looked whether a service is over, ms. */
const EVERY_MS = 10 * 60_000;
/** Whoever learns does so until it has not for so long, s: then another process does. */
const LEASE_S = 30 * 60;
/** What was seen at a service is typed in by then, ms. */
const AFTER_MS = 60 * 60_000;
/** Before a house has learned for the first time: as if it had then. */
const EVER = new Date(0);

/**
 * Learns from each house's lots after a service. Of several processes on one database one does.
 *
 * @returns how to stop; resolves when nothing runs any more
 */
export function startLearning(
  db: Database,
  clock: Clock,
  log: Logger,
  onLearned: () => void,
): () => Promise<void> {
  return startLeasedJob(db, {
    name: 'learning',
    everyMs: EVERY_MS,
    leaseS: LEASE_S,
    renewedMs: 0,
    work: async () => {
      if ((await learnOnce(db, clock.now())) > 0) onLearned();
    },
    onFault: (error) => log.warn({ err: error }, 'nothing could be learned'),
  });
}

/** As what the server itself is on record. */
const LEARNING = {
  personId: null,
  machineId: null,
  permission: 'mark',
  method: 'POST',
  path: '/learned',
} as const;

/** Learns from every house that had a service since it last did. @returns how many did */
export async function learnOnce(db: Database, now: Date): Promise<number> {
  let learned = 0;
  for (const { slug, asideOn } of await listHouses(db)) {
    if (asideOn !== null) continue;
    const isLearned = await inTransaction(db, async (tx) => {
      const house = await findHouse(tx, slug);
      if (!house) return false;
      const scope = { tx, houseId: house.id };
      const last = await readFit(scope);
      const since = last ? new Date(Date.parse(last.at) - AFTER_MS) : EVER;
      const over = await readFinishedLots(scope, since, new Date(now.getTime() - AFTER_MS), 1);
      if (over.length === 0) return false;
      await learnNow(scope, house, now);
      await recordWrite(scope, { now, ...LEARNING });
      return true;
    });
    if (isLearned) learned += 1;
  }
  return learned;
}
