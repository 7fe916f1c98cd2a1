import {
  paths,
  routeRequest,
  type Trial,
  type TrialStart,
  type VerdictStart,
} from '@calm/contract';
import { api } from '../../../state/api/api';

const trialsApi = api.injectEndpoints({
  endpoints: (build) => ({
    trials: build.query<readonly Trial[], string>({
      query: (house) => paths.trials(house),
      providesTags: ['Trials'],
    }),
    startTrial: build.mutation<Trial, { readonly house: string; readonly start: TrialStart }>({
      query: ({ house, start }) => routeRequest('startTrial', [house], start),
      invalidatesTags: ['Trials'],
    }),
    addVerdict: build.mutation<
      Trial,
      { readonly house: string; readonly id: string; readonly verdict: VerdictStart }
    >({
      query: ({ house, id, verdict }) => routeRequest('addVerdict', [house, id], verdict),
      invalidatesTags: ['Trials'],
    }),
    endTrial: build.mutation<
      Trial,
      { readonly house: string; readonly id: string; readonly version: number }
    >({
      query: ({ house, id, version }) => routeRequest('endTrial', [house, id], { version }),
      invalidatesTags: ['Trials'],
    }),
  }),
});

export const { useTrialsQuery, useStartTrialMutation, useAddVerdictMutation, useEndTrialMutation } =
  trialsApi;
