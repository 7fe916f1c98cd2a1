import { doughDocument } from '../lots/doughDocument';
import {
  doughStageOf,
  maximumBetween,
  meanAirC,
  pointBetween,
  simulate,
  solveDose,
  STANDARD_TARGET,
  doughStagesOfRoute,
  type DoseAlternative,
  type DoseLimit,
  type DoughRoute,
  type DoughStage,
  type PlannedLot,
  type RouteFault,
  type Simulation,
  type YeastDose,
} from '@calm/core';
import { airAround, AS_ROUTES_SAY, doughWarmerC, type Climate } from './climate';
import type { DoughDocument, WeekDocument, WeekDoughDocument } from '@calm/contract';
import { routeOfDocument } from '../formulas/simulateDough';
import { instantOfMinute } from './weekProblem';

const MIN_PER_HOUR = 60;
/** The peak is put here within a service: most balls go then. */
const PEAK_SHARE = 0.4;
/** Where a document says nothing of it. */
const PREFERMENT_TEMP_C = 20;

/** When a lot's balls for one service open well. */
export interface ServiceWindow {
  readonly serviceId: string;
  /** Null when they never do, so dosed. */
  readonly window: { readonly from: string; readonly peak: string; readonly until: string } | null;
  /** That they open well at doors and when most go, 0–1. */
  readonly odds: number;
}

/** A planned lot's yeast, or why none puts its peak where it should be. */
export type LotDose =
  | {
      readonly kind: 'dosed';
      /** Of the whole formula, in its own form. */
      readonly yeastPercent: number;
      readonly windows: readonly ServiceWindow[];
    }
  | {
      readonly kind: 'no-dose';
      readonly reasons: readonly (DoseLimit | RouteFault)[];
      readonly alternatives: readonly DoseAlternative[];
    };

/** A lot's balls for one service, from the mixer on. */
export interface SimulatedService {
  readonly serviceId: string;
  /** When the dough comes off the mixer, minutes since 1970. */
  readonly mixedMin: number;
  /** Null when it cannot be simulated. */
  readonly way: Simulation | null;
  /** The dough as it was simulated, and where it stands in each stage. */
  readonly route: DoughRoute;
  readonly places: readonly string[];
}

/** A lot as planned: its yeast, and the way of the balls of each service. */
export interface SimulatedLot {
  readonly lotId: string;
  /** Null for a lot that is mixed already, or whose formula is not in the document. */
  readonly dose: LotDose | null;
  /** The service with the most balls first. */
  readonly ways: readonly SimulatedService[];
  readonly windows: readonly ServiceWindow[];
}

/**
 * Doses a lot for the times it is planned at: the peak where the service with the most balls takes most, or where
 * the least of the odds of all its services is highest.
 *
 * @returns null for a dough whose formula is not in the document
 */
export const doseOfLot = (document: WeekDocument, lot: PlannedLot): LotDose | null =>
  simulateLot(document, lot).dose;

/**
 * A lot's doughs along the times it is planned at.
 *
 * @param isMixed the yeast in it is its formula's; otherwise it is dosed for the times
 */
