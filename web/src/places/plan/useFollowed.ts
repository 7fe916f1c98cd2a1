import type { Climate } from '@calm/contract';
import type { PlannedLot } from '@calm/core';
import { useMemo } from 'react';
import { follower } from '../../workers/plan';
import type { FollowedPlan, FollowedPlanLot, PlanQuestion } from '../../workers/planAnswers';
import { useLatest } from '../../workers/useLatest';
import type { PlanWeek } from './usePlanWeek';

const askWeek = (question: PlanQuestion): Promise<FollowedPlan> => follower().week(question);

interface LotQuestion extends Pick<PlanQuestion, 'document'> {
  readonly lot: PlannedLot;
  readonly climate: Climate;
  readonly isMixed: boolean;
}
const askLot = ({ document, lot, climate, isMixed }: LotQuestion): Promise<FollowedPlanLot> =>
  follower().lot(document, lot, climate, isMixed);

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
  const plan = useLatest(askWeek, question)?.answer ?? null;
  const climate = plan?.climate;
  const lotQuestion = useMemo(
    () =>
      bentLot && climate
        ? { document, lot: bentLot, climate, isMixed: mixed.includes(bentLot.id) }
        : null,
    [document, bentLot, climate, mixed],
  );
  const inHand = useLatest(askLot, lotQuestion);
  const bentId = bentLot?.id;
  return useMemo(() => {
    const known = new Map((plan?.lots ?? []).map((followed) => [followed.lotId, followed]));
    if (inHand && bentId === inHand.answer.lotId) known.set(bentId, inHand.answer);
    return { plan, ofLot: (lotId) => known.get(lotId) ?? null };
  }, [plan, inHand, bentId]);
}
