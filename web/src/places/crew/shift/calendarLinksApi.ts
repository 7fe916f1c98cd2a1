import {
  paths,
  routeRequest,
  type CalendarContent,
  type CalendarLink,
  type CalendarLinkIssued,
} from '@calm/contract';
import { api } from '../../../state/api/api';
import type { Removed } from '../../../state/api/recordWrites';

/** Links that one's own calendars follow, and their secrets. */
const calendarLinksApi = api.injectEndpoints({
  endpoints: (build) => ({
    calendarLinks: build.query<readonly CalendarLink[], string>({
      query: (house) => paths.calendarLinks(house),
      providesTags: ['CalendarLinks'],
    }),
    issueCalendarLink: build.mutation<
      CalendarLinkIssued,
      { readonly house: string; readonly content: CalendarContent }
    >({
      query: ({ house, content }) => routeRequest('issueCalendarLink', [house], { content }),
      invalidatesTags: ['CalendarLinks'],
    }),
    revokeCalendarLink: build.mutation<null, Removed>({
      query: ({ house, id }) => routeRequest('revokeCalendarLink', [house, id]),
      invalidatesTags: ['CalendarLinks'],
    }),
  }),
});

export const {
  useCalendarLinksQuery,
  useIssueCalendarLinkMutation,
  useRevokeCalendarLinkMutation,
} = calendarLinksApi;
