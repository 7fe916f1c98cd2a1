import { deriveLot } from './deriveLot';
import {
  HOUR_MS,
  lotPosition,
  type Result,
  type PlannedStage,
  type ScaledLot,
  type ScaleReason,
  type LotPosition,
} from '@calm/core';
import {
  type Service,
  type HouseBook,
  type Product,
  type Lot,
  type LotItem,
  type Recipe,
  NO_PLAN,
  type PlanContent,
} from '@calm/contract';
import { ballsToMake } from '../demand/ballsToMake';
import { lotItem, productsOfDough } from './recipe';
import { stagesAsDecided } from './stagesAsDecided';

/** A lot as the board shows it: under way, or still only wanted. */
export interface BoardLot {
  /** The product it is led by, and the date of its services. */
  readonly product: Product;
  readonly date: string;
  /** Null while it is only wanted. */
  readonly lot: Lot | null;
  /** The lot's code, or the letters its code will start with. */
  readonly code: string;
  readonly recipe: Recipe;
  /** What is made … */
  readonly items: readonly LotItem[];
  /** … and what demand asks for now. */
  readonly wanted: readonly LotItem[];
  readonly scaled: Result<ScaledLot, ScaleReason>;
  readonly stages: readonly PlannedStage[];
  readonly doorsMs: number;
  readonly closeMs: number;
}

/**
 * Every lot of some days: those under way by their own frozen recipe, the rest as demand asks for
 * them now; each at the times that the house's plan gives it, or counted back from its doors.
 */
export function boardLots(
  book: HouseBook,
  services: readonly Service[],
  lots: readonly Lot[],
  plan: PlanContent = NO_PLAN,
): BoardLot[] {
  const dates = [...new Set(services.map((service) => service.date))];
  return dates.flatMap((date) =>
    leadProducts(book).flatMap((product) => {
      const dayServices = services.filter((service) => service.date === date);
      const boardLot = lotFor(book, product, date, dayServices, lots, plan);
      return boardLot ? [boardLot] : [];
    }),
  );
}

/** One product for each dough: the one that is not made from remainders. */
export function leadProducts(book: HouseBook): Product[] {
  const seen = new Set<string>();
  return [...book.products]
    .sort((a, b) => Number(a.isFromRemainders) - Number(b.isFromRemainders))
    .filter(({ formulaId, routeId }) => {
      const dough = `${formulaId}/${routeId}`;
      if (seen.has(dough)) return false;
      seen.add(dough);
      return true;
    });
}

function lotFor(
  book: HouseBook,
  product: Product,
  date: string,
  services: readonly Service[],
  lots: readonly Lot[],
  plan: PlanContent,
): BoardLot | null {
  const dough = productsOfDough(book, product);
  const lot = lots.find(
    (l) =>
      l.serviceDate === date &&
      l.items.some((item) => dough.some((p) => p.id === item.productId)) &&
      l.recipe.formulaId === product.formulaId,
  );
  const wanted = dough
    .map((p) => lotItem(p, lot ? wantedOf(p, services) : toMakeOf(p, services)))
    .filter((item) => item.count > 0);
  if (!lot && wanted.length === 0) return null;
  const items = lot?.items ?? wanted;
  const derived = deriveLot(book, {
    product,
    items,
    services: services.filter((service) => service.date === date),
    plan,
    ...(lot && {
      started: {
        recipe: lot.recipe,
        doorsMs: Date.parse(lot.doorsAt),
        closeMs: Date.parse(lot.closeAt),
      },
    }),
  });
  if (!derived) return null;
  const { recipe, scaled, doorsMs, closeMs, stages } = derived;
  const formula = book.formulas.find((f) => f.id === product.formulaId);
  return {
    product,
    date,
    lot: lot ?? null,
    code: lot?.code ?? formula?.code ?? '',
    recipe,
    items,
    wanted,
    scaled,
    stages: stagesAsDecided(stages, lot ?? null),
    doorsMs,
    closeMs,
  };
}

/** Balls of a product that some services want together. */
export function wantedOf(product: Product, services: readonly Service[]): number {
  return services.reduce(
    (sum, service) => sum + (service.counts.find((c) => c.productId === product.id)?.count ?? 0),
    0,
  );
}

/** Balls of a product that are still to be made for some services: what is carried over is there. */
function toMakeOf(product: Product, services: readonly Service[]): number {
  return services.reduce((sum, service) => {
    const count = service.counts.find((c) => c.productId === product.id);
    return sum + (count ? ballsToMake(count) : 0);
  }, 0);
}

/** Where a lot is in its route at a moment, from its record and its plan. */
export function lotPositionOf(boardLot: BoardLot, atMs: number, nowMs: number): LotPosition {
  const done = (boardLot.lot?.marks ?? [])
    .filter((mark) => mark.loadNumber === 0 && mark.doneAt !== null)
    .map((mark) => ({ stageKey: mark.stepKey, doneMs: Date.parse(mark.doneAt ?? '') }));
  return lotPosition(boardLot.stages, done, atMs, nowMs, boardLot.closeMs);
}

/**
 * Whether a dough that nobody has begun can no longer be ready before its last service closes: each piece of work takes
 * as long as is planned, each rest as little as its route allows.
 *
 * @param nowMs epoch ms
 */
export function isTooLateToMake({ lot, stages, closeMs }: BoardLot, nowMs: number): boolean {
  if (lot) return false;
  const soonestMs = stages.reduce(
    (ms, stage) =>
      ms + (stage.kind === 'rest' ? stage.hours.least * HOUR_MS : stage.endMs - stage.startMs),
    nowMs,
  );
  return soonestMs > closeMs;
}
