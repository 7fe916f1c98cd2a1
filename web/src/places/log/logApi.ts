import { paths, type LogPage, type LogQuery } from '@calm/contract';
import { api } from '../../state/api/api';

const logApi = api.injectEndpoints({
  endpoints: (build) => ({
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

export const { useLogPagesInfiniteQuery } = logApi;
