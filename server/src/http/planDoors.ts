import { calendarQuery, placeSchema, planPublicationSchema } from '@calm/contract/schemas';
import type { Router } from 'express';
import type { Clock } from '../clock';
import type { Database } from '../database/database';
import { placeRepository } from '../store/house/places';
import { readPlan } from '../store/plan/plans';
import { planCalendar, planCsv } from '../use-cases/plan/planExport';
import { publishPlan } from '../use-cases/plan/publishPlan';
import { ok } from '../use-cases/result';
import { defineRoute } from './door';
import { repositoryRoutes } from './shelfDoors';

/** The doors of the plan: where dough can stand, what the house works by, and its ways out. */
export function planRoutes(api: Router, db: Database, clock: Clock): void {
  repositoryRoutes(api, db, 'places', 'book', placeRepository, placeSchema);
  api.get(
    '/houses/:house/plan',
    defineRoute(db, { needs: 'see', run: async ({ scope }) => ok(await readPlan(scope)) }),
  );
  api.put(
    '/houses/:house/plan',
    defineRoute(db, {
      needs: 'plan',
      body: planPublicationSchema,
      run: ({ scope, body }) => publishPlan(scope, body, clock.now()),
    }),
  );
  api.get(
    '/houses/:house/plan.csv',
    defineRoute(db, {
      needs: 'see',
      type: 'text/csv',
      run: async ({ scope, house }) => ok(await planCsv(scope, house)),
    }),
  );
  api.get(
    '/houses/:house/plan.ics',
    defineRoute(db, {
      needs: 'see',
      type: 'text/calendar',
      query: calendarQuery,
      run: async ({ scope, house, query: { person = null } }) =>
        ok(await planCalendar(scope, house, person)),
    }),
  );
}
