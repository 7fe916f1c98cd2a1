import {
  routeRequest,
  paths,
  type SignInOptions,
  type OwnerStart,
  type SignIn,
  type DisplayPreferences,
  type Session,
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
    /** Keeps how whoever is signed in reads. */
    changePreferences: build.mutation<
      Session,
      { readonly house: string; readonly preferences: DisplayPreferences }
    >({
      query: ({ house, preferences }) => routeRequest('changePreferences', [house], preferences),
      // Also where the house was not reached: the device reads so until somebody signs in again.
      onQueryStarted({ house, preferences }, { dispatch }) {
        dispatch(
          api.util.updateQueryData('session', house, (session) => {
            Object.assign(session, { preferences });
          }),
        );
      },
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
  useChangePreferencesMutation,
  useStartOwnerMutation,
} = sessionApi;
