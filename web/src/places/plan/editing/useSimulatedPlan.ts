import type { PlannedLot } from '@calm/core';
import { useDeferredValue, useMemo } from 'react';
import { simulator } from '../../../workers/plan/plan';
import type {
  SimulatedPlan,
  SimulatedPlanLot,
  PlanQuestion,
} from '../../../workers/plan/planAnswers';
import { useLatest } from '../../../workers/useLatest';
import type { PlanWeek } from './usePlanWeek';

const askWeek = (question: PlanQuestion): Promise<SimulatedPlan> => simulator().week(question);

const askLot = (lot: PlannedLot): Promise<SimulatedPlanLot | null> => simulator().lot(lot);

/** Every lot's dough along its plan, and the rooms it stands in. */
export function useSimulatedPlan({
  document,
  lots,
  book,
  content,
  mixed,
}: PlanWeek): SimulatedPlan | null {
  const { places } = book;
  const { assumptions } = content;
  const question = useMemo(
    () => ({ document, lots, places, assumptions, mixed }),
    [document, lots, places, assumptions, mixed],
  );
  // A whole week is drawn again between frames, not in one.
  return useDeferredValue(useLatest(askWeek, question)?.answer ?? null);
}

/**
 * Each lot as it was followed. While one lot is edited only it is followed again, in the rooms as they were;
 * the rooms follow when it is let go.
 *
 * @param bentLot the lot in hand; null when none is
 */
export function useInHand(
  plan: SimulatedPlan | null,
  editedLot: PlannedLot | null,
): (lotId: string) => SimulatedPlanLot | null {
  const inHand = useLatest(askLot, editedLot)?.answer ?? null;
  const editedId = editedLot?.id;
  const known = useMemo(
    () => new Map((plan?.lots ?? []).map((simulated) => [simulated.lotId, simulated])),
    [plan],
  );
  return useMemo(
    () => (lotId) =>
      inHand && editedId === lotId && inHand.lotId === lotId ? inHand : (known.get(lotId) ?? null),
    [known, inHand, editedId],
  );
}
