import type { LotRecord, RecordContent } from '@calm/contract';
import { useCallback, useMemo } from 'react';
import { useLotRecordsQuery, useRecordsQuery } from '../api/api';
import { recordsWithOutboxItems } from './outboxLots';
import { useOutboxItems, useWaiting } from './useOutboxItems';

const NONE: readonly LotRecord[] = [];

/** What is on record of the lots for some days, with what is on its way; without single weights. */
export function useRecords(house: string, from: string, days: number): readonly LotRecord[] {
  const { data = NONE } = useRecordsQuery({ house, from, days });
  const waiting = useWaiting(house);
  return useMemo(() => recordsWithOutboxItems(data, waiting), [data, waiting]);
}

/** Whether what is on record of some days is still being asked for, for the first time. */
export const useAreRecordsComing = (house: string, from: string, days: number): boolean =>
  useRecordsQuery({ house, from, days }).isLoading;

/** Everything on record of one lot, with what is on its way. */
export function useLotRecords(house: string, lotId: string | null): readonly LotRecord[] {
  const { data = NONE } = useLotRecordsQuery(
    { house, lotId: lotId ?? '' },
    { skip: lotId === null },
  );
  const waiting = useWaiting(house);
  return useMemo(
    () => recordsWithOutboxItems(data, waiting).filter((record) => record.lotId === lotId),
    [data, waiting, lotId],
  );
}

/** Whether what is on record of a lot is still being asked for, for the first time. */
export const useAreLotRecordsComing = (house: string, lotId: string | null): boolean =>
  useLotRecordsQuery({ house, lotId: lotId ?? '' }, { skip: lotId === null }).isLoading;

/** Puts something on record, or corrects what is. Returns the record's name. */
export function useAddRecord(
  house: string,
): (lotId: string, content: RecordContent, words: string, correctsId?: string) => string {
  const post = useOutboxItems(house);
  return useCallback(
    (lotId, content, words, correctsId) => {
      const id = crypto.randomUUID();
      const start = { id, content, ...(correctsId !== undefined && { correctsId }) };
      post({ kind: 'record', lotId, start }, words);
      return id;
    },
    [post],
  );
}
