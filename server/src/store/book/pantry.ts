import type { PantryItem } from '@calm/contract';
import type { Ingredient } from '@calm/core';
import { and, asc, eq } from 'drizzle-orm';
import type { Repository } from '../repository';
import * as t from '../../database/schema';
import type { Scope } from '../../database/scope';

const here = ({ houseId }: Scope, id: string) =>
  and(eq(t.ingredients.houseId, houseId), eq(t.ingredients.id, id));

/** What the house buys. */
export const pantryRepository: Repository<Ingredient, PantryItem> = {
  what: 'ingredient',
  async find(scope, id) {
    const [row] = await scope.tx.select().from(t.ingredients).where(here(scope, id));
    return row ? itemOf(row) : null;
  },
  insert: ({ tx, houseId }, id, { name, ...facts }) =>
    tx.insert(t.ingredients).values({ id, houseId, name, facts }),
  async write(scope, id, read, { name, ...facts }) {
    const [result] = await scope.tx
      .update(t.ingredients)
      .set({ name, facts, version: read + 1 })
      .where(and(here(scope, id), eq(t.ingredients.version, read)));
    return result.affectedRows === 1;
  },
  remove: (scope, id) => scope.tx.delete(t.ingredients).where(here(scope, id)),
};

/** Everything on the shelf, by name. */
export async function readPantry({ tx, houseId }: Scope): Promise<PantryItem[]> {
  const rows = await tx
    .select()
    .from(t.ingredients)
    .where(eq(t.ingredients.houseId, houseId))
    .orderBy(asc(t.ingredients.name));
  return rows.map(itemOf);
}

const itemOf = ({ id, name, version, facts }: typeof t.ingredients.$inferSelect): PantryItem => ({
  id,
  name,
  version,
  ...facts,
});
