import type { HouseCalendar, Sale } from '@calm/contract';
import { addDays } from '@calm/domain';
import type { Scope } from '../../database/scope';
import { bookingRepository } from '../../store/demand/bookings';
import { exceptionRepository, patternRepository, readCalendar } from '../../store/demand/calendar';
import { eventRepository } from '../../store/demand/events';
import { readSales } from '../../store/demand/sales';
import { recordWrites } from '../recordWrites';

/** What moves demand, as records that people add, change and delete. */
export const servicePatterns = recordWrites(patternRepository);
export const serviceExceptions = recordWrites(exceptionRepository);
export const events = recordWrites(eventRepository);
export const bookings = recordWrites(bookingRepository);

/** When a house sells: its week, and the days that differ. */
export const calendarOf = (scope: Scope): Promise<HouseCalendar> => readCalendar(scope);

/** What was sold on some days, from a local date. */
export const salesBetween = (scope: Scope, from: string, days: number): Promise<Sale[]> =>
  readSales(scope, from, addDays(from, days));
