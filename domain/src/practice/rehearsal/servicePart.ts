import type { WeekDocument } from '@calm/contract';
import {
  MINUTE_MS,
  QUARTER_MIN,
  simulate,
  usageCurve,
  type DoughStage,
  type PlannedLot,
  type ReadyBatch,
} from '@calm/core';
import type { SimulatedLot, SimulatedService } from '../../week/weekDoses';
import { wavesOfLot, type ServiceWaves } from '../../week/weekWaves';
import type { Future } from './futures';

/** One lot's balls of one product for one service: what is rehearsed. */
export interface ServicePart {
  readonly serviceId: string;
  readonly productId: string;
  readonly lot: PlannedLot;
  readonly way: SimulatedService;
  readonly waves: ServiceWaves;
  /** When the pull for this service ends, as planned, minutes since 1970; null where nothing is pulled. */
  readonly pulledMin: number | null;
  readonly doorsMin: number;
  /** Guests expected in each quarter of an hour, and how evenings scatter as a whole. */
  readonly perQuarter: readonly number[];
  readonly cv: number;
  readonly carried: number;
}

/** Places colder than this are cold, °C. */
const COLD_C = 10;
/** A stage is no shorter, h. */
const LEAST_H = 0.05;
/** Steps of its dough, min: windows move by 0.7 min more or less than at 3, on average. */
const STEP_MIN = 20;
/** How evenings scatter where nobody knows. */
const USUAL_CV = 0.15;

/** What of a lot is rehearsed: its balls of each product for each service. */
export function partsOfLot(
  document: WeekDocument,
  lot: PlannedLot,
  { ways, windows }: SimulatedLot,
): ServicePart[] {
  return wavesOfLot(document, lot, windows).flatMap((waves): ServicePart[] => {
    const { serviceId, productId } = waves;
    const way = ways.find((each) => each.serviceId === serviceId);
    const service = document.services.find(({ id }) => id === serviceId);
    const wanted = document.wanted.find(
      (each) => each.serviceId === serviceId && each.productId === productId,
    );
    if (!way || !service || !wanted) return [];
    const [doorsMs, closeMs] = [Date.parse(service.startsAt), Date.parse(service.endsAt)];
    const known = document.usage.find(
      (each) => each.serviceId === serviceId && each.productId === productId,
    );
    const { mean = 0, cv = USUAL_CV, carried = 0 } = known?.expected ?? {};
    const curve = known?.curve ?? usageCurve([], (closeMs - doorsMs) / MINUTE_MS);
    const guests = mean > 0 ? mean : wanted.count;
    const pull = lot.steps.find((step) => step.key === 'pull' && step.serviceId === serviceId);
    return [
      {
        serviceId,
        productId,
        lot,
        way,
        waves,
        pulledMin: pull?.endMin ?? null,
        doorsMin: doorsMs / MINUTE_MS,
        perQuarter: curve.map((share) => share * guests),
        cv,
        carried,
      },
    ];
  });
}

/** When balls open well, minutes since 1970. */
export interface OpenBetween {
  readonly fromMin: number;
  readonly untilMin: number;
}

/** As it is planned. */
const AS_PLANNED: Future = {
  benchC: 0,
  coldC: 0,
  yeast: 1,
  doughC: 0,
  mixLateMin: 0,
  pullLateMin: 0,
};

/**
 * When a part's balls open well in each future; null where they never do. Long steps are quick, and off by some minutes:
 * what they say of a future is taken against what they say of the plan, which is known to the minute.
 */
export function windowsIn(part: ServicePart, futures: readonly Future[]): (OpenBetween | null)[] {
  const planned = plannedWindow(part.way);
  const roughly = windowIn(part, AS_PLANNED);
  if (!planned || !roughly) return futures.map(() => null);
  const [fromOff, untilOff] = [
    planned.fromMin - roughly.fromMin,
    planned.untilMin - roughly.untilMin,
  ];
  return futures.map((future) => {
    const window = windowIn(part, future);
    return window && { fromMin: window.fromMin + fromOff, untilMin: window.untilMin + untilOff };
  });
}

function plannedWindow({ way, mixedMin }: SimulatedService): OpenBetween | null {
  if (!way || way.window.kind === 'never') return null;
  const { earliestHour, latestHour } = way.window;
  return { fromMin: mixedMin + earliestHour * 60, untilMin: mixedMin + latestHour * 60 };
}

