import type { Booking, HouseCalendar, ServicePattern } from '@calm/contract';
import { isOneDay } from '@calm/domain';
import { weekdayIndex } from '@calm/core';
import { useHouse } from '../../../state/board/useBoard';
import {
  useAddBookingMutation,
  useAddPatternMutation,
  useChangeCountsMutation,
  useRemoveBookingMutation,
  useRemovePatternMutation,
} from '../demandApi';

/** Balls that are wanted once, by an hour, and by no service. */
export interface Order {
  readonly name: string;
  /** Local date. */
  readonly date: string;
  /** When they are to be ready, and when the last are fetched; minutes as in services. */
  readonly hours: { readonly startMin: number; readonly endMin: number };
  /** By products' ids. */
  readonly balls: Readonly<Record<string, number>>;
}

/** An order as it is kept. */
export interface KeptOrder {
  readonly ids: OrderIds;
  readonly order: Order;
}

/** The order that a booking is of; null where it is a party at a service of the week. */
export function orderOf(booking: Booking, { patterns }: HouseCalendar): KeptOrder | null {
  const pattern = patterns.find(({ id }) => id === booking.patternId);
  if (!pattern || !isOneDay(pattern)) return null;
  const { name, startMin, endMin } = pattern;
  return {
    ids: { patternId: pattern.id, bookingId: booking.id },
    order: {
      name,
      date: booking.date,
      hours: { startMin, endMin },
      balls: Object.fromEntries(booking.balls.map(({ productId, count }) => [productId, count])),
    },
  };
}

/**
 * Orders, as the house keeps them: a service of one day, of which all that is wanted is booked, so that nothing is
 * made on top. Both throw what the house answered.
 */
export function useOrders(): {
  /** @returns the ids of what it is kept as */
  readonly add: (order: Order) => Promise<OrderIds>;
  readonly remove: (ids: OrderIds) => Promise<void>;
} {
  const house = useHouse();
  const [addPattern] = useAddPatternMutation();
  const [removePattern] = useRemovePatternMutation();
  const [addBooking] = useAddBookingMutation();
  const [removeBooking] = useRemoveBookingMutation();
  const [changeCounts] = useChangeCountsMutation();
  const remove = async ({ patternId, bookingId }: OrderIds) => {
    if (bookingId !== null) await removeBooking({ house, id: bookingId }).unwrap();
    await removePattern({ house, id: patternId }).unwrap();
  };
  return {
    remove,
    async add({ name, date, hours, balls }) {
      const wanted = Object.entries(balls)
        .filter(([, count]) => count > 0)
        .map(([productId, count]) => ({ productId, count }));
      const weekday = weekdayIndex(date) + 1;
      const pattern: ServicePattern = await addPattern({
        house,
        content: { name, weekday, ...hours, firstDate: date, lastDate: date },
      }).unwrap();
      const patternId = pattern.id;
      try {
        const guests = wanted.reduce((sum, { count }) => sum + count, 0);
        const booking: Booking = await addBooking({
          house,
          content: {
            date,
            patternId,
            name,
            guests: Math.min(guests, 5000),
            balls: wanted,
            note: '',
          },
        }).unwrap();
        const counts = wanted.map((each) => ({ ...each, date, patternId, version: 0 }));
        await changeCounts({ house, counts }).unwrap();
        return { patternId, bookingId: booking.id };
      } catch (error) {
        // All of it, or nothing.
        await remove({ patternId, bookingId: null }).catch(() => undefined);
        throw error;
      }
    },
  };
}

/** What an order is kept as. */
interface OrderIds {
  readonly patternId: string;
  /** Null where nothing is booked for it. */
  readonly bookingId: string | null;
}
