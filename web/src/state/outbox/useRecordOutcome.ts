import type { Lot, LotRecord, RecordContent } from '@calm/contract';
import { useNotices } from '../../parts/messages/Notices';
import { useAddRecord } from './useRecords';

/** Puts on record how a lot turned out, says so, and takes it back when that was a slip. */
export function useRecordOutcome(
  house: string,
  lot: Lot,
): (content: RecordContent, words: string, before?: LotRecord) => void {
  const add = useAddRecord(house);
  const { changed } = useNotices();
  return (content, words, before) => {
    const said = `${lot.code}: ${words}`;
    const id = add(lot.id, content, said, before?.id);
    changed(said, () => {
      // What stood before stands again; where nothing stood, nothing does.
      add(lot.id, before?.content ?? { kind: 'taken-back' }, said, id);
      return Promise.resolve();
    });
  };
}
