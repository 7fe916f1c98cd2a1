import { paths, type Consistency, type LogPage, type LogQuery } from '@calm/contract';
import { api } from '../../state/api/api';

const logApi = api.injectEndpoints({
  endpoints: (build) => ({
    /** How steady the house works. */
    consistency: build.query<Consistency, string>({
      query: (house) => paths.consistency(house),
      providesTags: ['Log'],
    }),
    logPages: build.infiniteQuery<
      LogPage,
      { readonly house: string; readonly query: LogQuery },
      string | null
    >({
      query: ({ queryArg: { house, query }, pageParam }) =>
        paths.log(house, pageParam === null ? query : { ...query, after: pageParam }),
      infiniteQueryOptions: {
        initialPageParam: null,
        getNextPageParam: ({ after }) => after ?? undefined,
      },
      providesTags: ['Log'],
    }),
  }),
});

export const { useConsistencyQuery, useLogPagesInfiniteQuery } = logApi;
