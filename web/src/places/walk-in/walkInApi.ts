import {
  routeRequest,
  paths,
  type AlarmAcknowledgement,
  type ColdAlarm,
  type ColdDay,
  type ColdRecord,
  type Place,
  type PlaceContent,
  type Probe,
  type ProbeContent,
  type ReadingsStart,
  type ReadingsTaken,
} from '@calm/contract';
import { api, type DateRange } from '../../state/api/api';
import { recordWrites } from '../../state/api/recordWrites';

const walkInApi = api.injectEndpoints({
  endpoints: (build) => {
    const places = recordWrites<PlaceContent, Place>(build, 'Place', ['Book', 'Cold']);
    const probes = recordWrites<ProbeContent, Probe>(build, 'Probe', ['Cold']);
    return {
      coldDay: build.query<ColdDay, { readonly house: string; readonly date: string }>({
        query: ({ house, date }) => paths.coldDay(house, { date }),
        providesTags: ['Cold'],
      }),
      coldRecord: build.query<ColdRecord, DateRange>({
        query: ({ house, from, days }) => paths.coldRecord(house, { from, days }),
        providesTags: ['Cold'],
      }),
      acknowledge: build.mutation<
        ColdAlarm,
        { readonly house: string; readonly id: string; readonly sent: AlarmAcknowledgement }
      >({
        query: ({ house, id, sent }) => routeRequest('acknowledgeAlarm', [house, id], sent),
        invalidatesTags: ['Cold'],
      }),
      // What a file brings is read again once, when all of it is there.
      postReadings: build.mutation<
        ReadingsTaken,
        { readonly house: string; readonly readings: ReadingsStart }
      >({
        query: ({ house, readings }) => routeRequest('addReadings', [house], readings),
      }),
      addPlace: places.add,
      changePlace: places.change,
      removePlace: places.remove,
      addProbe: probes.add,
      changeProbe: probes.change,
      removeProbe: probes.remove,
    };
  },
});

export const {
  useColdDayQuery,
  useColdRecordQuery,
  useAcknowledgeMutation,
  usePostReadingsMutation,
  useAddPlaceMutation,
  useChangePlaceMutation,
  useRemovePlaceMutation,
  useAddProbeMutation,
  useChangeProbeMutation,
  useRemoveProbeMutation,
} = walkInApi;

/** Readings were brought in. */
export const coldChanged = () => api.util.invalidateTags(['Cold']);
