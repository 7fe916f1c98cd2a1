import type { House } from '@calm/contract';
import type { Database } from '../database/database';
import {
  readAuditAfter,
  readAuditOf,
  readLatestAudit,
  type HouseAuditEntry,
} from '../store/access/auditLog';
import { findHouse } from '../store/house/houses';

export type { HouseAuditEntry };

/** Writes of every house after a number, oldest first. */
export const writesAfter = (db: Database, id: number): Promise<HouseAuditEntry[]> =>
  readAuditAfter(db, id);

/** The number of the last write; 0 before the first. */
export const latestWrite = (db: Database): Promise<number> => readLatestAudit(db);

/** Writes of one house after a number, oldest first. */
export const writesOfHouse = (db: Database, houseId: string, id: number) =>
  readAuditOf({ tx: db, houseId }, id);

/** The house of a name; null when there is none. */
export const houseNamed = (db: Database, slug: string): Promise<House | null> =>
  findHouse(db, slug);
