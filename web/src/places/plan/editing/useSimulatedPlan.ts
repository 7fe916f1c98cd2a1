import type { PlannedLot } from '@calm/core';
import { useDeferredValue, useMemo } from 'react';
import { follower } from '../../../workers/plan/plan';
import type {
  FollowedPlan,
  FollowedPlanLot,
  PlanQuestion,
} from '../../../workers/plan/planAnswers';
import { useLatest } from '../../../workers/useLatest';
import type { PlanWeek } from './usePlanWeek';

const askWeek = (question: PlanQuestion): Promise<FollowedPlan> => follower().week(question);

const askLot = (lot: PlannedLot): Promise<FollowedPlanLot | null> => follower().lot(lot);

/** Every lot's dough along its plan, and the rooms it stands in. */
export function useFollowed({
  document,
  lots,
  book,
  content,
  mixed,
}: PlanWeek): FollowedPlan | null {
  const { places } = book;
  const { asIfs } = content;
  const question = useMemo(
    () => ({ document, lots, places, asIfs, mixed }),
    [document, lots, places, asIfs, mixed],
  );
  // A whole week is drawn anew between frames, not in one.
  return useDeferredValue(useLatest(askWeek, question)?.answer ?? null);
}

/**
 * Each lot as it was followed. While one lot is bent only it is followed anew, in the rooms as they were;
 * the rooms follow when it is let go.
 *
 * @param bentLot the lot in hand; null when none is
 */
export function useInHand(
  plan: FollowedPlan | null,
  bentLot: PlannedLot | null,
): (lotId: string) => FollowedPlanLot | null {
  const inHand = useLatest(askLot, bentLot)?.answer ?? null;
  const bentId = bentLot?.id;
  const known = useMemo(
    () => new Map((plan?.lots ?? []).map((followed) => [followed.lotId, followed])),
    [plan],
  );
  return useMemo(
    () => (lotId) =>
      inHand && bentId === lotId && inHand.lotId === lotId ? inHand : (known.get(lotId) ?? null),
    [known, inHand, bentId],
  );
}
