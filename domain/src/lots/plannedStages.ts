import { MINUTE_MS, type PlannedLot, type PlannedStage, type Route } from '@calm/core';
import type { Service, Product, PlanContent } from '@calm/contract';
import { doughIdOf, serviceIdOf } from '../week/weekIds';

/**
 * A planned lot as the stages of its route: those of the whole lot, then those of its first service.
 *
 * @returns null when the route has changed since, and the plan no longer tells every stage
 */
export function stagesOfPlan(lot: PlannedLot, route: Route): PlannedStage[] | null {
  const [first] = lot.serviceIds;
  const stages = route.flatMap((stage, index): PlannedStage[] => {
    const isThis = (each: {
      readonly stage: number;
      readonly key: string;
      readonly serviceId: string | null;
    }) =>
      each.stage === index &&
      each.key === stage.key &&
      (each.serviceId === null || each.serviceId === first);
    const step = lot.steps.find(isThis);
    const rest = lot.rests.find(isThis);
    const found = stage.kind === 'work' ? step : rest;
    if (!found) return [];
    const times = {
      index,
      startMs: found.startMin * MINUTE_MS,
      endMs: found.endMin * MINUTE_MS,
    };
    return stage.kind === 'work'
      ? [{ ...stage, ...times, ...(step && { personIds: step.personIds }) }]
      : [{ ...stage, ...times, place: rest?.place ?? stage.place }];
  });
  return stages.length === route.length ? stages : null;
}

/** The lot of a plan that makes a product for a service; undefined when there is none. */
export const plannedLotOf = (
  plan: PlanContent,
  product: Product,
  service: Service,
): PlannedLot | undefined =>
  plan.lots.find(
    ({ doughId, serviceIds }) =>
      doughId === doughIdOf(product) && serviceIds.includes(serviceIdOf(service)),
  );
