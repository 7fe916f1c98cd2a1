import { routeRequest, type CountChange, type ProductCount } from '@calm/contract';
import { api, keepInServices } from './api';

/** Which number of the week. */
export interface CellAddress {
  readonly house: string;
  readonly date: string;
  readonly patternId: string;
  readonly productId: string;
}

const countsApi = api.injectEndpoints({
  endpoints: (build) => ({
    changeCount: build.mutation<ProductCount, CellAddress & { readonly change: CountChange }>({
      query: ({ house, date, patternId, productId, change }) =>
        routeRequest('changeCount', [house, date, patternId, productId], change),
      onQueryStarted: ({ house, date, patternId }, request) =>
        keepInServices(house, request, (dateRange, kept) =>
          api.util.updateQueryData('services', dateRange, (services) => {
            const service = services.find(
              (each) => each.date === date && each.patternId === patternId,
            );
            if (!service) return;
            // What is carried over is shared out again when the services come again.
            const counts = service.counts.map((count) =>
              count.productId === kept.productId ? { ...count, ...kept } : count,
            );
            Object.assign(service, { counts });
          }),
        ),
      invalidatesTags: ['Services'],
    }),
  }),
});

export const { useChangeCountMutation } = countsApi;