function windowIn(
  { way: { route, mixedMin, way }, pulledMin }: ServicePart,
  { benchC, coldC, yeast, doughC, mixLateMin, pullLateMin }: Future,
): OpenBetween | null {
  const last = route.stages.length - 1;
  const laterMin = (i: number): number => {
    if (i === 0) return -mixLateMin;
    if (pulledMin === null || i < last - 1) return 0;
    return i === last ? -pullLateMin : pullLateMin;
  };
  const stages = route.stages.map((stage, i): DoughStage => ({
    ...stage,
    hours: Math.max(LEAST_H, stage.hours + laterMin(i) / 60),
    airTempC: stage.airTempC + (stage.airTempC < COLD_C ? coldC : benchC),
  }));
  const told = simulate(
    {
      ...route,
      doughTempC: route.doughTempC + doughC,
      yeastActivity: (route.yeastActivity ?? 1) * yeast,
      stages,
    },
    { stepMin: STEP_MIN, ...(way && { target: way.target }) },
  );
  if (!told.ok || told.value.window.kind === 'never') return null;
  const { earliestHour, latestHour } = told.value.window;
  const at = (hour: number) => mixedMin + mixLateMin + hour * 60;
  return { fromMin: at(earliestHour), untilMin: at(latestHour) };
}

/** What of a part is ready when in a future, minutes from doors. @param window when its balls open well in it */
export function batchesIn(
  { waves, pulledMin, doorsMin, carried }: ServicePart,
  window: OpenBetween | null,
  { pullLateMin }: Pick<Future, 'pullLateMin'>,
): ReadyBatch[] {
  const batches: ReadyBatch[] = [{ balls: carried, readyMin: 0, lastMin: Infinity }];
  if (!window) return batches;
  const warmsMin = Math.max(0, window.fromMin - (pulledMin ?? window.fromMin) - pullLateMin);
  const keepsMin = window.untilMin - window.fromMin;
  for (const { pullAt, balls } of waves.waves) {
    const pullMin = Date.parse(pullAt) / MINUTE_MS + pullLateMin;
    const readyMin = pullMin + warmsMin - doorsMin;
    batches.push({ balls, readyMin, lastMin: readyMin + keepsMin });
  }
  return batches;
}

/** Why guests are sent away: dough not ready yet, past its best, or all of it gone. */
export const AWAY = ['not-ready', 'past', 'gone'] as const;
/** One of them. */
export type Away = (typeof AWAY)[number];
/** Guests sent away, by why. */
export type ShortBy = Record<Away, number>;

/** Why nothing is there for somebody at a minute. */
function whyAway(batches: readonly ReadyBatch[], left: readonly number[], minute: number): Away {
  const isLeft = (is: (batch: ReadyBatch) => boolean) =>
    batches.some((batch, i) => (left[i] as number) > 0 && is(batch));
  if (isLeft(({ lastMin }) => lastMin <= minute)) return 'past';
  return isLeft(({ readyMin }) => readyMin > minute) ? 'not-ready' : 'gone';
}

/** Gives balls to guests, of what is open first to last. @returns guests whom nothing is ready for */
function serveFrom(
  batches: readonly ReadyBatch[],
  left: number[],
  minute: number,
  guests: number,
): number {
  let asked = guests;
  for (let i = 0; i < batches.length && asked > 0; i += 1) {
    const { readyMin, lastMin } = batches[i] as ReadyBatch;
    if (readyMin > minute || lastMin <= minute) continue;
    const taken = Math.min(asked, left[i] as number);
    left[i] = (left[i] as number) - taken;
    asked -= taken;
  }
  return asked;
}

/** Guests of one evening whom nothing is ready for, though each waits a quarter of an hour. @param guests in each quarter @param by is added to */
export function shortOn(
  guests: ArrayLike<number>,
  batches: readonly ReadyBatch[],
  by?: ShortBy,
): number {
  const left = batches.map(({ balls }) => balls);
  let [short, waiting] = [0, 0];
  for (let quarter = 0; quarter <= guests.length; quarter += 1) {
    const minute = (quarter + 0.5) * QUARTER_MIN;
    const isOpen = quarter < guests.length;
    const away = isOpen && waiting > 0 ? serveFrom(batches, left, minute, waiting) : waiting;
    short += away;
    if (by && away > 0) by[whyAway(batches, left, minute)] += away;
    waiting = isOpen ? serveFrom(batches, left, minute, guests[quarter] as number) : 0;
  }
  return short;
}
