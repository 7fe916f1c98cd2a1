import type { Mark } from '@calm/contract';
import { useCallback, useMemo } from 'react';
import { useSessionQuery } from '../api/api';
import { nowMs } from '../time/clock';
import { posted, type OutboxCommand, type OutboxItem } from './outbox';
import { useAppDispatch, useAppSelector } from '../store';

/** What waits on this device for a house. */
export function useWaiting(house: string): readonly OutboxItem[] {
  const items = useAppSelector((state) => state.outbox.items);
  return useMemo(() => items.filter((item) => item.house === house), [items, house]);
}

/** Does something in the name of whoever is signed in: shown at once, sent as soon as it can be. */
export function useOutboxItems(house: string): (command: OutboxCommand, words: string) => void {
  const dispatch = useAppDispatch();
  const { data: me } = useSessionQuery(house);
  return useCallback(
    (command, words) => {
      if (!me) return;
      const at = new Date(nowMs()).toISOString();
      const { personId, id: sessionId } = me;
      const by = { id: crypto.randomUUID(), house, personId, sessionId };
      dispatch(posted({ ...by, at, words, refusal: null, command: seenAt(command, at) }));
    },
    [dispatch, house, me],
  );
}

/** A change carries when it was done: it may reach the house much later. */
function seenAt(command: OutboxCommand, at: string): OutboxCommand {
  switch (command.kind) {
    case 'mark':
      return { ...command, change: { at, ...command.change } };
    case 'record':
      return { ...command, start: { at, ...command.start } };
    case 'handover':
      return { ...command, start: { at, ...command.start } };
    case 'practice':
      return { ...command, start: { at, ...command.start } };
    case 'cold':
      return { ...command, start: { at, ...command.start } };
    case 'load':
      return command;
  }
}

/** A change over what the house has now, for whoever insists on it. */
export function insistedOn(item: OutboxItem): OutboxItem {
  const { command, refusal } = item;
  const version = (refusal?.current as Pick<Mark, 'version'> | undefined)?.version;
  const again = { ...item, id: crypto.randomUUID(), refusal: null };
  if (version === undefined || (command.kind !== 'mark' && command.kind !== 'load')) return again;
  return command.kind === 'mark'
    ? { ...again, command: { ...command, change: { ...command.change, version } } }
    : { ...again, command: { ...command, change: { ...command.change, version } } };
}
