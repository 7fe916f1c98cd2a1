import {
  paths,
  routeRequest,
  type LogPage,
  type LogQuery,
  type LotRecord,
  type PhotoStart,
} from '@calm/contract';
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
    addPhoto: build.mutation<
      LotRecord,
      { readonly house: string; readonly lotId: string; readonly photo: PhotoStart }
    >({
      query: ({ house, lotId, photo }) => routeRequest('addPhoto', [house, lotId], photo),
      invalidatesTags: ['Records', 'Log'],
    }),
  }),
});

export const { useAddPhotoMutation, useLogPagesInfiniteQuery } = logApi;
