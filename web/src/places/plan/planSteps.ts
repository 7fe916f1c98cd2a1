import type { Coverage, PlannedWork } from '@calm/core';
import { stageKey, workOf } from '@calm/core';
import type { Person } from '@calm/contract';
import { coverOf, shiftTimes } from '../../state/crewCover';
import { dateAt } from '../../state/localDate';
import type { BoardLot } from '../../state/lotBoard';
import type { Board } from '../../state/useBoard';

/** One piece of work on the plan. */
export interface PlanStep {
  readonly key: string;
  readonly lot: BoardLot;
  readonly work: PlannedWork;
  readonly coverage: Coverage;
  readonly people: readonly Person[];
  /** When it was recorded as done; null while it was not. */
  readonly doneMs: number | null;
}

/** All work that starts between two moments, in time's order. */
export function planSteps(board: Board, fromMs: number, toMs: number): PlanStep[] {
  const shifts = shiftTimes(board);
  return board.lots
    .flatMap((lot) =>
      workOf(lot.stages)
        .filter((work) => work.startMs >= fromMs && work.startMs < toMs)
        .map((work) => ({
          key: `${lot.date}/${lot.product.slug}/${stageKey(work)}`,
          lot,
          work,
          ...coverOf(board, shifts, work),
          doneMs: doneMs(lot, work),
        })),
    )
    .sort((a, b) => a.work.startMs - b.work.startMs);
}

function doneMs(lot: BoardLot, work: PlannedWork): number | null {
  const mark = lot.lot?.marks.find((m) => m.loadNumber === 0 && m.stepKey === stageKey(work));
  return mark?.doneAt ? Date.parse(mark.doneAt) : null;
}

/** Work that nobody can do as planned. */
export const isOpen = (step: PlanStep): boolean =>
  step.doneMs === null && step.coverage.kind !== 'covered';

/** The steps of each local day, in order. */
export function byDay(steps: readonly PlanStep[], timeZone: string): [string, PlanStep[]][] {
  const days = new Map<string, PlanStep[]>();
  for (const step of steps) {
    const date = dateAt(step.work.startMs, timeZone);
    days.set(date, [...(days.get(date) ?? []), step]);
  }
  return [...days];
}
