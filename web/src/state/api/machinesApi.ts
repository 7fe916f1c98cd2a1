import {
  paths,
  routeRequest,
  type Machine,
  type MachineIssued,
  type MachineStart,
} from '@calm/contract';
import { api } from './api';
import type { Removed } from './recordWrites';

/** Probes and tills that post by themselves, and their tokens. */
const machinesApi = api.injectEndpoints({
  endpoints: (build) => ({
    machines: build.query<readonly Machine[], string>({
      query: (house) => paths.machines(house),
      providesTags: ['Machines'],
    }),
    issueMachine: build.mutation<MachineIssued, { house: string; start: MachineStart }>({
      query: ({ house, start }) => routeRequest('issueMachine', [house], start),
      invalidatesTags: ['Machines'],
    }),
    revokeMachine: build.mutation<Machine, Removed>({
      query: ({ house, id }) => routeRequest('revokeMachine', [house, id]),
      invalidatesTags: ['Machines'],
    }),
  }),
});

export const { useMachinesQuery, useIssueMachineMutation, useRevokeMachineMutation } = machinesApi;
