import type { HouseBook, PublishedPlan, Service, Shift } from '@calm/contract';

/** What a house needs before its first dough is made, in the order in which each needs those before. */
export const SET_UP_STEPS = [
  'mixer',
  'places',
  'pantry',
  'formula',
  'route',
  'product',
  'services',
  'counts',
  'shifts',
  'plan',
  'batch',
] as const;
/** One of them. */
export type SetUpStep = (typeof SET_UP_STEPS)[number];

/** What is known of a house that may still be setting up. */
export interface HouseSoFar {
  readonly book: HouseBook;
  /** Of the coming days. */
  readonly services: readonly Service[];
  readonly shifts: readonly Shift[];
  readonly plan: Pick<PublishedPlan, 'content'>;
  /** Whether any lot was ever started. */
  readonly hasLot: boolean;
}

/** The steps that are still to be done, in their order; none of a house that works. */
export function stepsLeft({ book, services, shifts, plan, hasLot }: HouseSoFar): SetUpStep[] {
  if (hasLot) return [];
  const isDone: Readonly<Record<SetUpStep, boolean>> = {
    mixer: book.mixers.length > 0,
    places: book.places.length > 0,
    pantry: book.pantry.length > 0,
    formula: book.formulas.length > 0,
    route: book.routes.length > 0,
    product: book.products.length > 0,
    services: services.length > 0,
    counts: services.some(({ counts }) => counts.some(({ count }) => count > 0)),
    shifts: shifts.length > 0,
    plan: plan.content.lots.length > 0,
    batch: false,
  };
  return SET_UP_STEPS.filter((step) => !isDone[step]);
}
