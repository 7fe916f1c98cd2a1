import { paths, type ColdRecord, type Sale } from '@calm/contract';
import { api, type DateRange } from '../../../state/api/api';

const practiceApi = api.injectEndpoints({
  endpoints: (build) => ({
    salesOfEvenings: build.query<Sale[], DateRange>({
      query: ({ house, from, days }) => paths.sales(house, { from, days }),
      providesTags: ['Sales'],
    }),
    coldOfEvenings: build.query<ColdRecord, DateRange>({
      query: ({ house, from, days }) => paths.coldRecord(house, { from, days }),
      providesTags: ['Cold'],
    }),
  }),
});

export const { useSalesOfEveningsQuery, useColdOfEveningsQuery } = practiceApi;
