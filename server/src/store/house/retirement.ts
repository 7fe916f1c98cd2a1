import type { Retirable } from '@calm/contract';
import { and, eq, gt, inArray, isNotNull, isNull, sql, type SQL } from 'drizzle-orm';
import type { MySqlTable } from 'drizzle-orm/mysql-core';
import * as t from '../../database/schema';
import type { Scope } from '../../database/scope';

const TABLES = {
  products: t.products,
  formulas: t.formulas,
  routes: t.routes,
  mixers: t.mixers,
  places: t.places,
} as const satisfies Readonly<Record<Retirable, MySqlTable>>;

/** What a record is called, and since when it is offered no more; null when the house has none of this id. */
export async function readRetiredAt(
  { tx, houseId }: Scope,
  kind: Retirable,
  id: string,
): Promise<{ readonly name: string; readonly retiredAt: Date | null } | null> {
  const table = TABLES[kind];
  const [row] = await tx
    .select({ name: table.name, retiredAt: table.retiredAt })
    .from(table)
    .where(and(eq(table.houseId, houseId), eq(table.id, id)));
  return row ?? null;
}

/** Writes since when a record is offered no more; null offers it again. */
export async function writeRetiredAt(
  { tx, houseId }: Scope,
  kind: Retirable,
  id: string,
  retiredAt: Date | null,
): Promise<void> {
  const table = TABLES[kind];
  await tx
    .update(table)
    // A formula's version counts what is in it, for people: nothing is.
    .set({ retiredAt, ...(kind !== 'formulas' && { version: sql`${table.version} + 1` }) })
    .where(and(eq(table.houseId, houseId), eq(table.id, id)));
}

const isAny = async ({ tx }: Scope, table: MySqlTable, condition: SQL | undefined) =>
  (
    await tx
      .select({ one: sql`1` })
      .from(table)
      .where(condition)
      .limit(1)
  ).length > 0;

/** Whether a product that is offered is made by this formula or route. */
export const hasProductOf = (
  scope: Scope,
  by: 'formulaId' | 'routeId',
  id: string,
): Promise<boolean> =>
  isAny(
    scope,
    t.products,
    and(
      eq(t.products.houseId, scope.houseId),
      eq(t.products[by], id),
      isNull(t.products.retiredAt),
    ),
  );

/** Whether a formula that is offered is written for this mixer. */
export const hasFormulaFor = (scope: Scope, mixerId: string): Promise<boolean> =>
  isAny(
    scope,
    t.formulas,
    and(
      eq(t.formulas.houseId, scope.houseId),
      eq(t.formulas.mixerId, mixerId),
      isNull(t.formulas.retiredAt),
    ),
  );

/** Whether a probe hangs there. */
export const hasProbeIn = (scope: Scope, placeId: string): Promise<boolean> =>
  isAny(scope, t.probes, and(eq(t.probes.houseId, scope.houseId), eq(t.probes.placeId, placeId)));

/** Whether dough of this product is under way at a moment. */
export async function hasDoughUnderWay(
  scope: Scope,
  productId: string,
  now: Date,
): Promise<boolean> {
  const { tx, houseId } = scope;
  const underWay = tx
    .select({ id: t.lots.id })
    .from(t.lots)
    .where(and(eq(t.lots.houseId, houseId), isNotNull(t.lots.activeKey), gt(t.lots.closeAt, now)));
  return isAny(
    scope,
    t.lotItems,
    and(
      eq(t.lotItems.houseId, houseId),
      eq(t.lotItems.productId, productId),
      inArray(t.lotItems.lotId, underWay),
    ),
  );
}

/** The names of the places that some routes go by: those the house offers, and those of dough under way. */
export async function readPlacesOnTheWay({ tx, houseId }: Scope, now: Date): Promise<Set<string>> {
  const [routes, lots] = await Promise.all([
    tx
      .select({ stages: t.routes.stages })
      .from(t.routes)
      .where(and(eq(t.routes.houseId, houseId), isNull(t.routes.retiredAt))),
    tx
      .select({ recipe: t.lots.recipe })
      .from(t.lots)
      .where(
        and(eq(t.lots.houseId, houseId), isNotNull(t.lots.activeKey), gt(t.lots.closeAt, now)),
      ),
  ]);
  const ways = [...routes.map(({ stages }) => stages), ...lots.map(({ recipe }) => recipe.route)];
  return new Set(
    ways.flatMap((stages) =>
      stages.flatMap((stage) => (stage.kind === 'rest' ? [stage.place] : [])),
    ),
  );
}

/** Whether all that a record needs is offered: a product's formula and route, a formula's mixer. */
export async function hasWhatItNeeds(
  { tx, houseId }: Scope,
  kind: Retirable,
  id: string,
): Promise<boolean> {
  const offeredProducts = () =>
    tx
      .select({ id: t.products.id })
      .from(t.products)
      .innerJoin(
        t.formulas,
        and(
          eq(t.formulas.houseId, t.products.houseId),
          eq(t.formulas.id, t.products.formulaId),
          isNull(t.formulas.retiredAt),
        ),
      )
      .innerJoin(
        t.routes,
        and(
          eq(t.routes.houseId, t.products.houseId),
          eq(t.routes.id, t.products.routeId),
          isNull(t.routes.retiredAt),
        ),
      )
      .where(and(eq(t.products.houseId, houseId), eq(t.products.id, id)));
  const offeredFormulas = () =>
    tx
      .select({ id: t.formulas.id })
      .from(t.formulas)
      .innerJoin(
        t.mixers,
        and(
          eq(t.mixers.houseId, t.formulas.houseId),
          eq(t.mixers.id, t.formulas.mixerId),
          isNull(t.mixers.retiredAt),
        ),
      )
      .where(and(eq(t.formulas.houseId, houseId), eq(t.formulas.id, id)));
  if (kind === 'products') return (await offeredProducts()).length > 0;
  if (kind === 'formulas') return (await offeredFormulas()).length > 0;
  return true;
}
