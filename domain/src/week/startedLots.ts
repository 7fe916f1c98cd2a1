import { manned, preferredLot, type PlannedLot, type WeekProblem } from '@calm/core';
import type { HouseBook, Lot, PlanContent } from '@calm/contract';
import { doughIdOf, dateOfService } from './weekIds';

/** The dough of a lot under way; null when no product of the house is made so any more. */
export function doughOfLot({ products }: HouseBook, lot: Lot): string | null {
  const product = products.find(
    ({ id, formulaId }) =>
      formulaId === lot.recipe.formulaId && lot.items.some(({ productId }) => productId === id),
  );
  return product ? doughIdOf(product) : null;
}

/**
 * The lots that are under way, as a plan has them: as they were published, or as their route prefers, with
 * whoever is in.
 */
export function startedLots(
  problem: WeekProblem,
  book: HouseBook,
  lots: readonly Lot[],
  { lots: published }: PlanContent,
): PlannedLot[] {
  const planned = lots.flatMap((lot): PlannedLot[] => {
    const doughId = doughOfLot(book, lot);
    if (doughId === null) return [];
    const known = published.find(
      (each) =>
        each.doughId === doughId &&
        each.serviceIds.some((serviceId) => dateOfService(serviceId) === lot.serviceDate),
    );
    if (known) return [known];
    const serviceIds = problem.services
      .map(({ id }) => id)
      .filter((id) => dateOfService(id) === lot.serviceDate);
    const preferred = preferredLot(problem, doughId, serviceIds);
    return preferred ? [preferred] : [];
  });
  return manned(problem, planned);
}
