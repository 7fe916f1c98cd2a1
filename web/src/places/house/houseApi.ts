import {
  routeRequest,
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
  useChangeMixerMutation,
  useRemoveMixerMutation,
  useStartHouseMutation,
} = houseApi;
