import {
  paths,
  routeRequest,
  type AlarmCalls,
  type WebhookIssued,
  type WebhookStart,
} from '@calm/contract';
import { api } from '../../../state/api/api';
import type { Removed } from '../../../state/api/recordWrites';

/** Whom the house tells of alarms, and where else it posts them. */
const alarmCallsApi = api.injectEndpoints({
  endpoints: (build) => ({
    alarmCalls: build.query<AlarmCalls, string>({
      query: (house) => paths.alarmCalls(house),
      providesTags: ['AlarmCalls'],
    }),
    issueWebhook: build.mutation<
      WebhookIssued,
      { readonly house: string; readonly start: WebhookStart }
    >({
      query: ({ house, start }) => routeRequest('issueWebhook', [house], start),
      invalidatesTags: ['AlarmCalls'],
    }),
    revokeWebhook: build.mutation<null, Removed>({
      query: ({ house, id }) => routeRequest('revokeWebhook', [house, id]),
      invalidatesTags: ['AlarmCalls'],
    }),
    testWebhook: build.mutation<AlarmCalls, Removed>({
      query: ({ house, id }) => routeRequest('testWebhook', [house, id]),
      invalidatesTags: ['AlarmCalls'],
    }),
  }),
});

export const {
  useAlarmCallsQuery,
  useIssueWebhookMutation,
  useRevokeWebhookMutation,
  useTestWebhookMutation,
} = alarmCallsApi;
