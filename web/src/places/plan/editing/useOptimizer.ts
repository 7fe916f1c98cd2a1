import type { PlanContent } from '@calm/contract';
import {
  editLot,
  gapPercent,
  isStep,
  publishedSteps,
  QUARTER,
  refOf,
  remanned,
  weekWithout,
  withRelaxation,
  type Clash,
  type Demand,
  type PlannedLot,
  type PlannedStep,
  type SolverProgress,
  type WeekProblem,
} from '@calm/core';
import { useCallback, useEffect, useRef, useState } from 'react';
import { optimizer } from '../../../workers/plan/plan';
import { withProgress } from '../../../workers/withProgress';
import { isPinned, type PlanEditing } from './usePlanEditing';
import type { PlanWeek } from './usePlanWeek';

/** How the search goes. */
export type OptimizerState =
  | { readonly kind: 'idle' }
  | { readonly kind: 'optimizing'; readonly solved: SolverProgress | null }
  /** Something found no place; why is being looked for. */
  | { readonly kind: 'asking-why' }
  /** … with all of the week that cannot be made even by itself. */
  | { readonly kind: 'clash'; readonly clash: Clash; readonly impossible: readonly Demand[] }
  /** How far the plan it came to can be from the best; any other plan is not known. */
  | { readonly kind: 'done'; readonly gapPercent: number | null; readonly of: PlanContent | null };

/** A plan is improved this long at most, seconds. */
const MOST_SECONDS = 20;
/** Something that is open this long has found no place. */
const OPEN_SECONDS = 4;

/** Settles what is not under way, pinned or put elsewhere by hand. */
export function useOptimizer(week: PlanWeek, editing: PlanEditing) {
  const [state, setState] = useState<OptimizerState>({ kind: 'idle' });
  const asked = useRef(0);
  /** The plan as it was last put on the page. */
  const put = useRef<PlanContent | null>(null);

  const stop = useCallback(() => {
    asked.current += 1;
    void optimizer().stop();
    setState((before) =>
      before.kind === 'optimizing' && before.solved
        ? { kind: 'done', gapPercent: gapPercent(before.solved), of: put.current }
        : { kind: 'idle' },
    );
  }, []);
  useEffect(() => () => void optimizer().stop(), []);
  // Whoever edits the plan meanwhile has the last word: the search stops and takes nothing back.
  const isSolving = state.kind === 'optimizing';
  useEffect(() => {
    if (isSolving && put.current !== null && week.content !== put.current) stop();
  }, [isSolving, week.content, stop]);

  const optimize = async (week: PlanWeek) => {
    asked.current += 1;
    const mine = asked.current;
    const { kept, problem } = solvedProblem(week);
    put.current = week.content;
    setState({ kind: 'optimizing', solved: null });
    let isTaken = false;
    let best: SolverProgress | null = null;
    const began = Date.now();
    const onBetter = (solved: SolverProgress) => {
      if (mine !== asked.current) return;
      setState({ kind: 'optimizing', solved });
      if (solved.open > 0 && Date.now() - began > OPEN_SECONDS * 1000) void optimizer().stop();
      const isBetter = !best || solved.open < best.open || solved.points < best.points - 1e-9;
      best = solved;
      // What finds no place at first may find one in a moment: half a plan is not worth showing before.
      if (solved.open > 0 || !isBetter) return;
      const content = contentOf(week, kept, solved.plan.lots);
      put.current = content;
      if (isTaken) editing.improve(content);
      else editing.take(content);
      isTaken = true;
    };
    const atTheEnd = await withProgress(
      (tell) => optimizer().optimize(problem, MOST_SECONDS, tell),
      onBetter,
    );
    if (mine !== asked.current) return;
    // What was told last may not have come before the answer.
    if (atTheEnd) onBetter(atTheEnd);
    const last = best as SolverProgress | null;
    const [open] = last?.plan.open ?? [];
    if (!last || !open) {
      setState({ kind: 'done', gapPercent: last ? gapPercent(last) : null, of: put.current });
      return;
    }
    put.current = null;
    editing.take(contentOf(week, kept, last.plan.lots));
    setState({ kind: 'asking-why' });
    const clash = await optimizer().clash(problem, open);
    const impossible =
      clash?.demands.length === 1 ? await optimizer().impossible(problem, last.plan.open) : [];
    if (mine !== asked.current) return;
    setState(clash ? { kind: 'clash', clash, impossible } : { kind: 'idle' });
  };
  /** Leaves demands out of the week, and goes on with the rest. */
  const leaveOut = (demands: readonly Demand[]) => {
    const ways = demands.map((demand) => ({ kind: 'leave-out', ...demand }) as const);
    const content: PlanContent = {
      ...week.content,
      lots: week.lots,
      assumptions: [
        ...week.content.assumptions,
        ...ways.map((relaxation) => ({ kind: 'relaxation', relaxation }) as const),
      ],
    };
    editing.take(content);
    void optimize({ ...week, content, problem: ways.reduce(withRelaxation, week.problem) });
  };
  return {
    state,
    optimize: () => void optimize(week),
    leaveOut,
    stop,
    forget: () => setState({ kind: 'idle' }),
  };
}

/** What is left to be settled, and what stays as it is. */
export function solvedProblem(week: Pick<PlanWeek, 'lots' | 'codes' | 'problem' | 'content'>): {
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
  solved: readonly PlannedLot[],
): PlanContent {
  const exact = solved.map((lot) =>
    content.pins
      .filter(({ lotId }) => lotId === lot.id)
      .reduce((editedLot, pin) => {
        const was = content.lots.find(({ id }) => id === lot.id)?.steps.find((s) => isStep(s, pin));
        return was && was.startMin % QUARTER !== 0
          ? editLot(problem, editedLot, pin, was.startMin)
          : editedLot;
      }, lot),
  );
  return { ...content, lots: [...kept, ...exact] };
}
