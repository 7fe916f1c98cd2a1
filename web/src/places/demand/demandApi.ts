import {
  paths,
  type CountChange,
  type CountOfMany,
  type EventContent,
  type ForecastAnswer,
  type HouseEvent,
  type ProductCount,
  type RecordChange,
} from '@calm/contract';
import { api, keepInStretches, type Stretch } from '../../state/api';

/** A count's address and its change. */
export interface CountWrite {
  readonly house: string;
  readonly date: string;
  readonly patternId: string;
  readonly productId: string;
  readonly change: CountChange;
}

const demandApi = api.injectEndpoints({
  endpoints: (build) => ({
    forecast: build.query<ForecastAnswer, Stretch>({
      query: ({ house, from, days }) => paths.forecast(house, from, days),
      providesTags: ['Forecasts'],
    }),
    changeCount: build.mutation<ProductCount, CountWrite>({
      query: ({ house, date, patternId, productId, change }) => ({
        url: paths.count(house, date, patternId, productId),
        method: 'PUT',
        body: change,
      }),
      onQueryStarted: ({ house, date, patternId }, request) =>
        keepInStretches('services', house, request, (stretch, kept) =>
          api.util.updateQueryData('services', stretch, (services) => {
            const service = services.find(
              (each) => each.date === date && each.patternId === patternId,
            );
            if (!service) return;
            const counts = service.counts.map((count) =>
              count.productId === kept.productId ? kept : count,
            );
            Object.assign(service, { counts });
          }),
        ),
      invalidatesTags: ['Services'],
    }),
    changeCounts: build.mutation<ProductCount[], { house: string; counts: readonly CountOfMany[] }>(
      {
        query: ({ house, counts }) => ({
          url: paths.counts(house),
          method: 'POST',
          body: { counts },
        }),
        invalidatesTags: ['Services'],
      },
    ),
    addEvent: build.mutation<HouseEvent, { house: string; content: EventContent }>({
      query: ({ house, content }) => ({
        url: paths.events(house),
        method: 'POST',
        body: content,
      }),
      invalidatesTags: ['Forecasts'],
    }),
    changeEvent: build.mutation<
      HouseEvent,
      { house: string; id: string; change: RecordChange<EventContent> }
    >({
      query: ({ house, id, change }) => ({
        url: paths.events(house, id),
        method: 'PUT',
        body: change,
      }),
      invalidatesTags: ['Forecasts'],
    }),
    removeEvent: build.mutation<HouseEvent, { house: string; id: string }>({
      query: ({ house, id }) => ({ url: paths.events(house, id), method: 'DELETE' }),
      invalidatesTags: ['Forecasts'],
    }),
  }),
});

export const {
  useForecastQuery,
  useChangeCountMutation,
  useChangeCountsMutation,
  useAddEventMutation,
  useChangeEventMutation,
  useRemoveEventMutation,
} = demandApi;
