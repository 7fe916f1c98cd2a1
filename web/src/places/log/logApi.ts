import { paths, type LogPage, type LogQuery, type LotLog } from '@calm/contract';
import { api } from '../../state/api';

const logApi = api.injectEndpoints({
  endpoints: (build) => ({
    log: build.query<LogPage, { readonly house: string; readonly query: LogQuery }>({
      query: ({ house, query }) => paths.log(house, query),
      providesTags: ['Log'],
    }),
    lotLog: build.query<LotLog, { readonly house: string; readonly lotId: string }>({
      query: ({ house, lotId }) => paths.lotLog(house, lotId),
      providesTags: ['Log', 'Lots', 'Records'],
    }),
  }),
});

export const { useLogQuery, useLotLogQuery } = logApi;
