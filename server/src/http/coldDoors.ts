import {
  acknowledgementSchema,
  coldNoteStartSchema,
  dayQuery,
  params,
  probeSchema,
  readingsStartSchema,
  recordQuery,
} from '@calm/contract/schemas';
import type { Router } from 'express';
import type { Clock } from '../clock';
import type { Database } from '../database/database';
import { probeRepository } from '../store/cold/probes';
import { acknowledgeAlarm, addColdNote, coldBoardNow } from '../use-cases/cold/coldBoard';
import { coldDay, coldRecord, coldRecordCsv } from '../use-cases/cold/coldRecord';
import { ok } from '../use-cases/result';
import { takeReadings } from '../use-cases/cold/takeReadings';
import { defineRoute } from './door';
import { repositoryRoutes } from './shelfDoors';
import { writing } from './who';

/** The doors of the cold: probes and what they show, what is wrong, what was done about it. */
export function coldRoutes(api: Router, db: Database, clock: Clock): void {
  repositoryRoutes(api, db, 'probes', 'book', probeRepository, probeSchema);
  api.post(
    '/houses/:house/readings',
    defineRoute(db, {
      needs: 'mark',
      body: readingsStartSchema,
      run: ({ scope, house, body }) => takeReadings(scope, house, body, clock.now()),
    }),
  );
  api.get(
    '/houses/:house/cold',
    defineRoute(db, {
      needs: 'see',
      run: async ({ scope, house }) => ok(await coldBoardNow(scope, house, clock.now())),
    }),
  );
  api.get(
    '/houses/:house/cold/day',
    defineRoute(db, {
      needs: 'see',
      query: dayQuery,
      run: async ({ scope, house, query: { date } }) =>
        ok(await coldDay(scope, house, date, clock.now())),
    }),
  );
  api.get(
    '/houses/:house/cold/record',
    defineRoute(db, {
      needs: 'see',
      query: recordQuery,
      run: async ({ scope, house, query }) =>
        ok(await coldRecord(scope, house, query, clock.now())),
    }),
  );
  api.get(
    '/houses/:house/cold/record.csv',
    defineRoute(db, {
      needs: 'see',
      type: 'text/csv',
      query: recordQuery,
      run: async ({ scope, house, query }) =>
        ok(await coldRecordCsv(scope, house, query, clock.now())),
    }),
  );
  api.put(
    '/houses/:house/alarms/:id/acknowledged',
    defineRoute(db, {
      needs: 'mark',
      params: params.record,
      body: acknowledgementSchema,
      run: (context) =>
        acknowledgeAlarm(context.scope, context.params.id, context.body, writing(context)),
    }),
  );
  api.post(
    '/houses/:house/cold-notes',
    defineRoute(db, {
      needs: 'mark',
      body: coldNoteStartSchema,
      status: 201,
      run: (context) => addColdNote(context.scope, context.body, writing(context)),
    }),
  );
}
