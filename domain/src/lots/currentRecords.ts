import type { RecordKind, LotRecord, RecordOf } from '@calm/contract';

/** The records of one kind that stand: those that were corrected are left out. Oldest first. */
export function currentRecords<Kind extends RecordKind>(
  records: readonly LotRecord[],
  kind: Kind,
): RecordOf<Kind>[] {
  const corrected = new Set(records.map(({ correctsId }) => correctsId));
  return records
    .filter((each): each is RecordOf<Kind> => each.content.kind === kind && !corrected.has(each.id))
    .sort((a, b) => (a.at < b.at ? -1 : a.at > b.at ? 1 : 0));
}
