import {
  paths,
  type ForecastAnswer,
  type PlanPublication,
  type PublishedPlan,
  type Usage,
} from '@calm/contract';
import { api, type Stretch } from '../../state/api';

const planApi = api.injectEndpoints({
  endpoints: (build) => ({
    usage: build.query<readonly Usage[], Stretch>({
      query: ({ house, from, days }) => paths.forecast(house, from, days),
      transformResponse: ({ usage }: ForecastAnswer) => usage,
      providesTags: ['Forecasts'],
    }),
    publish: build.mutation<PublishedPlan, { house: string; publication: PlanPublication }>({
      query: ({ house, publication }) => ({
        url: paths.plan(house),
        method: 'PUT',
        body: publication,
      }),
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

export const { useUsageQuery, usePublishMutation } = planApi;
