import {
  routeRequest,
  paths,
  type SignInOptions,
  type OwnerStart,
  type SignIn,
} from '@calm/contract';
import { api, TAGS } from './api';

/** Coming in and going out. */
const sessionApi = api.injectEndpoints({
  endpoints: (build) => ({
    signInOptions: build.query<SignInOptions, string>({
      query: (house) => paths.signInOptions(house),
      providesTags: ['FrontDoor'],
    }),
    signIn: build.mutation<null, { readonly house: string; readonly candidate: SignIn }>({
      query: ({ house, candidate }) => routeRequest('signIn', [house], candidate),
      // Nothing could be read while nobody was signed in.
      invalidatesTags: (_result, error) => (error ? [] : [...TAGS]),
    }),
    signOut: build.mutation<null, string>({
      query: (house) => routeRequest('signOut', [house]),
      async onQueryStarted(_house, { queryFulfilled }) {
        try {
          await queryFulfilled;
          // What this device could read without a network was somebody's: it goes with them.
          if ('caches' in window) await caches.delete('calm-board');
        } catch {
          // Without a network nobody can leave; the house still knows them.
        }
      },
      invalidatesTags: ['Session'],
    }),
    startOwner: build.mutation<unknown, { readonly house: string; readonly owner: OwnerStart }>({
      query: ({ house, owner }) => routeRequest('startOwner', [house], owner),
      invalidatesTags: (_result, error) => (error ? [] : [...TAGS]),
    }),
  }),
});

export const {
  useSignInOptionsQuery,
  useSignInMutation,
  useSignOutMutation,
  useStartOwnerMutation,
} = sessionApi;
