import {
  paths,
  routeRequest,
  type LearnedNumbers,
  type ProposalDecision,
  type WorkToPlan,
} from '@calm/contract';
import { api } from '../../../state/api/api';

const learnedApi = api.injectEndpoints({
  endpoints: (build) => ({
    learned: build.query<LearnedNumbers, string>({
      query: (house) => paths.learned(house),
      providesTags: ['Learned'],
    }),
    learnNow: build.mutation<LearnedNumbers, string>({
      query: (house) => routeRequest('learnNow', [house]),
      invalidatesTags: ['Learned'],
    }),
    decideLearned: build.mutation<
      LearnedNumbers,
      { readonly house: string; readonly id: string; readonly decision: ProposalDecision }
    >({
      query: ({ house, id, decision }) => routeRequest('decideLearned', [house, id], decision),
      invalidatesTags: ['Learned', 'Book'],
    }),
    planLearnedWork: build.mutation<LearnedNumbers, WorkToPlan & { readonly house: string }>({
      query: ({ house, ...work }) => routeRequest('planLearnedWork', [house], work),
      invalidatesTags: ['Learned', 'Book'],
    }),
  }),
});

export const {
  useLearnedQuery,
  useLearnNowMutation,
  useDecideLearnedMutation,
  usePlanLearnedWorkMutation,
} = learnedApi;
