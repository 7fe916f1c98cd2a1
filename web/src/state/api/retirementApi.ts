import { routeRequest, type Retirable } from '@calm/contract';
import { api } from './api';

interface Named {
  readonly house: string;
  readonly retirable: Retirable;
  readonly id: string;
}

const retirementApi = api.injectEndpoints({
  endpoints: (build) => ({
    /** Offers something no more; what is on record keeps it. */
    retire: build.mutation<null, Named>({
      query: ({ house, retirable, id }) => routeRequest('retire', [house, retirable, id]),
      invalidatesTags: ['Book', 'Services', 'Forecasts', 'Cold'],
    }),
    /** Offers it again. */
    bringBack: build.mutation<null, Named>({
      query: ({ house, retirable, id }) => routeRequest('bringBack', [house, retirable, id]),
      invalidatesTags: ['Book', 'Services', 'Forecasts', 'Cold'],
    }),
  }),
});

export const { useRetireMutation, useBringBackMutation } = retirementApi;
