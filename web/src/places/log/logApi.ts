import {
  routeRequest,
  paths,
  type LogPage,
  type LogQuery,
  type LotRecord,
  type PhotoStart,
} from '@calm/contract';
import { api } from '../../state/api/api';

const logApi = api.injectEndpoints({
  endpoints: (build) => ({
    log: build.query<LogPage, { readonly house: string; readonly query: LogQuery }>({
      query: ({ house, query }) => paths.log(house, query),
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

export const { useAddPhotoMutation, useLogQuery } = logApi;
