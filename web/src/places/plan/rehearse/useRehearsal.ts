import type { Rehearsal } from '@calm/domain';
import { proxy } from 'comlink';
import { useEffect, useState } from 'react';
import { rehearsals } from '../../../workers/plan/plan';
import type { PlanWeek } from '../editing/usePlanWeek';

/** Futures of a rehearsal. */
export const FUTURES = 200;
/** The same futures each time: what changes between two rehearsals is the plan. */
const SEED = 1126;

/** How a rehearsal stands. */
export type RehearsalState =
  | { readonly kind: 'none' }
  | { readonly kind: 'running'; readonly share: number }
  | { readonly kind: 'over'; readonly rehearsal: Rehearsal; readonly of: PlanWeek['lots'] };

/** Rehearses a plan when it is asked to, and stops when it is told, or left. */
export function useRehearsal(week: PlanWeek) {
  const [state, setState] = useState<RehearsalState>({ kind: 'none' });
  const { document, lots, book, content, mixed } = week;
  useEffect(() => () => void rehearsals().stop(), []);
  const begin = async () => {
    setState({ kind: 'running', share: 0 });
    const rehearsal = await rehearsals().rehearse(
      {
        document,
        lots,
        places: book.places,
        assumptions: content.assumptions,
        mixed,
        futures: FUTURES,
        seed: SEED,
      },
      proxy((share: number) => setState({ kind: 'running', share })),
    );
    setState(rehearsal ? { kind: 'over', rehearsal, of: lots } : { kind: 'none' });
  };
  return {
    state,
    begin: () => void begin(),
    stop: () => void rehearsals().stop(),
  };
}
