import type { EventContent, HouseEvent } from '@calm/contract';
import { asc, eq } from 'drizzle-orm';
import { tableRepository } from '../tableRepository';
import * as t from '../../database/schema';
import type { Scope } from '../../database/scope';
import { lacksPattern } from './calendar';

const eventOf = ({ houseId: _, ...event }: typeof t.events.$inferSelect): HouseEvent => event;

/** What moves demand. */
export const eventRepository = tableRepository<typeof t.events, EventContent, HouseEvent>(
  t.events,
  {
    what: 'event',
    rowOf: (content) => content,
    storedOf: eventOf,
    lacks: lacksPattern,
  },
);

/** Every event there was and will be, by date. */
export async function readEvents({ tx, houseId }: Scope): Promise<HouseEvent[]> {
  const rows = await tx
    .select()
    .from(t.events)
    .where(eq(t.events.houseId, houseId))
    .orderBy(asc(t.events.date), asc(t.events.name), asc(t.events.id));
  return rows.map(eventOf);
}
