import type { RouteContent, RouteRecord } from '@calm/contract';
import { and, eq } from 'drizzle-orm';
import type { Repository } from '../repository';
import * as t from '../../database/schema';
import type { Scope } from '../../database/scope';

const here = ({ houseId }: Scope, id: string) =>
  and(eq(t.routes.houseId, houseId), eq(t.routes.id, id));

/** The house's routes. */
export const routeRepository: Repository<RouteContent, RouteRecord> = {
  what: 'route',
  async find(scope, id) {
    const [row] = await scope.tx.select().from(t.routes).where(here(scope, id));
    return row ? routeOf(row) : null;
  },
  insert: ({ tx, houseId }, id, content) => tx.insert(t.routes).values({ id, houseId, ...content }),
  async write(scope, id, read, content) {
    const [result] = await scope.tx
      .update(t.routes)
      .set({ ...content, version: read + 1 })
      .where(and(here(scope, id), eq(t.routes.version, read)));
    return result.affectedRows === 1;
  },
  remove: (scope, id) => scope.tx.delete(t.routes).where(here(scope, id)),
};

/** Whether the house offers this route. */
export async function isRouteOffered(scope: Scope, id: string): Promise<boolean> {
  const [row] = await scope.tx
    .select({ retiredAt: t.routes.retiredAt })
    .from(t.routes)
    .where(here(scope, id))
    .for('update');
  return row?.retiredAt === null;
}

/** A row as it crosses the wire. */
export const routeOf = ({
  houseId: _,
  retiredAt: _r,
  ...route
}: typeof t.routes.$inferSelect): RouteRecord => route;
