import { ok } from '@calm/core';
import {
  issueWebhook,
  alarmCallsOf,
  revokeWebhook,
  testWebhook,
} from '../../use-cases/cold/alarmCalls';
import { acknowledgeAlarm, addColdNote, type ColdBoards } from '../../use-cases/cold/coldBoard';
import { coldDay, coldRecord, coldRecordCsv } from '../../use-cases/cold/coldRecord';
import { probes } from '../../use-cases/cold/probes';
import { takeReadings } from '../../use-cases/cold/takeReadings';
import type { RouteHandlers } from '../routeHandlers';

/** Probes and what they show, what is wrong, what was done about it. @param boards of the houses of this server */
export const coldHandlersOf = (boards: ColdBoards) =>
  ({
    cold: async ({ scope, house, now }) => ok(await boards.now(scope, house, now)),
    coldDay: async ({ scope, house, query, now }) =>
      ok(await coldDay(scope, house, query.date, now)),
    coldRecord: async ({ scope, house, query, now }) =>
      ok(await coldRecord(scope, house, query, now)),
    coldRecordCsv: async ({ scope, house, query, now }) =>
      ok(await coldRecordCsv(scope, house, query, now)),
    alarmCalls: async ({ scope }) => ok(await alarmCallsOf(scope)),
    issueWebhook: ({ scope, body, now }) => issueWebhook(scope, body, now),
    revokeWebhook: ({ scope, params }) => revokeWebhook(scope, params.id),
    testWebhook: ({ scope, params, now }) => testWebhook(scope, params.id, now),
    addProbe: ({ scope, body }) => probes.add(scope, body),
    changeProbe: ({ scope, params, body }) => probes.change(scope, params.id, body),
    removeProbe: ({ scope, params }) => probes.remove(scope, params.id),
    addReadings: ({ scope, house, body, now, machine }) =>
      takeReadings(scope, house, body, now, machine),
    acknowledgeAlarm: ({ scope, params, body, writing }) =>
      acknowledgeAlarm(scope, params.id, body, writing),
    addColdNote: ({ scope, body, writing }) => addColdNote(scope, body, writing),
  }) satisfies Partial<RouteHandlers>;
