import type { PlannedLot } from '@calm/core';
import { useDeferredValue, useMemo } from 'react';
import { follower } from '../../workers/plan';
import type { FollowedPlan, FollowedPlanLot, PlanQuestion } from '../../workers/planAnswers';
import { useLatest } from '../../workers/useLatest';
import type { PlanWeek } from './usePlanWeek';

const askWeek = (question: PlanQuestion): Promise<FollowedPlan> => follower().week(question);

const askLot = (lot: PlannedLot): Promise<FollowedPlanLot | null> => follower().lot(lot);

/**
 * Every lot's dough along its plan. While one lot is bent only it is followed, in the rooms as they were;
 * the rooms follow when it is let go.
 *
 * @param bentLot the lot in hand; null when none is
 */
export function useFollowed(
  { document, lots, book, content, mixed }: PlanWeek,
  bentLot: PlannedLot | null,
): {
  readonly plan: FollowedPlan | null;
  readonly ofLot: (lotId: string) => FollowedPlanLot | null;
} {
  const { places } = book;
  const { asIfs } = content;
  const question = useMemo(
    () => ({ document, lots, places, asIfs, mixed }),
    [document, lots, places, asIfs, mixed],
  );
  // A whole week is drawn anew between frames, not in one.
  const plan = useDeferredValue(useLatest(askWeek, question)?.answer ?? null);
  const inHand = useLatest(askLot, bentLot)?.answer ?? null;
  const bentId = bentLot?.id;
  return useMemo(() => {
    const known = new Map((plan?.lots ?? []).map((followed) => [followed.lotId, followed]));
    if (inHand && bentId === inHand.lotId) known.set(bentId, inHand);
    return { plan, ofLot: (lotId) => known.get(lotId) ?? null };
  }, [plan, inHand, bentId]);
}
