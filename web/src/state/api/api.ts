import {
  NOTHING_RETIRED,
  paths,
  type ColdBoard,
  type ForecastAnswer,
  type Handover,
  type PracticeResult,
  type HouseBook,
  type ListedHouse,
  type LogPage,
  type LogQuery,
  type Lot,
  type LotLog,
  type LotRecord,
  type MixerFriction,
  type PublishedPlan,
  type Session,
  type Service,
  type Shift,
} from '@calm/contract';
import { createApi, fetchBaseQuery, type BaseQueryApi } from '@reduxjs/toolkit/query/react';
import { problemOf } from '../../parts/messages/problemOf';
import { askOnce } from './earlyAnswers';
import {
  forgetBoard,
  forgetSession,
  isLeaving,
  rememberedSession,
  rememberSession,
} from './signedIn';
import { answered, writeKey } from './writeKeys';
import { versionFound } from '../live/connection';
import { isKept, isOfNewVersion } from './version';

/** A house and a stretch of local dates. */
export interface DateRange {
  readonly house: string;
  readonly from: string;
  readonly days: number;
}

const plain = fetchBaseQuery({ baseUrl: '', fetchFn: askOnce });

/** As a house is that says nothing of it. */
const IN_USE = { asideOn: null };

/** Requests whose own business it is whether somebody is signed in. */
const AT_THE_DOOR: readonly string[] = ['session', 'signIn', 'startOwner', 'startFirstHouse'];

/** As the house says it when nobody is signed in. */
const NOBODY = { status: 401, data: null };

/** Whoever is signed out meanwhile is asked to come in again; what they typed stays on the device. */
const asSomebody: typeof plain = async (args, request, extra) => {
  const answer = await keyed(args, request, extra);
  if (isOfNewVersion(answer.meta?.response)) request.dispatch(versionFound());
  if (isKept(answer.meta?.response)) askAgain(request);
  if (answer.error?.status === 401 && !AT_THE_DOOR.includes(request.endpoint)) {
    request.dispatch(api.util.invalidateTags(['Session']));
  }
  return answer;
};

/** What was kept is asked for again after so long, ms; a house that goes on being late is asked less and less often. */
const AGAIN_MS = { first: 3000, most: 60_000 };
let isAskedAgain = false;
let againMs = AGAIN_MS.first;
let keptAtMs = 0;

/**
 * A house that answers late is not a lost one, so nothing else would ask again: what was kept is shown meanwhile, and
 * the house is asked until it answers. One that is lost is read whole when it is heard.
 */
function askAgain({ dispatch, getState }: Pick<BaseQueryApi, 'dispatch' | 'getState'>): void {
  if (isAskedAgain) return;
  isAskedAgain = true;
  const isLateAgain = Date.now() - keptAtMs < 2 * AGAIN_MS.most;
  againMs = isLateAgain ? Math.min(2 * againMs, AGAIN_MS.most) : AGAIN_MS.first;
  keptAtMs = Date.now();
  setTimeout(() => {
    isAskedAgain = false;
    const { connection } = getState() as Record<'connection', { readonly isLost: boolean }>;
    if (!connection.isLost) dispatch(api.util.invalidateTags([...TAGS]));
  }, againMs);
}

/** A write goes under a key of its own, kept until the house has answered: what is sent again is done once. */
const keyed: typeof plain = async (args, request, extra) => {
  if (typeof args === 'string' || (args.method ?? 'GET') === 'GET')
    return plain(args, request, extra);
  const write = { method: args.method ?? '', url: args.url, body: args.body as unknown };
  const headers = { 'Idempotency-Key': writeKey(write) };
  const answer = await plain({ ...args, headers }, request, extra);
  if (!answer.error || problemOf(answer.error)) answered(write);
  return answer;
};

/** Everything that is read from a house. */
export const TAGS = [
  'Houses',
  'Session',
  'Machines',
  'CalendarLinks',
  'Contact',
  'AlarmCalls',
  'FrontDoor',
  'Crew',
  'Shifts',
  'Book',
  'Versions',
  'Services',
  'Lots',
  'Records',
  'Handovers',
  'Practice',
  'Log',
  'Frictions',
  'Learned',
  'Trials',
  'Forecasts',
  'Calendar',
  'Sales',
  'Plan',
  'Cold',
] as const;