export function simulateLot(
  document: WeekDocument,
  lot: PlannedLot,
  { climate = AS_ROUTES_SAY, isMixed = false } = {},
): SimulatedLot {
  const dough = document.doughs.find(({ id }) => id === lot.doughId);
  const service = mainService(document, lot);
  const nothing = { lotId: lot.id, dose: null, ways: [], windows: [] };
  if (!dough?.formula || !service) return nothing;
  const main = documentFor(document, dough, lot, service.id, climate);
  const route = main && routeOfDocument(main.dough);
  if (!main || !route?.ok) return nothing;
  const target = { ...STANDARD_TARGET, ...dough.target };
  const others = lot.serviceIds.filter((id) => id !== service.id);
  const ownRoutes = [service.id, ...others].flatMap((serviceId) => {
    const own = documentFor(document, dough, lot, serviceId, climate);
    const ownRoute = own && routeOfDocument(own.dough);
    return own && ownRoute?.ok ? [{ serviceId, own, route: ownRoute.value }] : [];
  });
  const waysWith = (yeast: YeastDose, stepMin = 1): SimulatedService[] =>
    ownRoutes.map(({ serviceId, own: { mixedMin, places }, route: plain }) => {
      const dosed = { ...plain, formula: { ...plain.formula, yeast } };
      const way = simulate(dosed, { target, stepMin });
      return { serviceId, mixedMin, way: way.ok ? way.value : null, route: dosed, places };
    });
  const peakHour = (peakMinOf(service) - main.mixedMin) / MIN_PER_HOUR;
  const found = isMixed ? null : solveDose({ route: route.value, peakHour, target });
  const yeast = found?.ok
    ? yeastForAll(found.value.yeast, (tried) =>
        waysWith(tried, TRY_STEP_MIN).map((way) => oddsOf(way, document.services)),
      )
    : route.value.formula.yeast;
  const ways = waysWith(yeast);
  const windows = lot.serviceIds.map((serviceId): ServiceWindow => {
    const own = ways.find((each) => each.serviceId === serviceId);
    return {
      serviceId,
      window: own ? windowOf(own) : null,
      odds: own ? oddsOf(own, document.services) : 0,
    };
  });
  const simulated = { lotId: lot.id, ways, windows };
  if (!found) return { ...simulated, dose: null };
  if (!found.ok) {
    const reasons = found.reasons.flatMap((why): readonly (DoseLimit | RouteFault)[] =>
      why.kind === 'bad-route' ? why.faults : why.reasons,
    );
    const alternatives = found.reasons.flatMap((why) =>
      why.kind === 'no-dose' ? why.alternatives : [],
    );
    return { ...simulated, dose: { kind: 'no-dose', reasons, alternatives } };
  }
  // What a pre-ferment brings is part of the whole formula's yeast.
  const preferments = dough.formula.yeast.percent - route.value.formula.yeast.percent;
  const yeastPercent = yeast.percent + Math.max(0, preferments);
  return { ...simulated, dose: { kind: 'dosed', yeastPercent, windows } };
}

/** Odds as good as this are not worth moving the peak for. */
const GOOD_ODDS = 0.85;
/** Doses that are tried around the one that puts the peak where it is wanted, as its share; and how far the best is narrowed. */
const [LEAST_SHARE, MOST_SHARE] = [0.5, 2];
const NARROWINGS = 9;
/** Steps while trying, minutes: odds move by less than a percent against one-minute steps. */
const TRY_STEP_MIN = 10;

/**
 * The dose that makes the least of the odds of a lot's services as high as can be, where the one that puts the peak
 * on its main service does not do well by all.
 *
 * @param yeast puts the peak where the service with the most balls takes most
 * @param oddsWith of each service, with a dose
 */
function yeastForAll(
  yeast: YeastDose,
  oddsWith: (yeast: YeastDose) => readonly number[],
): YeastDose {
  const scaled = (share: number) => ({ ...yeast, percent: yeast.percent * share });
  const leastOdds = (share: number) => Math.min(...oddsWith(scaled(share)));
  const plain = leastOdds(1);
  if (plain >= GOOD_ODDS) return yeast;
  // Odds have one hump over the dose, by its logarithm.
  const best = maximumBetween(
    Math.log(LEAST_SHARE),
    Math.log(MOST_SHARE),
    (log) => leastOdds(Math.exp(log)),
    NARROWINGS,
  );
  return best.value > plain ? scaled(Math.exp(best.x)) : yeast;
}

/** That a service's balls open well at doors and when most go, 0–1. */
function oddsOf(
  { way, mixedMin, serviceId }: Pick<SimulatedService, 'way' | 'mixedMin' | 'serviceId'>,
  services: WeekDocument['services'],
): number {
  const service = services.find(({ id }) => id === serviceId);
  if (!way || !service) return 0;
  const { course, target, kinds } = way;
  const hourAt = (minute: number) => (minute - mixedMin) / MIN_PER_HOUR;
  const at = (minute: number) => pointBetween(course, hourAt(minute), target, kinds).odds;
  return Math.min(at(Date.parse(service.startsAt) / 60_000), at(peakMinOf(service)));
}

/** When most of a service's balls go, minutes since 1970. */
function peakMinOf({ startsAt, endsAt }: WeekDocument['services'][number]): number {
  const [fromMs, toMs] = [Date.parse(startsAt), Date.parse(endsAt)];
  return (fromMs + PEAK_SHARE * (toMs - fromMs)) / 60_000;
}

