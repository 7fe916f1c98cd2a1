import {
  bookingSchema,
  broughtSalesSchema,
  countChangeSchema,
  countsChangeSchema,
  daysQuery,
  eventSchema,
  params,
  saleChangeSchema,
  serviceExceptionSchema,
  servicePatternSchema,
  tillSchema,
} from '@calm/contract/schemas';
import type { Router } from 'express';
import type { Clock } from '../clock';
import { bookingShelf } from '../store/demand/bookings';
import type { Database } from '../database/database';
import { eventShelf } from '../store/demand/events';
import { readSales } from '../store/demand/sales';
import { exceptionShelf, patternShelf, readCalendar } from '../store/demand/calendar';
import { bringInSales } from '../use-cases/demand/importSales';
import { servicesBetween } from '../use-cases/demand/calendar';
import { changeCount, changeCounts } from '../use-cases/demand/changeCount';
import { changeSale } from '../use-cases/demand/changeSale';
import { forecastsBetween } from '../use-cases/demand/forecast';
import { done } from '../use-cases/result';
import { salesCsv } from '../use-cases/demand/salesCsv';
import { takeTillSales } from '../use-cases/demand/till';
import { addDays } from '@calm/domain';
import { houseDoor } from './door';
import { shelfDoors } from './shelfDoors';

/** The doors of demand: when the house sells, what it wants, what it sold, what it expects. */
export function demandDoors(api: Router, db: Database, clock: Clock): void {
  shelfDoors(api, db, 'service-patterns', 'plan', patternShelf, servicePatternSchema);
  shelfDoors(api, db, 'service-exceptions', 'plan', exceptionShelf, serviceExceptionSchema);
  shelfDoors(api, db, 'events', 'plan', eventShelf, eventSchema);
  shelfDoors(api, db, 'bookings', 'plan', bookingShelf, bookingSchema);
  api.get(
    '/houses/:house/calendar',
    houseDoor(db, { needs: 'see', run: async ({ scope }) => done(await readCalendar(scope)) }),
  );
  api.get(
    '/houses/:house/services',
    houseDoor(db, {
      needs: 'see',
      query: daysQuery,
      run: async ({ scope, house, query }) =>
        done(await servicesBetween(scope, house, query, clock.now())),
    }),
  );
  api.put(
    '/houses/:house/counts/:date/:patternId/:productId',
    houseDoor(db, {
      needs: 'plan',
      params: params.count,
      body: countChangeSchema,
      run: ({ scope, params: key, body }) => {
        const { date, patternId, productId } = key;
        return changeCount(scope, { date, patternId, productId }, body);
      },
    }),
  );
  api.post(
    '/houses/:house/counts',
    houseDoor(db, {
      needs: 'plan',
      body: countsChangeSchema,
      run: ({ scope, body }) => changeCounts(scope, body),
    }),
  );
  api.get(
    '/houses/:house/sales',
    houseDoor(db, {
      needs: 'see',
      query: daysQuery,
      run: async ({ scope, query: { from, days } }) =>
        done(await readSales(scope, from, addDays(from, days))),
    }),
  );
  api.put(
    '/houses/:house/sales/:date/:patternId/:productId',
    houseDoor(db, {
      needs: 'sell',
      params: params.count,
      body: saleChangeSchema,
      run: ({ scope, params: key, body }) => {
        const { date, patternId, productId } = key;
        return changeSale(scope, { date, patternId, productId }, body);
      },
    }),
  );
  api.post(
    '/houses/:house/brought-in/sales',
    houseDoor(db, {
      needs: 'plan',
      body: broughtSalesSchema,
      run: ({ scope, body }) => bringInSales(scope, body),
    }),
  );
  api.post(
    '/houses/:house/till',
    houseDoor(db, {
      needs: 'sell',
      body: tillSchema,
      run: ({ scope, house, body }) => takeTillSales(scope, house, body.sales),
    }),
  );
  api.get(
    '/houses/:house/forecast',
    houseDoor(db, {
      needs: 'see',
      query: daysQuery,
      run: async ({ scope, house, query }) =>
        done(await forecastsBetween(scope, house, query, clock.now())),
    }),
  );
  api.get(
    '/houses/:house/sales.csv',
    houseDoor(db, {
      needs: 'see',
      type: 'text/csv',
      run: async ({ scope, house }) => done(await salesCsv(scope, house, clock.now())),
    }),
  );
}
