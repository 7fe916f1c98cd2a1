import type { Mark } from '@calm/contract';
import { useCallback, useMemo } from 'react';
import { useSessionQuery } from '../api/api';
import { nowMs } from '../time/clock';
import { posted, type Deed, type Errand } from './outbox';
import { useAppDispatch, useAppSelector } from '../store';

/** What waits on this device for a house. */
export function useWaiting(house: string): readonly Errand[] {
  const errands = useAppSelector((state) => state.outbox.errands);
  return useMemo(() => errands.filter((errand) => errand.house === house), [errands, house]);
}

/** Does something in the name of whoever is signed in: shown at once, sent as soon as it can be. */
export function useErrands(house: string): (deed: Deed, words: string) => void {
  const dispatch = useAppDispatch();
  const { data: me } = useSessionQuery(house);
  const personId = me?.personId;
  return useCallback(
    (deed, words) => {
      if (personId === undefined) return;
      const at = new Date(nowMs()).toISOString();
      const errand = { id: crypto.randomUUID(), house, personId, at, words, refusal: null };
      dispatch(posted({ ...errand, deed: seenAt(deed, at) }));
    },
    [dispatch, house, personId],
  );
}

/** A deed carries when it was done: it may reach the house much later. */
function seenAt(deed: Deed, at: string): Deed {
  switch (deed.kind) {
    case 'mark':
      return { ...deed, change: { at, ...deed.change } };
    case 'record':
      return { ...deed, start: { at, ...deed.start } };
    case 'handover':
      return { ...deed, start: { at, ...deed.start } };
    case 'cold':
      return { ...deed, start: { at, ...deed.start } };
    case 'load':
      return deed;
  }
}

/** A deed over what the house has now, for whoever insists on it. */
export function insistedOn(errand: Errand): Errand {
  const { deed, refusal } = errand;
  const version = (refusal?.current as Pick<Mark, 'version'> | undefined)?.version;
  const again = { ...errand, id: crypto.randomUUID(), refusal: null };
  if (version === undefined || (deed.kind !== 'mark' && deed.kind !== 'load')) return again;
  return deed.kind === 'mark'
    ? { ...again, deed: { ...deed, change: { ...deed.change, version } } }
    : { ...again, deed: { ...deed, change: { ...deed.change, version } } };
}
