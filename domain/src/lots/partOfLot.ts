import type { Lot, LotRecord, RecordKind } from '@calm/contract';
import { currentRecords } from './currentRecords';

/** Kinds of records that are part of their lot, and what takes such a record back. */
export const PART_OF_LOT: readonly RecordKind[] = ['weighed', 'yeast', 'decided', 'taken-back'];

/** What of a lot's records is part of the lot itself: what is in its bowls, of which pack, and what was decided last. */
export function partOfLot(
  records: readonly LotRecord[],
): Pick<Lot, 'weighed' | 'yeastPack' | 'decided'> {
  const yeastPack = currentRecords(records, 'yeast').at(-1);
  const decided = currentRecords(records, 'decided').at(-1);
  return {
    weighed: currentRecords(records, 'weighed'),
    ...(yeastPack && { yeastPack }),
    ...(decided && { decided }),
  };
}
