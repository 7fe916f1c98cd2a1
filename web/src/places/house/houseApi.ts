import {
  routeRequest,
  type Erasure,
  type House,
  type HouseStart,
  type HouseSummary,
  type Mixer,
  type MixerContent,
} from '@calm/contract';
import { api } from '../../state/api/api';
import { recordWrites } from '../../state/api/recordWrites';

const houseApi = api.injectEndpoints({
  endpoints: (build) => {
    const mixers = recordWrites<MixerContent, Mixer>(build, 'Mixer', ['Book'], 'mixers');
    return {
      addMixer: mixers.add,
      changeMixer: mixers.change,
      removeMixer: mixers.remove,
      /** Has the house deleted in two weeks. */
      eraseHouse: build.mutation<House, { readonly house: string } & Erasure>({
        query: ({ house, name }) => routeRequest('eraseHouse', [house], { name }),
        invalidatesTags: ['Book'],
      }),
      /** Has it read only, and watched no more. */
      putAside: build.mutation<House, string>({
        query: (house) => routeRequest('putAside', [house]),
        invalidatesTags: ['Book', 'Houses'],
      }),
      /** Takes it up again. */
      takeUp: build.mutation<House, string>({
        query: (house) => routeRequest('takeUp', [house]),
        invalidatesTags: ['Book', 'Houses'],
      }),
      /** Keeps a house that was to be deleted. */
      keepHouse: build.mutation<House, string>({
        query: (house) => routeRequest('keepHouse', [house]),
        invalidatesTags: ['Book'],
      }),
      /** Begins another house; whoever does is signed in there, too. */
      startHouse: build.mutation<
        HouseSummary,
        { readonly house: string; readonly start: HouseStart }
      >({
        query: ({ house, start }) => routeRequest('startHouse', [house], start),
        invalidatesTags: ['Houses'],
      }),
    };
  },
});

export const {
  useAddMixerMutation,
  useEraseHouseMutation,
  useKeepHouseMutation,
  usePutAsideMutation,
  useTakeUpMutation,
  useChangeMixerMutation,
  useRemoveMixerMutation,
  useStartHouseMutation,
} = houseApi;
