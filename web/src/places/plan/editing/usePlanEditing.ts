import type { Assumption, PlanContent } from '@calm/contract';
import {
  editLot,
  findStep,
  givenTo,
  isStep,
  fixed,
  restedIn,
  type ConflictFix,
  type PlannedLot,
  type PlannedStep,
  type StepRef,
} from '@calm/core';
import { useMemo } from 'react';
import { edited, dropped, improved, redone, undone } from '../../../state/drafts/planDraft';
import { useAppDispatch, useAppSelector } from '../../../state/store';
import type { PlanWeek } from './usePlanWeek';

/** Everything that a person does to a plan; each is one step back. */
export interface PlanEditing {
  /** The lots as they would be with a step moved; nothing is kept yet. */
  readonly trial: (step: StepRef, toMin: number) => PlannedLot[];
  readonly move: (step: StepRef, toMin: number) => void;
  /** So much later, or earlier; what has begun stays. */
  readonly nudge: (step: StepRef, byMin: number) => void;
  readonly give: (step: StepRef, personIds: readonly string[]) => void;
  readonly putIn: (lotId: string, stage: number, place: string) => void;
  readonly pin: (step: StepRef, isPinned: boolean) => void;
  /** Pinned when it was not, and the other way round. */
  readonly togglePin: (step: StepRef) => void;
  readonly applyFix: (fix: ConflictFix) => void;
  readonly assumption: (assumptions: readonly Assumption[]) => void;
  /** A whole plan in its place. */
  readonly take: (content: PlanContent) => void;
  /** The same plan, come out better: no new step back. */
  readonly improve: (content: PlanContent) => void;
  readonly undo: (() => void) | null;
  readonly redo: (() => void) | null;
  readonly drop: () => void;
}

/** Whether a step is pinned. */
export const isPinned = ({ pins }: PlanContent, step: StepRef): boolean =>
  pins.some((pin) => pin.lotId === step.lotId && isStep(pin, step));

/** What does not give way: what is pinned, and what has begun. */
const heldBy =
  ({ content, nowMin }: Pick<PlanWeek, 'content' | 'nowMin'>, lotId: string) =>
  (step: PlannedStep): boolean =>
    step.startMin < nowMin ||
    isPinned(content, { lotId, stage: step.stage, serviceId: step.serviceId });

/** Bends the plan of a week. */
export function usePlanEditing(week: PlanWeek): PlanEditing {
  const dispatch = useAppDispatch();
  const { house, content, lots, problem, published } = week;
  const draft = useAppSelector((state) => state.planDrafts[house]);
  return useMemo(() => {
    const base = published.content;
    const take = (next: PlanContent) => void dispatch(edited({ house, content: next, base }));
    const withLots = (next: readonly PlannedLot[]) => take({ ...content, lots: next });
    const changed = (lotId: string, change: (lot: PlannedLot) => PlannedLot) =>
      lots.map((lot) => (lot.id === lotId ? change(lot) : lot));
    const trial = (step: StepRef, toMin: number) =>
      changed(step.lotId, (lot) => editLot(problem, lot, step, toMin, heldBy(week, lot.id)));
    const pin = (step: StepRef, isNow: boolean) =>
      take({
        ...content,
        lots,
        pins: isNow
          ? [...content.pins, step]
          : content.pins.filter((each) => each.lotId !== step.lotId || !isStep(each, step)),
      });
    return {
      trial,
      move: (step, toMin) => withLots(trial(step, toMin)),
      nudge: (step, byMin) => {
        const startMin = findStep(lots, step)?.step.startMin ?? 0;
        if (startMin >= week.nowMin) withLots(trial(step, startMin + byMin));
      },
      give: (step, personIds) =>
        withLots(changed(step.lotId, (lot) => givenTo(lot, step, personIds))),
      putIn: (lotId, stage, place) =>
        withLots(changed(lotId, (lot) => restedIn(lot, stage, place))),
      pin,
      togglePin: (step) => pin(step, !isPinned(content, step)),
      applyFix: (fix) => withLots(fixed(problem, lots, fix, heldBy(week, fix.step.lotId))),
      assumption: (assumptions) => take({ ...content, lots, assumptions }),
      take,
      improve: (next) => void dispatch(improved({ house, content: next })),
      undo: draft && draft.past.length > 0 ? () => void dispatch(undone(house)) : null,
      redo: draft && draft.future.length > 0 ? () => void dispatch(redone(house)) : null,
      drop: () => void dispatch(dropped(house)),
    };
  }, [dispatch, house, content, lots, problem, published, draft, week]);
}