/** What several places read. */
export const api = createApi({
  reducerPath: 'api',
  baseQuery: asSomebody,
  tagTypes: TAGS,
  refetchOnFocus: true,
  refetchOnReconnect: true,
  endpoints: (build) => ({
    houses: build.query<ListedHouse[], void>({
      query: () => paths.houses(),
      providesTags: ['Houses'],
    }),
    session: build.query<Session, string>({
      queryFn: async (house, _api, _extra, ask) => {
        if (isLeaving(house)) return { error: NOBODY };
        const answer = await ask(paths.session(house));
        // While it was asked somebody may have left.
        if (isLeaving(house)) return { error: NOBODY };
        if (!answer.error) {
          rememberSession(house, answer.data as Session);
          return { data: answer.data as Session };
        }
        const isHouse = problemOf(answer.error) !== null;
        if (isHouse && answer.error.status === 401) {
          forgetSession(house);
          void forgetBoard();
          return { error: answer.error };
        }
        const last = isHouse && answer.error.status === 404 ? null : rememberedSession(house);
        return last ? { data: last } : { error: answer.error };
      },
      providesTags: ['Session'],
    }),
    book: build.query<HouseBook, string>({
      query: (house) => paths.book(house),
      // A device may have kept one of before anything could be retired, or put aside.
      transformResponse: (book: HouseBook) => ({
        ...book,
        house: { ...IN_USE, ...book.house },
        retired: { ...NOTHING_RETIRED, ...book.retired },
      }),
      providesTags: ['Book'],
    }),
    services: build.query<Service[], DateRange>({
      query: ({ house, from, days }) => paths.services(house, { from, days }),
      providesTags: ['Services'],
    }),
    shifts: build.query<Shift[], DateRange>({
      query: ({ house, from, days }) => paths.shifts(house, { from, days }),
      providesTags: ['Shifts'],
    }),
    lots: build.query<Lot[], DateRange>({
      query: ({ house, from, days }) => paths.lots(house, { from, days }),
      providesTags: ['Lots'],
    }),
    plan: build.query<PublishedPlan, string>({
      query: (house) => paths.plan(house),
      providesTags: ['Plan'],
    }),
    forecast: build.query<ForecastAnswer, DateRange>({
      query: ({ house, from, days }) => paths.forecast(house, { from, days }),
      providesTags: ['Forecasts'],
    }),
    frictions: build.query<MixerFriction[], string>({
      query: (house) => paths.frictions(house),
      providesTags: ['Frictions'],
    }),
    records: build.query<LotRecord[], DateRange>({
      query: ({ house, from, days }) => paths.records(house, { from, days }),
      providesTags: ['Records'],
    }),
    lotRecords: build.query<LotRecord[], { readonly house: string; readonly lotId: string }>({
      query: ({ house, lotId }) => paths.lotRecords(house, lotId),
      providesTags: ['Records'],
    }),
    log: build.query<LogPage, { readonly house: string; readonly query: LogQuery }>({
      query: ({ house, query }) => paths.log(house, query),
      providesTags: ['Log'],
    }),
    lotLog: build.query<LotLog, { readonly house: string; readonly lotOrCode: string }>({
      query: ({ house, lotOrCode }) => paths.lotLog(house, lotOrCode),
      providesTags: ['Log', 'Lots', 'Records'],
    }),
    cold: build.query<ColdBoard, string>({
      query: (house) => paths.cold(house),
      providesTags: ['Cold'],
    }),
    practice: build.query<PracticeResult[], string>({
      query: (house) => paths.practice(house),
      providesTags: ['Practice'],
    }),
    handovers: build.query<Handover[], string>({
      query: (house) => paths.handovers(house),
      providesTags: ['Handovers'],
    }),
  }),
});

export const {
  useHousesQuery,
  useSessionQuery,
  useBookQuery,
  useServicesQuery,
  useShiftsQuery,
  useLotsQuery,
  usePlanQuery,
  useForecastQuery,
  useFrictionsQuery,
  useRecordsQuery,
  useLogQuery,
  useLotLogQuery,
  useLotRecordsQuery,
  usePracticeQuery,
  useHandoversQuery,
  useColdQuery,
} = api;

/** A shelf of the book whose records have ids. */
export type BookCollection = 'formulas' | 'products' | 'routes' | 'pantry' | 'mixers';

/**
 * Puts a record into the book at hand as soon as the house has acknowledged it, without waiting for the
 * book to come again: whoever edits on at once edits what is saved.
 */
export async function keepInBook(
  collection: BookCollection,
  { house }: { readonly house: string },
  {
    dispatch,
    queryFulfilled,
  }: {
    readonly dispatch: (action: ReturnType<typeof updateBook>) => unknown;
    readonly queryFulfilled: Promise<{ readonly data: unknown }>;
  },
): Promise<void> {
  try {
    const { data } = await queryFulfilled;
    dispatch(updateBook(house, collection, data as { id: string }));
  } catch {
    // What was refused is told where it was typed.
  }
}

const updateBook = (house: string, collection: BookCollection, kept: { id: string }) =>
  api.util.updateQueryData('book', house, (book) => {
    const records = book[collection] as { id: string }[];
    const at = records.findIndex(({ id }) => id === kept.id);
    if (at >= 0) records[at] = kept;
    else records.push(kept);
  });

/** What a mutation hands to who follows it. */
interface Following<Stored> {
  readonly dispatch: (action: DateRangeUpdate) => unknown;
  readonly getState: () => unknown;
  readonly queryFulfilled: Promise<{ readonly data: Stored }>;
}

type DateRangeUpdate = ReturnType<typeof api.util.updateQueryData<'services'>>;

/**
 * Puts what the house has acknowledged into the services of every stretch of days at hand, without waiting for them to
 * come again: a number must not fall back to what it was while they do.
 *
 * @param change the update that writes the acknowledged value into one stretch
 */
export async function keepInServices<Stored>(
  house: string,
  { dispatch, getState, queryFulfilled }: Following<Stored>,
  change: (dateRange: DateRange, kept: Stored) => DateRangeUpdate,
): Promise<void> {
  try {
    const { data } = await queryFulfilled;
    const state = getState() as Parameters<typeof api.util.selectCachedArgsForQuery>[0];
    const stretches: readonly DateRange[] = api.util.selectCachedArgsForQuery(state, 'services');
    stretches
      .filter((dateRange) => dateRange.house === house)
      .forEach((dateRange) => dispatch(change(dateRange, data)));
  } catch {
    // What was refused is told where it was typed.
  }
}
