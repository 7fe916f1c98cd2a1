import { ok } from '@calm/core';
import { Readable } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import type { Database } from '../../database/database';
import { reading, READING_MUCH } from '../../database/transaction';
import {
  changeLoad,
  changeLosses,
  changeMark,
  changeNote,
  withdrawLot,
} from '../../use-cases/lots/changeLot';
import { logCsv, logPage, lotLog } from '../../use-cases/lots/log';
import { lotOf, lotsBetween, photoOf } from '../../use-cases/lots/readLots';
import {
  addHandover,
  withdrawHandover,
  addLotRecord,
  addPhoto,
  latestHandovers,
  readHandover,
  recordsBetween,
  recordsOfLot,
} from '../../use-cases/lots/records';
import { addVerdict, endTrial, startTrial, trialsOf } from '../../use-cases/learn/trials';
import { startLot } from '../../use-cases/lots/startLot';
import type { RouteHandlers, RouteSenders } from '../routeHandlers';

/** Lots from their start to their record: loads, steps, what was seen, handovers, the log. @param db read on by long tables */
export const lotHandlersOf = (db: Database) =>
  ({
    lots: async ({ scope, query }) => ok(await lotsBetween(scope, query.from, query.days)),
    startLot: ({ scope, house, body, now }) => startLot(scope, house, body, now),
    lot: ({ scope, params }) => lotOf(scope, params.lot),
    changeNote: ({ scope, params, body }) => changeNote(scope, params.lot, body),
    changeLosses: ({ scope, params, body }) => changeLosses(scope, params.lot, body),
    withdrawLot: ({ scope, params, body }) => withdrawLot(scope, params.lot, body),
    changeLoad: ({ scope, params, body }) => changeLoad(scope, params.lot, params.number, body),
    changeMark: ({ scope, params, body, now }) => changeMark(scope, params.lot, params, body, now),
    records: async ({ scope, query }) => ok(await recordsBetween(scope, query.from, query.days)),
    lotRecords: async ({ scope, params }) => ok(await recordsOfLot(scope, params.lot)),
    addLotRecord: ({ scope, params, body, writing }) =>
      addLotRecord(scope, params.lot, body, writing),
    addPhoto: ({ scope, params, body, writing }) => addPhoto(scope, params.lot, body, writing),
    photo: ({ scope, params }) => photoOf(scope, params.id),
    handovers: async ({ scope }) => ok(await latestHandovers(scope)),
    addHandover: ({ scope, body, writing }) => addHandover(scope, body, writing),
    markHandoverRead: ({ scope, params, writing }) => readHandover(scope, params.id, writing),
    withdrawHandover: ({ scope, params, writing }) =>
      withdrawHandover(scope, params.id, writing.personId),
    trials: async ({ scope }) => ok(await trialsOf(scope)),
    startTrial: ({ scope, body, writing }) => startTrial(scope, body, writing),
    addVerdict: ({ scope, params, body, writing }) => addVerdict(scope, params.id, body, writing),
    endTrial: ({ scope, params, body, now }) => endTrial(scope, params.id, body, now),
    log: async ({ scope, query }) => ok(await logPage(scope, query)),
    logCsv: async ({ scope: { houseId }, query }) =>
      ok(logCsv((work) => reading(db, (tx) => work({ tx, houseId }), READING_MUCH), query)),
    lotLog: ({ scope, params }) => lotLog(scope, params.lotOrCode),
  }) satisfies Partial<RouteHandlers>;

export const lotSenders = {
  // Line by line as it is read. What goes wrong on the way ends the answer short: nobody takes half a table for all of it.
  logCsv: (res, parts) => {
    res.type('text/csv');
    pipeline(Readable.from(parts), res).catch((error: unknown) => {
      res.req.log.warn({ err: error }, 'a table broke off');
    });
  },
  // Never anything but a picture, whatever is in it; a photo is never changed.
  photo: (res, jpeg) => {
    res.type('image/jpeg').set('Cache-Control', 'private, max-age=31536000, immutable').send(jpeg);
  },
} satisfies RouteSenders;