/** When balls on their way open well; null when they never do. */
export function windowOf({ way, mixedMin }: SimulatedService): ServiceWindow['window'] {
  if (!way || way.window.kind === 'never') return null;
  const { earliestHour, peakHour, latestHour } = way.window;
  const at = (hour: number) => instantOfMinute(Math.round(mixedMin + hour * MIN_PER_HOUR));
  return { from: at(earliestHour), peak: at(peakHour), until: at(latestHour) };
}

/** The service that a lot makes the most balls for. */
function mainService({ services, wanted, products }: WeekDocument, lot: PlannedLot) {
  const ballsAt = (serviceId: string) =>
    wanted
      .filter((each) => each.serviceId === serviceId)
      .filter(({ productId }) =>
        products.some(({ id, doughId }) => id === productId && doughId === lot.doughId),
      )
      .reduce((sum, { count }) => sum + count, 0);
  return services
    .filter(({ id }) => lot.serviceIds.includes(id))
    .reduce<WeekDocument['services'][number] | null>(
      (most, each) => (most && ballsAt(most.id) >= ballsAt(each.id) ? most : each),
      null,
    );
}

/** A lot's balls of one service on the way they are planned, and when their dough comes off the mixer. */
function documentFor(
  { products, wanted, places }: WeekDocument,
  {
    route,
    formula,
    doughTempC = 24,
    prefermentTempC = PREFERMENT_TEMP_C,
    target = {},
    altitudeM,
    constants,
  }: WeekDoughDocument,
  lot: PlannedLot,
  serviceId: string,
  climate: Climate,
): {
  readonly dough: DoughDocument;
  readonly mixedMin: number;
  readonly places: readonly string[];
} | null {
  const mix = lot.steps.find(({ key }) => key === 'mix');
  const product = products.find(
    ({ id, doughId }) =>
      doughId === lot.doughId &&
      wanted.some(
        (each) => each.productId === id && each.serviceId === serviceId && each.count > 0,
      ),
  );
  if (!formula || !mix || !product) return null;
  const way = doughStagesOfRoute(route, { loads: lot.loads, balls: 0 });
  const stagesOf = (list: typeof way.stages): (DoughStage & { readonly place: string })[] =>
    list.map((stage) => {
      const index = route.indexOf(stage.rest);
      const rest = lot.rests.find(
        (each) => each.stage === index && (each.serviceId === null || each.serviceId === serviceId),
      );
      const after = lot.steps.filter(
        (step) =>
          step.stage > index &&
          step.stage <= index + stage.works.length &&
          (step.serviceId === null || step.serviceId === serviceId),
      );
      const hands = after.reduce((sum, step) => sum + step.endMin - step.startMin, 0);
      const minutes = rest
        ? rest.endMin - rest.startMin
        : stage.rest.hours.preferred * MIN_PER_HOUR;
      const place = rest?.place ?? stage.rest.place;
      const fromMin = rest?.startMin ?? mix.startMin;
      const toMin = fromMin + minutes + hands;
      const isMoved = place !== stage.rest.place;
      const there = places.find(({ name }) => name === place)?.airByHour ?? [];
      const airTempC = (isMoved ? meanAirC(there, fromMin, toMin) : null) ?? stage.rest.airTempC;
      return {
        ...doughStageOf({ ...stage, handsMin: 0 }),
        hours: Math.max(0, minutes + hands) / MIN_PER_HOUR,
        airTempC: airAround(climate, place, airTempC, fromMin, toMin),
        place,
      };
    });
  const plain = ({ place: _, ...stage }: ReturnType<typeof stagesOf>[number]): DoughStage => stage;
  const stages = stagesOf(way.stages);
  return {
    places: stages.map(({ place }) => place),
    mixedMin: mix.endMin,
    dough: doughDocument({
      formula,
      ballWeightG: product.ballWeightG,
      doughTempC: doughTempC + doughWarmerC(climate, formula.preferment !== undefined),
      stages: stages.map(plain),
      prefermentStages: stagesOf(way.preferments).map(plain),
      prefermentTempC,
      target,
      altitudeM,
      constants,
    }),
  };
}
