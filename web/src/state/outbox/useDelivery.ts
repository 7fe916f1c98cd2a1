import type {
  ColdNote,
  Handover,
  LoadRecord,
  LotRecord,
  Mark,
  PracticeResult,
} from '@calm/contract';
import { useEffect } from 'react';
import { api, useSessionQuery } from '../api/api';
import { cutOff, delivered, refused, type OutboxItem } from './outbox';
import { isPartOfLot, withRecords, withMark } from './outboxLots';
import { sendOutboxItem } from './sendOutboxItem';
import { useAppDispatch, useAppSelector, type RootState, type Store } from '../store';

/** A house that could not be reached is tried again after so long, ms. */
const AGAIN_MS = 2000;

/**
 * Sends what was done on this device, oldest first, one at a time, for as long as whoever did it is signed in
 * as they were. What cannot be sent now waits.
 */
export function useDelivery(house: string): void {
  const dispatch = useAppDispatch();
  const { data: me } = useSessionQuery(house);
  const next = useAppSelector(({ outbox }) =>
    outbox.items.find((each) => each.house === house && each.sessionId === me?.id && !each.refusal),
  );
  useEffect(() => {
    if (!next) return;
    let isOver = false;
    let timer = 0;
    const send = async () => {
      const sent = await sendOutboxItem(next);
      if (isOver) return;
      if (sent.kind === 'later') {
        dispatch(cutOff());
        timer = window.setTimeout(() => void send(), AGAIN_MS);
      } else if (sent.kind === 'signed-out') dispatch(api.util.invalidateTags(['Session']));
      else if (sent.kind === 'refused') {
        dispatch(refused({ id: next.id, refusal: sent.refusal }));
        dispatch(api.util.invalidateTags(['Lots', 'Records']));
      } else dispatch(takenIn(next, sent.answer));
    };
    void send();
    const now = () => {
      clearTimeout(timer);
      void send();
    };
    window.addEventListener('online', now);
    return () => {
      isOver = true;
      clearTimeout(timer);
      window.removeEventListener('online', now);
    };
  }, [dispatch, next]);
}

/**
 * The house has it: what it answered goes into all that is at hand, and only then the item goes, so that
 * nothing falls back to what it was in between.
 */
function takenIn({ id, house, command }: OutboxItem, answer: unknown) {
  return (dispatch: Store['dispatch'], getState: () => RootState) => {
    const withRecord = (records: readonly LotRecord[], kept: LotRecord) => [
      ...records.filter((each) => each.id !== kept.id),
      kept,
    ];
    const rangesOf = <Name extends 'lots' | 'records'>(name: Name) =>
      api.util
        .selectCachedArgsForQuery(getState(), name)
        .filter((dateRange) => dateRange.house === house);
    if (command.kind === 'mark' || command.kind === 'load') {
      for (const dateRange of rangesOf('lots')) {
        dispatch(
          api.util.updateQueryData('lots', dateRange, (lots) =>
            lots.map((lot) => {
              if (lot.id !== command.lotId) return lot;
              if (command.kind === 'mark') return withMark(lot, answer as Mark);
              const kept = answer as LoadRecord;
              const loads = lot.loads.map((load) => (load.number === kept.number ? kept : load));
              return { ...lot, loads };
            }),
          ),
        );
      }
      dispatch(api.util.invalidateTags(command.kind === 'load' ? ['Lots', 'Frictions'] : ['Lots']));
    } else if (command.kind === 'record') {
      const kept = answer as LotRecord;
      for (const dateRange of rangesOf('records')) {
        dispatch(
          api.util.updateQueryData('records', dateRange, (records) => withRecord(records, kept)),
        );
      }
      const one = { house, lotId: command.lotId };
      dispatch(api.util.updateQueryData('lotRecords', one, (records) => withRecord(records, kept)));
      for (const opened of api.util.selectCachedArgsForQuery(getState(), 'lotLog')) {
        dispatch(
          api.util.updateQueryData('lotLog', opened, (log) =>
            log.lot.id === kept.lotId ? { ...log, records: withRecord(log.records, kept) } : log,
          ),
        );
      }
      const isPart = isPartOfLot(kept.content);
      if (isPart) {
        for (const dateRange of rangesOf('lots')) {
          dispatch(
            api.util.updateQueryData('lots', dateRange, (lots) =>
              lots.map((lot) => (lot.id === kept.lotId ? withRecords(lot, [kept]) : lot)),
            ),
          );
        }
      }
      dispatch(
        api.util.invalidateTags(
          isPart ? ['Lots', 'Records', 'Log', 'Cold'] : ['Records', 'Log', 'Cold'],
        ),
      );
    } else if (command.kind === 'cold') {
      dispatch(
        api.util.updateQueryData('cold', house, (cold) => ({
          ...cold,
          notes: [answer as ColdNote, ...cold.notes],
        })),
      );
      dispatch(api.util.invalidateTags(['Cold']));
    } else if (command.kind === 'practice') {
      dispatch(
        api.util.updateQueryData('practice', house, (kept) => [answer as PracticeResult, ...kept]),
      );
      dispatch(api.util.invalidateTags(['Practice']));
    } else {
      dispatch(
        api.util.updateQueryData('handovers', house, (kept) => [answer as Handover, ...kept]),
      );
      dispatch(api.util.invalidateTags(['Handovers']));
    }
    dispatch(delivered(id));
  };
}
