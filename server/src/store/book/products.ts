import type { Product, ProductContent } from '@calm/contract';
import { and, asc, count, eq, isNull, type SQL } from 'drizzle-orm';
import type { Repository } from '../repository';
import { slugOf } from '@calm/domain';
import { isRouteOffered } from './routes';
import * as t from '../../database/schema';
import type { Scope } from '../../database/scope';

const here = ({ houseId }: Scope, id: string) =>
  and(eq(t.products.houseId, houseId), eq(t.products.id, id));

const columnsOf = (content: ProductContent) => ({
  ...content,
  isFromRemainders: content.isFromRemainders ? 1 : 0,
});

/** What the house sells. A product's address is made of its first name and stays. */
export const productRepository: Repository<ProductContent, Product> = {
  what: 'product',
  async find(scope, id) {
    const [row] = await scope.tx.select().from(t.products).where(here(scope, id));
    return row ? productOf(row) : null;
  },
  async lacks(scope, { formulaId, routeId }) {
    const { tx, houseId } = scope;
    const [formula] = await tx
      .select({ id: t.formulas.id })
      .from(t.formulas)
      .where(
        and(
          eq(t.formulas.houseId, houseId),
          eq(t.formulas.id, formulaId),
          isNull(t.formulas.retiredAt),
        ),
      )
      // Nobody retires it before this product is there to be seen.
      .for('update');
    if (!formula) return 'formulaId';
    return (await isRouteOffered(scope, routeId)) ? null : 'routeId';
  },
  async insert({ tx, houseId }, id, content) {
    const [last] = await tx
      .select({ position: count() })
      .from(t.products)
      .where(eq(t.products.houseId, houseId));
    const slug = slugOf(content.name) || id;
    const position = last?.position ?? 0;
    await tx.insert(t.products).values({ id, houseId, slug, position, ...columnsOf(content) });
  },
  async write(scope, id, read, content) {
    const [result] = await scope.tx
      .update(t.products)
      .set({ ...columnsOf(content), version: read + 1 })
      .where(and(here(scope, id), eq(t.products.version, read)));
    return result.affectedRows === 1;
  },
  remove: (scope, id) => scope.tx.delete(t.products).where(here(scope, id)),
};

const idsWhere = async ({ tx }: Scope, condition: SQL | undefined): Promise<string[]> => {
  const rows = await tx
    .select({ id: t.products.id })
    .from(t.products)
    .where(condition)
    .orderBy(asc(t.products.position));
  return rows.map(({ id }) => id);
};

/** Every product's id that the house offers, in its order. */
export const readProductIds = (scope: Scope): Promise<string[]> =>
  idsWhere(scope, and(eq(t.products.houseId, scope.houseId), isNull(t.products.retiredAt)));

/** Every product's id that the house ever offered: what is on record may be of one that is retired. */
export const readProductIdsEver = (scope: Scope): Promise<string[]> =>
  idsWhere(scope, eq(t.products.houseId, scope.houseId));

/** A row as it crosses the wire. */
export const productOf = ({
  houseId: _h,
  position: _p,
  retiredAt: _r,
  isFromRemainders,
  ...product
}: typeof t.products.$inferSelect): Product => ({
  ...product,
  isFromRemainders: isFromRemainders === 1,
});
