import { doughDocument } from '../lots/doughDocument';
import {
  doughStageOf,
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
 * Doses a lot for the times it is planned at: the peak where the service with the most balls takes most.
 * What the other services find is told for each.
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
  const [startsMs, endsMs] = [Date.parse(service.startsAt), Date.parse(service.endsAt)];
  const peakMin = (startsMs + PEAK_SHARE * (endsMs - startsMs)) / 60_000;
  const peakHour = (peakMin - main.mixedMin) / MIN_PER_HOUR;
  const others = lot.serviceIds.filter((id) => id !== service.id);
  const ownRoutes = [service.id, ...others].flatMap((serviceId) => {
    const own = documentFor(document, dough, lot, serviceId, climate);
    const ownRoute = own && routeOfDocument(own.dough);
    return own && ownRoute?.ok ? [{ serviceId, own, route: ownRoute.value }] : [];
  });
  const waysWith = (yeast: YeastDose): SimulatedService[] =>
    ownRoutes.map(({ serviceId, own: { mixedMin, places }, route: plain }) => {
      const dosed = { ...plain, formula: { ...plain.formula, yeast } };
      const way = simulate(dosed, { target });
      return { serviceId, mixedMin, way: way.ok ? way.value : null, route: dosed, places };
    });
  const doseAt = (hour: number) => {
    const found = solveDose({ route: route.value, peakHour: hour, target });
    const yeast = found.ok ? found.value.yeast : route.value.formula.yeast;
    return { found, yeast, ways: waysWith(yeast) };
  };
  const { found, yeast, ways } = isMixed
    ? { found: null, yeast: route.value.formula.yeast, ways: waysWith(route.value.formula.yeast) }
    : doseForAll(document, doseAt, peakHour);
  const windows = lot.serviceIds.map((serviceId) => {
    const own = ways.find((each) => each.serviceId === serviceId);
    return { serviceId, window: own ? windowOf(own) : null };
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

/** Later than this after doors is late, minutes. */
const LATE_MIN = 5;
const MOST_TRIES = 3;

/**
 * The dose that puts the peak of the service with the most balls where it takes most; earlier by as much as
 * another service would find its balls not ready, while the first still finds them good an hour on.
 */
function doseForAll<
  Dosed extends {
    readonly found: { readonly ok: boolean };
    readonly ways: readonly SimulatedService[];
  },
>({ services }: WeekDocument, doseAt: (peakHour: number) => Dosed, peakHour: number): Dosed {
  let best = doseAt(peakHour);
  let hour = peakHour;
  for (let tries = 0; tries < MOST_TRIES && best.found.ok; tries += 1) {
    const lateMin = Math.max(...best.ways.map((each) => lateBy(each, services)));
    if (lateMin <= LATE_MIN) break;
    hour -= lateMin / MIN_PER_HOUR;
    const earlier = doseAt(hour);
    const [main] = earlier.ways;
    if (!earlier.found.ok || !main || !keepsAnHour(main, services)) break;
    best = earlier;
  }
  return best;
}

const doorsOf = (serviceId: string, services: WeekDocument['services']): number =>
  Date.parse(services.find(({ id }) => id === serviceId)?.startsAt ?? '') / 60_000;

/** How long after doors balls open well, minutes; below 0 is before. */
function lateBy(
  { way, mixedMin, serviceId }: SimulatedService,
  services: WeekDocument['services'],
): number {
  if (!way || way.window.kind === 'never') return 0;
  return mixedMin + way.window.earliestHour * MIN_PER_HOUR - doorsOf(serviceId, services);
}

function keepsAnHour(
  { way, mixedMin, serviceId }: SimulatedService,
  services: WeekDocument['services'],
): boolean {
  if (!way || way.window.kind === 'never') return false;
  const untilMin = mixedMin + way.window.latestHour * MIN_PER_HOUR;
  return untilMin >= doorsOf(serviceId, services) + MIN_PER_HOUR;
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
  { products, wanted }: WeekDocument,
  {
    route,
    formula,
    doughTempC = 24,
    prefermentTempC = PREFERMENT_TEMP_C,
    target = {},
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
      return {
        ...doughStageOf({ ...stage, handsMin: 0 }),
        hours: Math.max(0, minutes + hands) / MIN_PER_HOUR,
        airTempC: airAround(climate, place, stage.rest.airTempC, fromMin, toMin),
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
    }),
  };
}
