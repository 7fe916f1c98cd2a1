import type { Place, PlaceContent } from '@calm/contract';
import { asc, eq } from 'drizzle-orm';
import { offered, type Offered } from '../offered';
import { tableRepository } from '../tableRepository';
import * as t from '../../database/schema';
import type { Scope } from '../../database/scope';

const placeOf = ({ houseId: _, retiredAt: _r, ...place }: typeof t.places.$inferSelect): Place =>
  place;

/** Where dough stands. */
export const placeRepository = tableRepository<typeof t.places, PlaceContent, Place>(t.places, {
  what: 'place',
  rowOf: (content) => content,
  storedOf: placeOf,
});

/** Every place of a house, by name, those it offers and those it has retired. */
export async function readPlaces({ tx, houseId }: Scope): Promise<Offered<Place>> {
  const rows = await tx
    .select()
    .from(t.places)
    .where(eq(t.places.houseId, houseId))
    .orderBy(asc(t.places.name));
  return offered(rows, placeOf);
}
