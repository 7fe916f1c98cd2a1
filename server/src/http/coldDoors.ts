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
import { probeShelf } from '../store/cold/probes';
import { acknowledgeAlarm, addColdNote, coldBoardNow } from '../use-cases/cold/coldBoard';
import { coldDay, coldRecord, coldRecordCsv } from '../use-cases/cold/coldRecord';
import { done } from '../use-cases/result';
import { takeReadings } from '../use-cases/cold/takeReadings';
import { houseDoor } from './door';
import { shelfDoors } from './shelfDoors';
import { writing } from './who';

/** The doors of the cold: probes and what they show, what is wrong, what was done about it. */
export function coldDoors(api: Router, db: Database, clock: Clock): void {
  shelfDoors(api, db, 'probes', 'book', probeShelf, probeSchema);
  api.post(
    '/houses/:house/readings',
    houseDoor(db, {
      needs: 'mark',
      body: readingsStartSchema,
      run: ({ scope, house, body }) => takeReadings(scope, house, body, clock.now()),
    }),
  );
  api.get(
    '/houses/:house/cold',
    houseDoor(db, {
      needs: 'see',
      run: async ({ scope, house }) => done(await coldBoardNow(scope, house, clock.now())),
    }),
  );
  api.get(
    '/houses/:house/cold/day',
    houseDoor(db, {
      needs: 'see',
      query: dayQuery,
      run: async ({ scope, house, query: { date } }) =>
        done(await coldDay(scope, house, date, clock.now())),
    }),
  );
  api.get(
    '/houses/:house/cold/record',
    houseDoor(db, {
      needs: 'see',
      query: recordQuery,
      run: async ({ scope, house, query }) =>
        done(await coldRecord(scope, house, query, clock.now())),
    }),
  );
  api.get(
    '/houses/:house/cold/record.csv',
    houseDoor(db, {
      needs: 'see',
      type: 'text/csv',
      query: recordQuery,
      run: async ({ scope, house, query }) =>
        done(await coldRecordCsv(scope, house, query, clock.now())),
    }),
  );
  api.put(
    '/houses/:house/alarms/:id/acknowledged',
    houseDoor(db, {
      needs: 'mark',
      params: params.record,
      body: acknowledgementSchema,
      run: (visit) => acknowledgeAlarm(visit.scope, visit.params.id, visit.body, writing(visit)),
    }),
  );
  api.post(
    '/houses/:house/cold-notes',
    houseDoor(db, {
      needs: 'mark',
      body: coldNoteStartSchema,
      status: 201,
      run: (visit) => addColdNote(visit.scope, visit.body, writing(visit)),
    }),
  );
}
