import type { Rehearsal } from '@calm/domain';
import { DAY_MS, MINUTE_MS } from '@calm/core';
import { useEffect, useState } from 'react';
import { rehearsals } from '../../../workers/plan/plan';
import { withProgress } from '../../../workers/withProgress';
import type { PlanWeek } from '../editing/usePlanWeek';

/** Futures of a rehearsal. */
export const FUTURES = 200;
/** The same futures each time: what changes between two rehearsals is the plan. */
const SEED = 1126;

/** How a rehearsal stands. */
export type RehearsalState =
  | { readonly kind: 'none' }
  | { readonly kind: 'running'; readonly share: number }
  | { readonly kind: 'over'; readonly rehearsal: Rehearsal; readonly of: string };

/** A rehearsal looks so far ahead, days. */
const DAYS = 7;

/** Lots for services that are still to come, of the next days. */
const lotsOfWeek = ({ lots, document, nowMin }: PlanWeek): PlanWeek['lots'] =>
  lots.filter(({ serviceIds }) =>
    document.services.some(({ id, startsAt }) => {
      const doorsMin = Date.parse(startsAt) / MINUTE_MS;
      return serviceIds.includes(id) && doorsMin >= nowMin && doorsMin < nowMin + DAYS * DAY_MIN;
    }),
  );

const DAY_MIN = DAY_MS / MINUTE_MS;

/** What of a plan a rehearsal is about; time goes on without changing it. */
export const planKey = ({ lots, content, document }: PlanWeek): string =>
  JSON.stringify([lots, content.assumptions, document.wanted]);

/** Rehearses a plan when it is asked to, and stops when it is told, or left. */
export function useRehearsal(week: PlanWeek) {
  const [state, setState] = useState<RehearsalState>({ kind: 'none' });
  const { document, book, content, mixed } = week;
  useEffect(() => () => void rehearsals().stop(), []);
  const begin = async () => {
    setState({ kind: 'running', share: 0 });
    const asked = {
      document,
      lots: lotsOfWeek(week),
      places: book.places,
      assumptions: content.assumptions,
      mixed,
      futures: FUTURES,
      seed: SEED,
    };
    const rehearsal = await withProgress(
      (tell) => rehearsals().rehearse(asked, tell),
      (share: number) => setState({ kind: 'running', share }),
    );
    setState(rehearsal ? { kind: 'over', rehearsal, of: planKey(week) } : { kind: 'none' });
  };
  return {
    state,
    begin: () => void begin(),
    stop: () => void rehearsals().stop(),
  };
}
