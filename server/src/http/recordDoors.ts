import {
  daysQuery,
  handoverStartSchema,
  logQuery,
  params,
  photoStartSchema,
  recordStartSchema,
} from '@calm/contract/schemas';
import type { Router } from 'express';
import type { Database } from '../database/database';
import { readHandovers } from '../store/lots/handovers';
import { findPhoto } from '../store/lots/photos';
import { readLotRecords, readRecords } from '../store/lots/records';
import { logCsv, logPage, lotLog } from '../use-cases/lots/log';
import { addHandover, addLotRecord, addPhoto, readHandover } from '../use-cases/lots/records';
import { done, type Result } from '../use-cases/result';
import { addDays } from '@calm/domain';
import { houseDoor } from './door';
import { writing } from './who';

/** The doors of what is seen and measured: records of lots, handovers, the log. */
export function recordDoors(api: Router, db: Database): void {
  api.get(
    '/houses/:house/records',
    houseDoor(db, {
      needs: 'see',
      query: daysQuery,
      run: async ({ scope, query: { from, days } }) =>
        done(await readRecords(scope, from, addDays(from, days - 1))),
    }),
  );
  api.get(
    '/houses/:house/lots/:lot/records',
    houseDoor(db, {
      needs: 'see',
      params: params.lot,
      run: async ({ scope, params: { lot } }) => done(await readLotRecords(scope, lot)),
    }),
  );
  api.post(
    '/houses/:house/lots/:lot/records',
    houseDoor(db, {
      needs: 'mark',
      params: params.lot,
      body: recordStartSchema,
      status: 201,
      run: (visit) => addLotRecord(visit.scope, visit.params.lot, visit.body, writing(visit)),
    }),
  );
  api.post(
    '/houses/:house/lots/:lot/photos',
    houseDoor(db, {
      needs: 'mark',
      params: params.lot,
      body: photoStartSchema,
      status: 201,
      run: (visit) => addPhoto(visit.scope, visit.params.lot, visit.body, writing(visit)),
    }),
  );
  api.get(
    '/houses/:house/photos/:id',
    houseDoor(db, {
      needs: 'see',
      params: params.record,
      run: async ({ scope, params: { id } }): Promise<Result<Buffer>> => {
        const jpeg = await findPhoto(scope, id);
        return jpeg ? done(jpeg) : { kind: 'not-found', what: 'photo' };
      },
      // Never anything but a picture, whatever is in it; a photo is never changed.
      send: (res, jpeg) => {
        res
          .type('image/jpeg')
          .set('Cache-Control', 'private, max-age=31536000, immutable')
          .send(jpeg);
      },
    }),
  );
  api.get(
    '/houses/:house/handovers',
    houseDoor(db, { needs: 'see', run: async ({ scope }) => done(await readHandovers(scope)) }),
  );
  api.post(
    '/houses/:house/handovers',
    houseDoor(db, {
      needs: 'mark',
      body: handoverStartSchema,
      status: 201,
      run: (visit) => addHandover(visit.scope, visit.body, writing(visit)),
    }),
  );
  api.put(
    '/houses/:house/handovers/:id/read',
    houseDoor(db, {
      needs: 'mark',
      params: params.record,
      run: (visit) => readHandover(visit.scope, visit.params.id, writing(visit)),
    }),
  );
  api.get(
    '/houses/:house/log',
    houseDoor(db, {
      needs: 'see',
      query: logQuery,
      run: async ({ scope, query }) => done(await logPage(scope, query)),
    }),
  );
  api.get(
    '/houses/:house/log.csv',
    houseDoor(db, {
      needs: 'see',
      type: 'text/csv',
      query: logQuery,
      run: async ({ scope, query }) => done(await logCsv(scope, query)),
    }),
  );
  api.get(
    '/houses/:house/log/:lot',
    houseDoor(db, {
      needs: 'see',
      params: params.lot,
      run: ({ scope, params: { lot } }) => lotLog(scope, lot),
    }),
  );
}
