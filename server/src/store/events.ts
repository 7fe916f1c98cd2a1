import type { EventContent, HouseEvent } from '@calm/contract';
import { and, asc, eq } from 'drizzle-orm';
import type { Shelf } from '../use-cases/shelf';
import * as t from './schema';
import type { Scope } from './scope';
import { readServicePatterns } from './week';

const here = ({ houseId }: Scope, id: string) =>
  and(eq(t.events.houseId, houseId), eq(t.events.id, id));

/** What moves demand. */
export const eventShelf: Shelf<EventContent, HouseEvent> = {
  what: 'event',
  async find(scope, id) {
    const [row] = await scope.tx.select().from(t.events).where(here(scope, id));
    return row ? eventOf(row) : null;
  },
  async lacks(scope, { patternId }) {
    if (patternId === null) return null;
    const patterns = await readServicePatterns(scope);
    return patterns.some(({ id }) => id === patternId) ? null : 'patternId';
  },
  insert: ({ tx, houseId }, id, content) => tx.insert(t.events).values({ id, houseId, ...content }),
  async write(scope, id, read, content) {
    const [result] = await scope.tx
      .update(t.events)
      .set({ ...content, version: read + 1 })
      .where(and(here(scope, id), eq(t.events.version, read)));
    return result.affectedRows === 1;
  },
  remove: (scope, id) => scope.tx.delete(t.events).where(here(scope, id)),
};

/** Every event there was and will be, by date. */
export async function readEvents({ tx, houseId }: Scope): Promise<HouseEvent[]> {
  const rows = await tx
    .select()
    .from(t.events)
    .where(eq(t.events.houseId, houseId))
    .orderBy(asc(t.events.date), asc(t.events.name));
  return rows.map(eventOf);
}

const eventOf = ({ houseId: _, ...event }: typeof t.events.$inferSelect): HouseEvent => event;
