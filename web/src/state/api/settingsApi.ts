import { routeRequest, type House, type SettingsChange } from '@calm/contract';
import { api } from './api';

const settingsApi = api.injectEndpoints({
  endpoints: (build) => ({
    /** Changes some of a house's settings, each whole. */
    changeSettings: build.mutation<
      House,
      { readonly house: string; readonly change: SettingsChange }
    >({
      query: ({ house, change }) => routeRequest('changeSettings', [house], change),
      async onQueryStarted({ house }, { dispatch, queryFulfilled }) {
        const answer = await queryFulfilled.catch(() => null);
        if (!answer) return;
        dispatch(
          api.util.updateQueryData('book', house, (book) => {
            Object.assign(book, { house: answer.data });
          }),
        );
      },
      invalidatesTags: ['Book', 'Forecasts', 'Cold'],
    }),
  }),
});

export const { useChangeSettingsMutation } = settingsApi;
