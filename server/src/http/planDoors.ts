import { calendarQuery, placeSchema, planPublicationSchema } from '@calm/contract/schemas';
import type { Router } from 'express';
import type { Clock } from '../clock';
import type { Database } from '../database/database';
import { placeShelf } from '../store/house/places';
import { readPlan } from '../store/plan/plans';
import { planCalendar, planCsv } from '../use-cases/plan/planExport';
import { publishPlan } from '../use-cases/plan/publishPlan';
import { done } from '../use-cases/result';
import { houseDoor } from './door';
import { shelfDoors } from './shelfDoors';

/** The doors of the plan: where dough can stand, what the house works by, and its ways out. */
export function planDoors(api: Router, db: Database, clock: Clock): void {
  shelfDoors(api, db, 'places', 'book', placeShelf, placeSchema);
  api.get(
    '/houses/:house/plan',
    houseDoor(db, { needs: 'see', run: async ({ scope }) => done(await readPlan(scope)) }),
  );
  api.put(
    '/houses/:house/plan',
    houseDoor(db, {
      needs: 'plan',
      body: planPublicationSchema,
      run: ({ scope, body }) => publishPlan(scope, body, clock.now()),
    }),
  );
  api.get(
    '/houses/:house/plan.csv',
    houseDoor(db, {
      needs: 'see',
      type: 'text/csv',
      run: async ({ scope, house }) => done(await planCsv(scope, house)),
    }),
  );
  api.get(
    '/houses/:house/plan.ics',
    houseDoor(db, {
      needs: 'see',
      type: 'text/calendar',
      query: calendarQuery,
      run: async ({ scope, house, query: { person = null } }) =>
        done(await planCalendar(scope, house, person)),
    }),
  );
}
