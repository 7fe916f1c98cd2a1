import {
  bookingSchema,
  salesImportSchema,
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
import { bookingRepository } from '../store/demand/bookings';
import type { Database } from '../database/database';
import { eventRepository } from '../store/demand/events';
import { readSales } from '../store/demand/sales';
import { exceptionRepository, patternRepository, readCalendar } from '../store/demand/calendar';
import { importSales } from '../use-cases/demand/importSales';
import { servicesBetween } from '../use-cases/demand/calendar';
import { changeCount, changeCounts } from '../use-cases/demand/changeCount';
import { changeSale } from '../use-cases/demand/changeSale';
import { forecastsBetween } from '../use-cases/demand/forecast';
import { ok } from '../use-cases/result';
import { salesCsv } from '../use-cases/demand/salesCsv';
import { takeTillSales } from '../use-cases/demand/till';
import { addDays } from '@calm/domain';
import { defineRoute } from './door';
import { repositoryRoutes } from './shelfDoors';

/** The doors of demand: when the house sells, what it wants, what it sold, what it expects. */
export function demandRoutes(api: Router, db: Database, clock: Clock): void {
  repositoryRoutes(api, db, 'service-patterns', 'plan', patternRepository, servicePatternSchema);
  repositoryRoutes(
    api,
    db,
    'service-exceptions',
    'plan',
    exceptionRepository,
    serviceExceptionSchema,
  );
  repositoryRoutes(api, db, 'events', 'plan', eventRepository, eventSchema);
  repositoryRoutes(api, db, 'bookings', 'plan', bookingRepository, bookingSchema);
  api.get(
    '/houses/:house/calendar',
    defineRoute(db, { needs: 'see', run: async ({ scope }) => ok(await readCalendar(scope)) }),
  );
  api.get(
    '/houses/:house/services',
    defineRoute(db, {
      needs: 'see',
      query: daysQuery,
      run: async ({ scope, house, query }) =>
        ok(await servicesBetween(scope, house, query, clock.now())),
    }),
  );
  api.put(
    '/houses/:house/counts/:date/:patternId/:productId',
    defineRoute(db, {
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
    defineRoute(db, {
      needs: 'plan',
      body: countsChangeSchema,
      run: ({ scope, body }) => changeCounts(scope, body),
    }),
  );
  api.get(
    '/houses/:house/sales',
    defineRoute(db, {
      needs: 'see',
      query: daysQuery,
      run: async ({ scope, query: { from, days } }) =>
        ok(await readSales(scope, from, addDays(from, days))),
    }),
  );
  api.put(
    '/houses/:house/sales/:date/:patternId/:productId',
    defineRoute(db, {
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
    '/houses/:house/imports/sales',
    defineRoute(db, {
      needs: 'plan',
      body: salesImportSchema,
      run: ({ scope, body }) => importSales(scope, body),
    }),
  );
  api.post(
    '/houses/:house/till',
    defineRoute(db, {
      needs: 'sell',
      body: tillSchema,
      run: ({ scope, house, body }) => takeTillSales(scope, house, body.sales),
    }),
  );
  api.get(
    '/houses/:house/forecast',
    defineRoute(db, {
      needs: 'see',
      query: daysQuery,
      run: async ({ scope, house, query }) =>
        ok(await forecastsBetween(scope, house, query, clock.now())),
    }),
  );
  api.get(
    '/houses/:house/sales.csv',
    defineRoute(db, {
      needs: 'see',
      type: 'text/csv',
      run: async ({ scope, house }) => ok(await salesCsv(scope, house, clock.now())),
    }),
  );
}
