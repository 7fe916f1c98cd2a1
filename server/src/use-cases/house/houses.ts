import type { HouseSummary } from '@calm/contract';
import type { Database } from '../../database/database';
import { reading } from '../../database/transaction';
import { listHouses } from '../../store/house/houses';

/** Every house, by name. */
export const allHouses = (db: Database): Promise<HouseSummary[]> =>
  reading(db, (tx) => listHouses(tx));
