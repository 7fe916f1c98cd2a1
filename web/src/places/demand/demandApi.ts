import {
  routeRequest,
  paths,
  type CollectionName,
  type Booking,
  type BookingContent,
  type SalesImport,
  type CountOfMany,
  type EventContent,
  type HolidaysAnswer,
  type HouseCalendar,
  type RouteQuery,
  type HouseEvent,
  type ProductCount,
  type Sale,
  type SaleChange,
  type SalesImportResult,
  type ServiceException,
  type ServiceExceptionContent,
  type ServicePattern,
  type ServicePatternContent,
  type UsualChange,
} from '@calm/contract';
import { api, type DateRange } from '../../state/api/api';
import type { CellAddress } from '../../state/api/countsApi';
import { recordWrites } from '../../state/api/recordWrites';

const demandApi = api.injectEndpoints({
  endpoints: (build) => {
    /** Adding, changing and taking away what moves demand; all of it moves what is expected. */
    const collection = <Content, Stored>(name: CollectionName) =>
      recordWrites<Content, Stored>(build, name, ['Forecasts', 'Calendar', 'Services']);
    const events = collection<EventContent, HouseEvent>('Event');
    const bookings = collection<BookingContent, Booking>('Booking');
    const patterns = collection<ServicePatternContent, ServicePattern>('ServicePattern');
    const exceptions = collection<ServiceExceptionContent, ServiceException>('ServiceException');
    return {
      calendar: build.query<HouseCalendar, string>({
        query: (house) => paths.calendar(house),
        providesTags: ['Calendar'],
      }),
      holidays: build.query<HolidaysAnswer, { readonly house: string } & RouteQuery<'holidays'>>({
        query: ({ house, ...question }) => paths.holidays(house, question),
      }),
      changeUsual: build.mutation<
        HouseCalendar,
        { readonly house: string; readonly patternId: string; readonly change: UsualChange }
      >({
        query: ({ house, patternId, change }) =>
          routeRequest('changeUsual', [house, patternId], change),
        invalidatesTags: ['Calendar', 'Services', 'Forecasts'],
      }),
      sales: build.query<Sale[], DateRange>({
        query: ({ house, from, days }) => paths.sales(house, { from, days }),
        providesTags: ['Sales'],
      }),
      changeSale: build.mutation<Sale, CellAddress & { readonly change: SaleChange }>({
        query: ({ house, date, patternId, productId, change }) =>
          routeRequest('changeSale', [house, date, patternId, productId], change),
        invalidatesTags: ['Sales', 'Forecasts', 'Services'],
      }),
      importSales: build.mutation<
        SalesImportResult,
        { readonly house: string; readonly imported: SalesImport }
      >({
        query: ({ house, imported }) => routeRequest('importSales', [house], imported),
      }),
      changeCounts: build.mutation<
        ProductCount[],
        { house: string; counts: readonly CountOfMany[] }
      >({
        query: ({ house, counts }) => routeRequest('changeCounts', [house], { counts }),
        invalidatesTags: ['Services'],
      }),
      addEvent: events.add,
      changeEvent: events.change,
      removeEvent: events.remove,
      addBooking: bookings.add,
      changeBooking: bookings.change,
      removeBooking: bookings.remove,
      addPattern: patterns.add,
      changePattern: patterns.change,
      removePattern: patterns.remove,
      addException: exceptions.add,
      changeException: exceptions.change,
      removeException: exceptions.remove,
    };
  },
});

export const {
  useCalendarQuery,
  useHolidaysQuery,
  useChangeUsualMutation,
  useSalesQuery,
  useChangeSaleMutation,
  useImportSalesMutation,
  useChangeCountsMutation,
  useAddEventMutation,
  useChangeEventMutation,
  useRemoveEventMutation,
  useAddBookingMutation,
  useChangeBookingMutation,
  useRemoveBookingMutation,
  useAddPatternMutation,
  useChangePatternMutation,
  useRemovePatternMutation,
  useAddExceptionMutation,
  useChangeExceptionMutation,
  useRemoveExceptionMutation,
} = demandApi;

/** Everything of demand comes again: many sales have been written at once. */
export const demandChanged = () => api.util.invalidateTags(['Sales', 'Forecasts', 'Services']);
