import {
  type DisplayPreferences,
  type FirstHouseStart,
  type HouseSummary,
  type OwnerStart,
  type Session,
  type SignIn,
  type SignInOptions,
  type SignedInDevice,
  paths,
  routeRequest,
} from '@calm/contract';
import { api, TAGS } from './api';
import { forgetBoard, forgetSession, isLeaving, leaveSession } from './signedIn';

/** Coming in and going out. */
const sessionApi = api.injectEndpoints({
  endpoints: (build) => ({
    signInOptions: build.query<SignInOptions, string>({
      query: (house) => paths.signInOptions(house),
      providesTags: ['FrontDoor'],
    }),
    signIn: build.mutation<null, { readonly house: string; readonly candidate: SignIn }>({
      query: ({ house, candidate }) => routeRequest('signIn', [house], candidate),
      // The house has ended whatever was open here before, also what it could not be told of.
      transformResponse: (_answer, _meta, { house }) => {
        forgetSession(house);
        return null;
      },
      // Nothing could be read while nobody was signed in.
      invalidatesTags: (_result, error) => (error ? [] : [...TAGS]),
    }),
    /** At once on this device; the house is told as soon as it can be. */
    signOut: build.mutation<null, string>({
      query: (house) => routeRequest('signOut', [house]),
      async onQueryStarted(house, { dispatch, queryFulfilled }) {
        leaveSession(house);
        void forgetBoard();
        dispatch(api.util.invalidateTags(['Session']));
        // A 401 says the same: nobody is signed in.
        const isTold = await queryFulfilled.then(
          () => true,
          ({ error }) => (error as { status?: unknown } | undefined)?.status === 401,
        );
        if (isTold && isLeaving(house)) forgetSession(house);
      },
    }),
    sessions: build.query<SignedInDevice[], string>({
      query: (house) => paths.sessions(house),
      providesTags: ['Session'],
      keepUnusedDataFor: 0,
    }),
    /** Signs out one of one's devices, or all others. */
    endSessions: build.mutation<
      unknown,
      { readonly house: string; readonly id: string | 'others' }
    >({
      query: ({ house, id }) =>
        id === 'others'
          ? routeRequest('endOtherSessions', [house])
          : routeRequest('endSession', [house, id]),
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
    startFirstHouse: build.mutation<HouseSummary, FirstHouseStart>({
      query: (start) => routeRequest('startFirstHouse', [], start),
      invalidatesTags: (_result, error) => (error ? [] : [...TAGS]),
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
  useStartFirstHouseMutation,
  useSessionsQuery,
  useEndSessionsMutation,
  useChangePreferencesMutation,
  useStartOwnerMutation,
} = sessionApi;
