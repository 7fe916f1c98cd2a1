import type { ListedHouse } from '@calm/contract';
import type { Database } from '../../database/database';
import { reading } from '../../database/transaction';
import { listHouses } from '../../store/house/houses';

/** Every house, by name. */
export const allHouses = (db: Database): Promise<ListedHouse[]> =>
  reading(db, (tx) => listHouses(tx));
