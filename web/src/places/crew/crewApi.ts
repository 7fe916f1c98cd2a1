import {
  paths,
  type AuditEntry,
  type Crew,
  type CrewContent,
  type CrewMember,
  type Handover,
  type ShiftException,
  type ShiftExceptionContent,
  type ShiftPattern,
  type ShiftPatternContent,
} from '@calm/contract';
import { api } from '../../state/api/api';
import { recordWrites, type Removed } from '../../state/api/recordWrites';

/** The crew, its shifts, and who did what. */
const crewApi = api.injectEndpoints({
  endpoints: (build) => {
    const collection = <Content, Stored>(at: (house: string, id?: string) => string) =>
      recordWrites<Content, Stored>(build, at, ['Crew', 'Shifts', 'Book', 'FrontDoor', 'Session']);
    const people = collection<CrewContent, CrewMember>(paths.people);
    const shifts = collection<ShiftPatternContent, ShiftPattern>(paths.shiftPatterns);
    const days = collection<ShiftExceptionContent, ShiftException>(paths.shiftExceptions);
    return {
      crew: build.query<Crew, string>({
        query: (house) => paths.crew(house),
        providesTags: ['Crew'],
      }),
      audit: build.query<AuditEntry[], string>({
        query: (house) => paths.audit(house),
        keepUnusedDataFor: 0,
      }),
      giveSecret: build.mutation<unknown, Removed & { readonly secret: string }>({
        query: ({ house, id, secret }) => ({
          url: paths.secret(house, id),
          method: 'PUT',
          body: { secret },
        }),
        invalidatesTags: ['Crew', 'FrontDoor'],
      }),
      readHandover: build.mutation<Handover, { house: string; id: string }>({
        query: ({ house, id }) => ({ url: paths.handoverRead(house, id), method: 'PUT', body: {} }),
        invalidatesTags: ['Handovers'],
      }),
      addPerson: people.add,
      changePerson: people.change,
      removePerson: people.remove,
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
  useAuditQuery,
  useGiveSecretMutation,
  useReadHandoverMutation,
  useAddPersonMutation,
  useChangePersonMutation,
  useRemovePersonMutation,
  useAddShiftMutation,
  useChangeShiftMutation,
  useRemoveShiftMutation,
  useAddDayMutation,
  useChangeDayMutation,
  useRemoveDayMutation,
} = crewApi;
