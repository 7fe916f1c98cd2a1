import type { ColdBoard, ColdNote } from '@calm/contract';
import { useMemo } from 'react';
import { useColdQuery } from '../api/api';
import { useWaiting } from '../outbox/useOutboxItems';

/** Devices follow what is posted; in case a line was cut unnoticed, it is looked again this often, ms. */
const LOOK_EVERY_MS = 60_000;

/** A house's cold now, with what is on its way from this device. Null until it is there. */
export function useCold(house: string): {
  readonly cold: ColdBoard | null;
  readonly error: unknown;
  readonly retry: () => void;
} {
  const { data, error, refetch } = useColdQuery(house, { pollingInterval: LOOK_EVERY_MS });
  const waiting = useWaiting(house);
  const cold = useMemo(() => {
    if (!data) return null;
    const there = new Set(data.notes.map(({ id }) => id));
    const onTheWay = waiting.flatMap(({ personId, at, command, refusal }): ColdNote[] =>
      command.kind === 'cold' && !refusal && !there.has(command.start.id)
        ? [{ ...command.start, at: command.start.at ?? at, receivedAt: null, personId }]
        : [],
    );
    return onTheWay.length === 0 ? data : { ...data, notes: [...onTheWay, ...data.notes] };
  }, [data, waiting]);
  return { cold, error, retry: () => void refetch() };
}
