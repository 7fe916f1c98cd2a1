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

/**
 * What a record is called, and since when it is offered no more; null when the house has none of this id. Whoever else
 * retires it, or makes something of it, waits until this transaction ends.
 */
export async function readRetiredAt(
  { tx, houseId }: Scope,
  kind: Retirable,
  id: string,
): Promise<{ readonly name: string; readonly retiredAt: Date | null } | null> {
  const table = TABLES[kind];
  const [row] = await tx
    .select({ name: table.name, retiredAt: table.retiredAt })
    .from(table)
    .where(and(eq(table.houseId, houseId), eq(table.id, id)))
    .for('update');
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

const isUnderWay = (houseId: string, now: Date) =>
  and(eq(t.lots.houseId, houseId), isNotNull(t.lots.activeKey), gt(t.lots.closeAt, now));

/** Whether dough of this product is under way at a moment. */
export async function hasDoughUnderWay(
  scope: Scope,
  productId: string,
  now: Date,
): Promise<boolean> {
  const { tx, houseId } = scope;
  const underWay = tx.select({ id: t.lots.id }).from(t.lots).where(isUnderWay(houseId, now));
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
    tx.select({ recipe: t.lots.recipe }).from(t.lots).where(isUnderWay(houseId, now)),
  ]);
  const ways = [...routes.map(({ stages }) => stages), ...lots.map(({ recipe }) => recipe.route)];
  return new Set(
    ways.flatMap((stages) =>
      stages.flatMap((stage) => (stage.kind === 'rest' ? [stage.place] : [])),
    ),
  );
}

/** What a record is made of or in, by its kind and id: a product's formula and route, a formula's mixer. */
export async function readNeeds(
  { tx, houseId }: Scope,
  kind: Retirable,
  id: string,
): Promise<readonly (readonly [Retirable, string])[]> {
  if (kind === 'products') {
    const { formulaId, routeId } = t.products;
    const [product] = await tx
      .select({ formulaId, routeId })
      .from(t.products)
      .where(and(eq(t.products.houseId, houseId), eq(t.products.id, id)));
    return product
      ? [
          ['formulas', product.formulaId],
          ['routes', product.routeId],
        ]
      : [];
  }
  if (kind !== 'formulas') return [];
  const [formula] = await tx
    .select({ mixerId: t.formulas.mixerId })
    .from(t.formulas)
    .where(and(eq(t.formulas.houseId, houseId), eq(t.formulas.id, id)));
  return formula ? [['mixers', formula.mixerId]] : [];
}
