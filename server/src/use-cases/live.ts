import type { House } from '@calm/contract';
import type { Database } from '../database/database';
import { reading } from '../database/transaction';
import { findHouse } from '../store/house/houses';
import { readLatestWrite, readWritesAfter, readWritesOf, type HouseWrite } from '../store/writes';

export type { HouseWrite };

/** Writes of every house after a number, oldest first. */
export const writesAfter = (db: Database, id: number): Promise<HouseWrite[]> =>
  reading(db, (tx) => readWritesAfter(tx, id));

/** The number of the last write; 0 before the first. */
export const latestWrite = (db: Database): Promise<number> =>
  reading(db, (tx) => readLatestWrite(tx));

/** Writes of one house after a number, oldest first. */
export const writesOfHouse = (db: Database, houseId: string, id: number) =>
  reading(db, (tx) => readWritesOf({ tx, houseId }, id));

/** The house of a name; null when there is none. */
export const houseNamed = (db: Database, slug: string): Promise<House | null> =>
  reading(db, (tx) => findHouse(tx, slug));
