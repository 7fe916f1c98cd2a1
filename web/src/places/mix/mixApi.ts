import {
  routeRequest,
  type LossChange,
  type Lot,
  type LotStart,
  type NoteChange,
  type WithdrawChange,
} from '@calm/contract';
import { api } from '../../state/api/api';

interface OfLot {
  readonly house: string;
  readonly lotId: string;
}

const mixApi = api.injectEndpoints({
  endpoints: (build) => ({
    startLot: build.mutation<Lot, { house: string; start: LotStart }>({
      query: ({ house, start }) => routeRequest('startLot', [house], start),
      invalidatesTags: ['Lots'],
    }),
    changeNote: build.mutation<Lot, OfLot & { change: NoteChange }>({
      query: ({ house, lotId, change }) => routeRequest('changeNote', [house, lotId], change),
      invalidatesTags: ['Lots'],
    }),
    changeLosses: build.mutation<Lot, OfLot & { change: LossChange }>({
      query: ({ house, lotId, change }) => routeRequest('changeLosses', [house, lotId], change),
      invalidatesTags: ['Lots', 'Book'],
    }),
    withdrawLot: build.mutation<
      { version: number; isWithdrawn: boolean },
      OfLot & { change: WithdrawChange }
    >({
      query: ({ house, lotId, change }) => routeRequest('withdrawLot', [house, lotId], change),
      invalidatesTags: ['Lots', 'Frictions'],
    }),
  }),
});

export const {
  useStartLotMutation,
  useChangeLossesMutation,
  useChangeNoteMutation,
  useWithdrawLotMutation,
} = mixApi;
