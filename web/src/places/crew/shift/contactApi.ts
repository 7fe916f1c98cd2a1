import {
  paths,
  routeRequest,
  type ContactChange,
  type OwnContact,
  type PushDeviceStart,
} from '@calm/contract';
import { api } from '../../../state/api/api';
import type { Removed } from '../../../state/api/recordWrites';

/** How one is told of alarms. */
const contactApi = api.injectEndpoints({
  endpoints: (build) => ({
    ownContact: build.query<OwnContact, string>({
      query: (house) => paths.ownContact(house),
      providesTags: ['Contact'],
    }),
    changeContact: build.mutation<
      OwnContact,
      { readonly house: string; readonly change: ContactChange }
    >({
      query: ({ house, change }) => routeRequest('changeContact', [house], change),
      invalidatesTags: ['Contact', 'AlarmCalls'],
    }),
    registerPushDevice: build.mutation<
      OwnContact,
      { readonly house: string; readonly start: PushDeviceStart }
    >({
      query: ({ house, start }) => routeRequest('registerPushDevice', [house], start),
      invalidatesTags: ['Contact', 'AlarmCalls'],
    }),
    forgetPushDevice: build.mutation<null, Removed>({
      query: ({ house, id }) => routeRequest('forgetPushDevice', [house, id]),
      invalidatesTags: ['Contact', 'AlarmCalls'],
    }),
    testContact: build.mutation<OwnContact, string>({
      query: (house) => routeRequest('testContact', [house]),
      invalidatesTags: ['Contact'],
    }),
  }),
});

export const {
  useOwnContactQuery,
  useChangeContactMutation,
  useRegisterPushDeviceMutation,
  useForgetPushDeviceMutation,
  useTestContactMutation,
} = contactApi;
