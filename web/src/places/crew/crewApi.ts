import {
  routeRequest,
  paths,
  type CollectionName,
  type AuditEntry,
  type Crew,
  type CrewContent,
  type CrewMember,
  type Handover,
  type ShiftException,
  type ShiftExceptionContent,
  type ShiftPattern,
  type ShiftPatternContent,
  type SecretChange,
} from '@calm/contract';
import { api } from '../../state/api/api';
import { recordWrites, type Removed } from '../../state/api/recordWrites';

/** The crew, its shifts, and who did what. */
const crewApi = api.injectEndpoints({
  endpoints: (build) => {
    const collection = <Content, Stored>(name: CollectionName) =>
      recordWrites<Content, Stored>(build, name, [
        'Crew',
        'Shifts',
        'Book',
        'FrontDoor',
        'Session',
      ]);
    const people = collection<CrewContent, CrewMember>('Person');
    const shifts = collection<ShiftPatternContent, ShiftPattern>('ShiftPattern');
    const days = collection<ShiftExceptionContent, ShiftException>('ShiftException');
    return {
      crew: build.query<Crew, string>({
        query: (house) => paths.crew(house),
        providesTags: ['Crew'],
      }),
      audit: build.infiniteQuery<AuditEntry[], string, number | null>({
        query: ({ queryArg: house, pageParam: before }) =>
          paths.audit(house, before === null ? {} : { before }),
        infiniteQueryOptions: {
          initialPageParam: null,
          getNextPageParam: (entries) => entries.at(-1)?.id,
        },
        keepUnusedDataFor: 0,
      }),
      giveSecret: build.mutation<unknown, Removed & SecretChange>({
        query: ({ house, id, ...change }) => routeRequest('changeSecret', [house, id], change),
        invalidatesTags: ['Crew', 'FrontDoor'],
      }),
      readHandover: build.mutation<Handover, { house: string; id: string }>({
        query: ({ house, id }) => routeRequest('markHandoverRead', [house, id], {}),
        invalidatesTags: ['Handovers'],
      }),
      withdrawHandover: build.mutation<Handover, { house: string; id: string }>({
        query: ({ house, id }) => routeRequest('withdrawHandover', [house, id]),
        invalidatesTags: ['Handovers'],
      }),
      addPerson: people.add,
      changePerson: people.change,
      removePerson: people.remove,
      rejoinCrew: build.mutation<CrewMember, Removed>({
        query: ({ house, id }) => routeRequest('rejoinCrew', [house, id]),
        invalidatesTags: ['Crew', 'Shifts', 'Book', 'FrontDoor'],
      }),
      addShift: shifts.add,
      changeShift: shifts.change,
      removeShift: shifts.remove,
      addDay: days.add,
      changeDay: days.change,
      removeDay: days.remove,
    };
  },
});

export const {
  useCrewQuery,
  useAuditInfiniteQuery,
  useGiveSecretMutation,
  useReadHandoverMutation,
  useWithdrawHandoverMutation,
  useAddPersonMutation,
  useChangePersonMutation,
  useRemovePersonMutation,
  useRejoinCrewMutation,
  useAddShiftMutation,
  useChangeShiftMutation,
  useRemoveShiftMutation,
  useAddDayMutation,
  useChangeDayMutation,
  useRemoveDayMutation,
} = crewApi;
