import { routeRequest, type PlanPublication, type PublishedPlan } from '@calm/contract';
import { api } from '../../state/api/api';

const planApi = api.injectEndpoints({
  endpoints: (build) => ({
    publish: build.mutation<PublishedPlan, { house: string; publication: PlanPublication }>({
      query: ({ house, publication }) => routeRequest('publishPlan', [house], publication),
      async onQueryStarted({ house }, { dispatch, queryFulfilled }) {
        try {
          const { data } = await queryFulfilled;
          dispatch(api.util.upsertQueryData('plan', house, data));
        } catch {
          // What was refused is told where it was asked for.
        }
      },
    }),
  }),
});

export const { usePublishMutation } = planApi;
