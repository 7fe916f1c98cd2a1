import type { PracticeResult } from '@calm/contract';
import { useMemo } from 'react';
import { usePracticeQuery } from '../api/api';
import type { OutboxItem } from '../outbox/outbox';
import { useWaiting } from '../outbox/useOutboxItems';

/** What was practised, with what is on its way; null until it is there. Without a line, what this device knows. */
export function usePracticeResults(house: string): readonly PracticeResult[] | null {
  const { data, isLoading } = usePracticeQuery(house);
  const waiting = useWaiting(house);
  const results = useMemo(() => withWaiting(data ?? [], waiting), [data, waiting]);
  return isLoading ? null : results;
}

/** Results with those that wait to be sent, newest first; what the house has already counts once. */
export function withWaiting(
  results: readonly PracticeResult[],
  items: readonly OutboxItem[],
): readonly PracticeResult[] {
  const there = new Set(results.map(({ id }) => id));
  const onTheWay = items.flatMap(({ personId, at, command, refusal }): PracticeResult[] => {
    if (command.kind !== 'practice' || refusal || there.has(command.start.id)) return [];
    const { id, content } = command.start;
    return [{ id, personId, at: command.start.at ?? at, receivedAt: null, content }];
  });
  return [...onTheWay.reverse(), ...results];
}
