import { dateOfService, startedLots, weekWithAssumptions, weekOfHouse } from '@calm/domain';
import {
  NO_PLAN,
  type HouseBook,
  type Lot,
  type PlanContent,
  type PublishedPlan,
  type Service,
  type Shift,
  type Forecast,
  type Usage,
  type WeekDocument,
} from '@calm/contract';
import type { PlannedLot, WeekProblem } from '@calm/core';
import { useMemo } from 'react';
import {
  useBookQuery,
  useLotsQuery,
  usePlanQuery,
  useServicesQuery,
  useShiftsQuery,
  useForecastQuery,
} from '../../../state/api/api';
import { addDays, dateAt, midnightOf, mondayAfter } from '../../../state/time/localDate';
import { useAppSelector } from '../../../state/store';
import { useHouse } from '../../../state/board/useBoard';
import { useCursor } from '../../../state/time/useCursor';
import { shownLots } from '../picture/shownLots';

/** The week that is planned, and the plan as it is shown: a draft, or what the house works by. */
export interface PlanWeek {
  readonly house: string;
  readonly book: HouseBook;
  readonly services: readonly Service[];
  readonly shifts: readonly Shift[];
  /** Local dates that are planned, in order. */
  readonly dates: readonly string[];
  readonly nowMin: number;
  /** With everything that the plan takes to be so. */
  readonly document: WeekDocument;
  readonly problem: WeekProblem;
  /** The same week without it. */
  readonly plainDocument: WeekDocument;
  readonly published: PublishedPlan;
  readonly isDraft: boolean;
  readonly content: PlanContent;
  readonly lots: readonly PlannedLot[];
  /** Lots as they are published, to compare with. */
  readonly publishedLots: readonly PlannedLot[];
  /** Codes of lots that are under way, by the plan's ids. */
  readonly codes: ReadonlyMap<string, string>;
  /** Lots whose yeast is in them. */
  readonly mixed: readonly string[];
}

/** Days behind today whose lots may still stand somewhere. */
const DAYS_BEHIND = 1;

/** Everything that is planned: from now to the end of next week. */
export function usePlanWeek(): {
  week: PlanWeek | null;
  /** Whether its guests are as forecast, as counted where there is no forecast, or not known yet. */
  guests: 'forecast' | 'counted' | 'awaited';
  error: unknown;
  retry: () => void;
} {
  const house = useHouse();
  const { nowMs } = useCursor();
  const book = useBookQuery(house);
  const plan = usePlanQuery(house);
  const draft = useAppSelector((state) => state.planDrafts[house]);
  const timeZone = book.data?.house.timeZone;
  const today = dateAt(nowMs, timeZone ?? 'UTC');
  const from = addDays(today, -DAYS_BEHIND);
  const last = addDays(mondayAfter(today), 6);
  const days = Math.round((Date.parse(last) - Date.parse(from)) / 86_400_000) + 1;
  const interval = { house, from, days };
  const options = { skip: !timeZone };
  const services = useServicesQuery(interval, options);
  const shifts = useShiftsQuery(interval, options);
  const lots = useLotsQuery(interval, options);
  const forecast = useForecastQuery({ house, from: today, days: days - DAYS_BEHIND }, options);
  // Plans are made in quarter hours; the picture need not be calculated again every second.
  const nowMin = Math.floor(nowMs / 60_000);

  const plain = useMemo(() => {
    if (!book.data || !services.data || !shifts.data || !lots.data || !plan.data || !timeZone)
      return null;
    const dates = Array.from({ length: days }, (_, i) => addDays(from, i));
    return {
      book: book.data,
      services: services.data,
      shifts: shifts.data,
      lots: lots.data,
      published: plan.data,
      dates,
      midnights: dates.map((date) => new Date(midnightOf(date, timeZone)).toISOString()),
    };
  }, [book.data, services.data, shifts.data, lots.data, plan.data, timeZone, from, days]);
  const { usage = NO_USAGE, forecasts = NO_FORECASTS } = forecast.data ?? {};

  const plainDocument = useMemo(
    () =>
      plain
        ? weekOfHouse({ ...plain, usage, forecasts, nowMin, published: plain.published.content })
        : null,
    [plain, usage, forecasts, nowMin],
  );
  const content = draft?.present ?? plain?.published.content ?? NO_PLAN;
  const { assumptions } = content;
  const taken = useMemo(
    () => (plainDocument ? weekWithAssumptions(plainDocument, assumptions) : null),
    [plainDocument, assumptions],
  );
  const isDraft = draft !== undefined;
  const week = useMemo(
    () =>
      plain && plainDocument && taken
        ? weekFrom({ house, ...plain, plainDocument, ...taken, nowMin, content, isDraft })
        : null,
    [house, plain, plainDocument, taken, nowMin, content, isDraft],
  );
  const failed = [book, plan, services, shifts, lots].filter(
    (query) => query.isError && !query.data,
  );
  return {
    week,
    guests: forecast.data ? 'forecast' : forecast.isError ? 'counted' : 'awaited',
    error: failed[0]?.error ?? null,
    retry: () => failed.forEach((query) => void query.refetch()),
  };
}

const NO_USAGE: readonly Usage[] = [];
const NO_FORECASTS: readonly Forecast[] = [];

/** A plan in its week. */
function weekFrom({
  lots,
  ...week
}: Omit<PlanWeek, 'lots' | 'publishedLots' | 'codes' | 'mixed'> & {
  readonly lots: readonly Lot[];
}): PlanWeek {
  const { book, content, problem, published, nowMin } = week;
  const underWay = startedLots(problem, book, lots, content);
  const codes = new Map(
    underWay.flatMap((planned) => {
      const lot = lots.find(
        ({ recipe, serviceDate }) =>
          planned.doughId.startsWith(`${recipe.formulaId}/`) &&
          planned.serviceIds.some((id) => dateOfService(id) === serviceDate),
      );
      return lot ? [[planned.id, lot.code] as const] : [];
    }),
  );
  const shown = shownLots(content, underWay, problem);
  return {
    ...week,
    lots: shown,
    publishedLots: shownLots(published.content, underWay, problem),
    codes,
    mixed: shown
      .filter(
        ({ id, steps }) =>
          codes.has(id) && steps.some(({ key, endMin }) => key === 'mix' && endMin <= nowMin),
      )
      .map(({ id }) => id),
  };
}
