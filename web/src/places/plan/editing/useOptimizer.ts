import type { PlanContent } from '@calm/contract';
import {
  bendLot,
  gapPercent,
  isStep,
  publishedSteps,
  QUARTER,
  refOf,
  remanned,
  weekWithout,
  type Clash,
  type PlannedLot,
  type PlannedStep,
  type Settling,
  type WeekProblem,
} from '@calm/core';
import { proxy } from 'comlink';
import { useCallback, useEffect, useRef, useState } from 'react';
import { settler } from '../../../workers/plan/plan';
import { isPinned, type Bending } from './usePlanEditing';
import type { PlanWeek } from './usePlanWeek';

/** How settling goes. */
export type SettlingState =
  | { readonly kind: 'idle' }
  | { readonly kind: 'settling'; readonly settled: Settling | null }
  /** Something found no place; why is being looked for. */
  | { readonly kind: 'asking-why' }
  | { readonly kind: 'clash'; readonly clash: Clash }
  /** How far the plan it came to can be from the best; any other plan is not known. */
  | { readonly kind: 'done'; readonly gapPercent: number | null; readonly of: PlanContent | null };

/** A plan is improved this long at most, seconds. */
const MOST_SECONDS = 20;
/** Something that is open this long has found no place. */
const OPEN_SECONDS = 4;

/** Settles what is not under way, pinned or put elsewhere by hand. */
export function useSettling(week: PlanWeek, bending: Bending) {
  const [state, setState] = useState<SettlingState>({ kind: 'idle' });
  const asked = useRef(0);
  /** The plan as it was last put on the page. */
  const put = useRef<PlanContent | null>(null);

  const stop = useCallback(() => {
    asked.current += 1;
    void settler().stop();
    setState((before) =>
      before.kind === 'settling' && before.settled
        ? { kind: 'done', gapPercent: gapPercent(before.settled), of: put.current }
        : { kind: 'idle' },
    );
  }, []);
  useEffect(() => () => void settler().stop(), []);
  // Whoever bends the plan meanwhile has the last word: settling stops and takes nothing back.
  const isSettling = state.kind === 'settling';
  useEffect(() => {
    if (isSettling && put.current !== null && week.content !== put.current) stop();
  }, [isSettling, week.content, stop]);

  const settle = async () => {
    asked.current += 1;
    const mine = asked.current;
    const { kept, problem } = settledProblem(week);
    put.current = week.content;
    setState({ kind: 'settling', settled: null });
    let isTaken = false;
    let best: Settling | null = null;
    const began = Date.now();
    const onBetter = (settled: Settling) => {
      if (mine !== asked.current) return;
      setState({ kind: 'settling', settled });
      if (settled.open > 0 && Date.now() - began > OPEN_SECONDS * 1000) void settler().stop();
      const isBetter = !best || settled.open < best.open || settled.points < best.points - 1e-9;
      best = settled;
      // What finds no place at first may find one in a moment: half a plan is not worth showing before.
      if (settled.open > 0 || !isBetter) return;
      const content = contentOf(week, kept, settled.plan.lots);
      put.current = content;
      if (isTaken) bending.improve(content);
      else bending.take(content);
      isTaken = true;
    };
    await settler().settle(problem, MOST_SECONDS, proxy(onBetter));
    if (mine !== asked.current) return;
    const last = best as Settling | null;
    const [open] = last?.plan.open ?? [];
    if (!last || !open) {
      setState({ kind: 'done', gapPercent: last ? gapPercent(last) : null, of: put.current });
      return;
    }
    put.current = null;
    bending.take(contentOf(week, kept, last.plan.lots));
    setState({ kind: 'asking-why' });
    const clash = await settler().clash(problem, open);
    if (mine !== asked.current) return;
    setState(clash ? { kind: 'clash', clash } : { kind: 'idle' });
  };
  return { state, settle: () => void settle(), stop, forget: () => setState({ kind: 'idle' }) };
}

/** What is left to be settled, and what stays as it is. */
export function settledProblem(week: Pick<PlanWeek, 'lots' | 'codes' | 'problem' | 'content'>): {
  readonly kept: readonly PlannedLot[];
  readonly problem: WeekProblem;
} {
  const { lots, codes, problem, content } = week;
  const isHeld = (lot: PlannedLot, step: PlannedStep) => isPinned(content, refOf(lot, step));
  const kept = remanned(
    problem,
    lots.filter((lot) => codes.has(lot.id) || isElsewhere(lot, problem)),
    isHeld,
  );
  const pinned = publishedSteps(
    lots.map((lot) => ({ ...lot, steps: lot.steps.filter((step) => isHeld(lot, step)) })),
  );
  return { kept, problem: { ...weekWithout(problem, kept), pinned } };
}

/** A lot that somebody has put somewhere else than its route says. */
function isElsewhere({ doughId, rests }: PlannedLot, { doughs }: WeekProblem): boolean {
  const route = doughs.find(({ id }) => id === doughId)?.route ?? [];
  return rests.some(({ stage, place }) => {
    const rest = route[stage];
    return rest?.kind === 'rest' && rest.place !== place;
  });
}

/** The plan with what was settled, and with pins to the minute. */
function contentOf(
  { content, problem }: PlanWeek,
  kept: readonly PlannedLot[],
  settled: readonly PlannedLot[],
): PlanContent {
  const exact = settled.map((lot) =>
    content.pins
      .filter(({ lotId }) => lotId === lot.id)
      .reduce((bentLot, pin) => {
        const was = content.lots.find(({ id }) => id === lot.id)?.steps.find((s) => isStep(s, pin));
        return was && was.startMin % QUARTER !== 0
          ? bendLot(problem, bentLot, pin, was.startMin)
          : bentLot;
      }, lot),
  );
  return { ...content, lots: [...kept, ...exact] };
}
