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
import { ok, type Result } from '../use-cases/result';
import { addDays } from '@calm/domain';
import { defineRoute } from './door';
import { writing } from './who';

/** The doors of what is seen and measured: records of lots, handovers, the log. */
export function recordRoutes(api: Router, db: Database): void {
  api.get(
    '/houses/:house/records',
    defineRoute(db, {
      needs: 'see',
      query: daysQuery,
      run: async ({ scope, query: { from, days } }) =>
        ok(await readRecords(scope, from, addDays(from, days - 1))),
    }),
  );
  api.get(
    '/houses/:house/lots/:lot/records',
    defineRoute(db, {
      needs: 'see',
      params: params.lot,
      run: async ({ scope, params: { lot } }) => ok(await readLotRecords(scope, lot)),
    }),
  );
  api.post(
    '/houses/:house/lots/:lot/records',
    defineRoute(db, {
      needs: 'mark',
      params: params.lot,
      body: recordStartSchema,
      status: 201,
      run: (context) =>
        addLotRecord(context.scope, context.params.lot, context.body, writing(context)),
    }),
  );
  api.post(
    '/houses/:house/lots/:lot/photos',
    defineRoute(db, {
      needs: 'mark',
      params: params.lot,
      body: photoStartSchema,
      status: 201,
      run: (context) => addPhoto(context.scope, context.params.lot, context.body, writing(context)),
    }),
  );
  api.get(
    '/houses/:house/photos/:id',
    defineRoute(db, {
      needs: 'see',
      params: params.record,
      run: async ({ scope, params: { id } }): Promise<Result<Buffer>> => {
        const jpeg = await findPhoto(scope, id);
        return jpeg ? ok(jpeg) : { kind: 'not-found', what: 'photo' };
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
    defineRoute(db, { needs: 'see', run: async ({ scope }) => ok(await readHandovers(scope)) }),
  );
  api.post(
    '/houses/:house/handovers',
    defineRoute(db, {
      needs: 'mark',
      body: handoverStartSchema,
      status: 201,
      run: (context) => addHandover(context.scope, context.body, writing(context)),
    }),
  );
  api.put(
    '/houses/:house/handovers/:id/read',
    defineRoute(db, {
      needs: 'mark',
      params: params.record,
      run: (context) => readHandover(context.scope, context.params.id, writing(context)),
    }),
  );
  api.get(
    '/houses/:house/log',
    defineRoute(db, {
      needs: 'see',
      query: logQuery,
      run: async ({ scope, query }) => ok(await logPage(scope, query)),
    }),
  );
  api.get(
    '/houses/:house/log.csv',
    defineRoute(db, {
      needs: 'see',
      type: 'text/csv',
      query: logQuery,
      run: async ({ scope, query }) => ok(await logCsv(scope, query)),
    }),
  );
  api.get(
    '/houses/:house/log/:lot',
    defineRoute(db, {
      needs: 'see',
      params: params.lot,
      run: ({ scope, params: { lot } }) => lotLog(scope, lot),
    }),
  );
}
