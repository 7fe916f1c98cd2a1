import { paths, type CountChange, type ProductCount } from '@calm/contract';
import { api } from '../../state/api';

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
    changeCount: build.mutation<ProductCount, CountWrite>({
      query: ({ house, date, patternId, productId, change }) => ({
        url: paths.count(house, date, patternId, productId),
        method: 'PUT',
        body: change,
      }),
      invalidatesTags: ['Services'],
    }),
  }),
});

export const { useChangeCountMutation } = demandApi;
