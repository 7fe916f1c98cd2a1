import type { PlanContent } from '@calm/contract';
import { demandsOf, type PlannedLot, type WeekProblem } from '@calm/core';

/**
 * The lots of a plan that still matter, those under way first: without the services that have begun or
 * want nothing any more, and without what nobody has started though its time is past.
 */
export function shownLots(
  { lots }: PlanContent,
  underWay: readonly PlannedLot[],
  problem: WeekProblem,
): PlannedLot[] {
  const wanted = new Set(
    demandsOf(problem).map(({ doughId, serviceId }) => `${doughId}@${serviceId}`),
  );
  const isStarted = new Set(underWay.map(({ id }) => id));
  return [...underWay, ...lots.filter(({ id }) => !isStarted.has(id))].flatMap((lot) => {
    const left = lot.serviceIds.filter((id) => wanted.has(`${lot.doughId}@${id}`));
    return left.length === 0 ? [] : [onlyFor(lot, left)];
  });
}

/** A lot as far as it is for some of its services. */
function onlyFor(lot: PlannedLot, serviceIds: readonly string[]): PlannedLot {
  if (serviceIds.length === lot.serviceIds.length) return lot;
  const isLeft = ({ serviceId }: { readonly serviceId: string | null }) =>
    serviceId === null || serviceIds.includes(serviceId);
  return { ...lot, serviceIds, steps: lot.steps.filter(isLeft), rests: lot.rests.filter(isLeft) };
}
