import {
  paths,
  type LoadChange,
  type LoadRecord,
  type LossChange,
  type Lot,
  type LotStart,
  type NoteChange,
  type WithdrawChange,
} from '@calm/contract';
import { api, keepInStretches } from '../../state/api';

interface OfLot {
  readonly house: string;
  readonly lotId: string;
}

const mixApi = api.injectEndpoints({
  endpoints: (build) => ({
    startLot: build.mutation<Lot, { house: string; start: LotStart }>({
      query: ({ house, start }) => ({ url: paths.lots(house), method: 'POST', body: start }),
      invalidatesTags: ['Lots'],
    }),
    changeLoad: build.mutation<LoadRecord, OfLot & { number: number; change: LoadChange }>({
      query: ({ house, lotId, number, change }) => ({
        url: paths.load(house, lotId, number),
        method: 'PUT',
        body: change,
      }),
      onQueryStarted: ({ house, lotId }, request) =>
        keepInStretches('lots', house, request, (stretch, kept) =>
          api.util.updateQueryData('lots', stretch, (lots) => {
            const lot = lots.find(({ id }) => id === lotId);
            if (!lot) return;
            const loads = lot.loads.map((load) => (load.number === kept.number ? kept : load));
            Object.assign(lot, { loads });
          }),
        ),
      invalidatesTags: ['Lots', 'Frictions'],
    }),
    changeNote: build.mutation<Lot, OfLot & { change: NoteChange }>({
      query: ({ house, lotId, change }) => ({
        url: paths.note(house, lotId),
        method: 'PUT',
        body: change,
      }),
      invalidatesTags: ['Lots'],
    }),
    changeLosses: build.mutation<Lot, OfLot & { change: LossChange }>({
      query: ({ house, lotId, change }) => ({
        url: paths.losses(house, lotId),
        method: 'PUT',
        body: change,
      }),
      invalidatesTags: ['Lots', 'Book'],
    }),
    withdrawLot: build.mutation<
      { version: number; isWithdrawn: boolean },
      OfLot & { change: WithdrawChange }
    >({
      query: ({ house, lotId, change }) => ({
        url: paths.withdrawn(house, lotId),
        method: 'PUT',
        body: change,
      }),
      invalidatesTags: ['Lots', 'Frictions'],
    }),
  }),
});

export const {
  useStartLotMutation,
  useChangeLoadMutation,
  useChangeLossesMutation,
  useChangeNoteMutation,
  useWithdrawLotMutation,
} = mixApi;
