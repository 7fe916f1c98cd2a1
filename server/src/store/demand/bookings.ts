import type { Booking, BookingContent } from '@calm/contract';
import { and, asc, eq, gte, lt } from 'drizzle-orm';
import { tableRepository } from '../tableRepository';
import { readProductIds } from '../book/products';
import * as t from '../../database/schema';
import type { Scope } from '../../database/scope';
import { lacksPattern } from './calendar';

const bookingOf = ({ houseId: _, ...booking }: typeof t.bookings.$inferSelect): Booking => booking;

/** Parties that come on top. */
export const bookingRepository = tableRepository<typeof t.bookings, BookingContent, Booking>(
  t.bookings,
  {
    what: 'booking',
    rowOf: (content) => content,
    storedOf: bookingOf,
    async lacks(scope, content) {
      const ids = await readProductIds(scope);
      const at = content.balls.findIndex(({ productId }) => !ids.includes(productId));
      return at >= 0 ? `balls/${at}/productId` : lacksPattern(scope, content);
    },
  },
);

/** Bookings on the dates from `from` up to, not including, `before`, by date. */
export async function readBookings(
  { tx, houseId }: Scope,
  from: string,
  before: string,
): Promise<Booking[]> {
  const rows = await tx
    .select()
    .from(t.bookings)
    .where(
      and(eq(t.bookings.houseId, houseId), gte(t.bookings.date, from), lt(t.bookings.date, before)),
    )
    .orderBy(asc(t.bookings.date), asc(t.bookings.name), asc(t.bookings.id));
  return rows.map(bookingOf);
}
