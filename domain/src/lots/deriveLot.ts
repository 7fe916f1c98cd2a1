import type { HouseBook, LotItem, PlanContent, Product, Recipe, Service } from '@calm/contract';
import {
  countBack,
  type LotSize,
  type PlannedStage,
  type Result,
  type ScaledLot,
  type ScaleReason,
} from '@calm/core';
import { ballsToMake } from '../demand/ballsToMake';
import { plannedLotOf, stagesOfPlan } from './plannedStages';
import { recipeFor, scaleRecipe } from './recipe';

/** What a lot is asked to be. */
export interface LotQuestion {
  readonly product: Product;
  /** What it makes; nothing of no balls. */
  readonly items: readonly LotItem[];
  /** The services of its date, in time's order. */
  readonly services: readonly Service[];
  readonly plan: PlanContent;
  /** Chosen for it; the formula's own mixer when absent. */
  readonly mixerId?: string;
  /** As a lot under way has it: its recipe and its doors were fixed when it started. */
  readonly started?: {
    readonly recipe: Recipe;
    readonly doorsMs: number;
    readonly closeMs: number;
  };
}

/** Everything that follows from what a lot is asked to be. */
export interface DerivedLot {
  readonly recipe: Recipe;
  readonly scaled: Result<ScaledLot, ScaleReason>;
  readonly size: LotSize;
  /** First doors and last close of the services that want what it makes, epoch ms. */
  readonly doorsMs: number;
  readonly closeMs: number;
  /** Its stages as its house's plan has them, or counted back from its doors. */
  readonly stages: readonly PlannedStage[];
}

/**
 * What a lot is, from what it is asked to be: its recipe, loads, doors and stages. The board asks before a lot
 * is begun, the house when it starts one; both ask here.
 *
 * @returns null when its date has no service
 */
export function deriveLot(book: HouseBook, question: LotQuestion): DerivedLot | null {
  const { product, items, services, plan, mixerId, started } = question;
  const recipe = started?.recipe ?? recipeFor(book, product, mixerId);
  const times = started ?? timesOf(items, services);
  if (!times) return null;
  const { doorsMs, closeMs } = times;
  const scaled = scaleRecipe(recipe, items);
  const size = sizeOf(items, scaled);
  // A plan that was made once the first doors were open no longer tells how the lot came there.
  const first = services.find(({ startsAt }) => Date.parse(startsAt) === doorsMs);
  const planned = first && plannedLotOf(plan, product, first);
  const stages =
    (planned && stagesOfPlan(planned, recipe.route)) ?? countBack(recipe.route, doorsMs, size);
  return { recipe, scaled, size, doorsMs, closeMs, stages };
}

/** Loads and balls of a lot. */
export const sizeOf = (
  items: readonly LotItem[],
  scaled: Result<ScaledLot, ScaleReason>,
): LotSize => ({
  loads: scaled.ok ? scaled.value.loads.length : 1,
  balls: items.reduce((sum, item) => sum + item.count, 0),
});

/** The services that still want some of these balls made; where none does, all of them. */
function timesOf(items: readonly LotItem[], services: readonly Service[]) {
  const wanting = services.filter((service) =>
    service.counts.some(
      (count) => ballsToMake(count) > 0 && items.some((item) => item.productId === count.productId),
    ),
  );
  const ours = wanting.length > 0 ? wanting : services;
  if (ours.length === 0) return null;
  return {
    doorsMs: Math.min(...ours.map((service) => Date.parse(service.startsAt))),
    closeMs: Math.max(...ours.map((service) => Date.parse(service.endsAt))),
  };
}
