import {
  doughStageOf,
  simulate,
  solveDose,
  STANDARD_TARGET,
  wayOfRoute,
  type DoseAlternative,
  type DoseLimit,
  type DoughRoute,
  type DoughStage,
  type PlannedLot,
  type RouteFault,
} from '@calm/core';
import { routeOfDocument, type DoughDocument } from './dough';
import { instantOfMinute, type WeekDocument, type WeekDoughDocument } from './week';

const MIN_PER_HOUR = 60;
/** The peak is put here within a service: most balls go then. */
const PEAK_SHARE = 0.4;
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

/**
 * Doses a lot for the times it is planned at: the peak where the service with the most balls takes most.
 * What the other services find is told for each.
 *
 * @returns null for a dough whose formula is not in the document
 */
export function doseOfLot(document: WeekDocument, lot: PlannedLot): LotDose | null {
  const dough = document.doughs.find(({ id }) => id === lot.doughId);
  const service = mainService(document, lot);
  if (!dough?.formula || !service) return null;
  const main = documentFor(document, dough, lot, service.id);
  const route = main && routeOfDocument(main.dough);
  if (!main || !route?.ok) return null;
  const target = { ...STANDARD_TARGET, ...dough.target };
  const [startsMs, endsMs] = [Date.parse(service.startsAt), Date.parse(service.endsAt)];
  const peakMin = (startsMs + PEAK_SHARE * (endsMs - startsMs)) / 60_000;
  const peakHour = (peakMin - main.mixedMin) / MIN_PER_HOUR;
  const dose = solveDose({ route: route.value, peakHour, target });
  if (!dose.ok) {
    return {
      kind: 'no-dose',
      reasons: dose.reasons.flatMap((why): readonly (DoseLimit | RouteFault)[] =>
        why.kind === 'bad-route' ? why.faults : why.reasons,
      ),
      alternatives: dose.reasons.flatMap((why) => (why.kind === 'no-dose' ? why.alternatives : [])),
    };
  }
  const { yeast } = dose.value;
  // What a pre-ferment brings is part of the whole formula's yeast.
  const ahead = dough.formula.yeast.percent - route.value.formula.yeast.percent;
  const dosed = (of: DoughRoute) => ({ ...of, formula: { ...of.formula, yeast } });
  return {
    kind: 'dosed',
    yeastPercent: yeast.percent + Math.max(0, ahead),
    windows: lot.serviceIds.map((serviceId): ServiceWindow => {
      const own = documentFor(document, dough, lot, serviceId);
      const ownRoute = own && routeOfDocument(own.dough);
      const way = ownRoute?.ok ? simulate(dosed(ownRoute.value), { target }) : null;
      if (!own || !way?.ok || way.value.window.kind === 'never') return { serviceId, window: null };
      const { earliestHour, peakHour: peak, latestHour } = way.value.window;
      const at = (hour: number) => instantOfMinute(Math.round(own.mixedMin + hour * MIN_PER_HOUR));
      return {
        serviceId,
        window: { from: at(earliestHour), peak: at(peak), until: at(latestHour) },
      };
    }),
  };
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
  { route, formula, doughTempC = 24, target = {} }: WeekDoughDocument,
  lot: PlannedLot,
  serviceId: string,
): { readonly dough: DoughDocument; readonly mixedMin: number } | null {
  const mix = lot.steps.find(({ key }) => key === 'mix');
  const product = products.find(
    ({ id, doughId }) =>
      doughId === lot.doughId &&
      wanted.some(
        (each) => each.productId === id && each.serviceId === serviceId && each.count > 0,
      ),
  );
  if (!formula || !mix || !product) return null;
  const way = wayOfRoute(route, { loads: lot.loads, balls: 0 });
  const stagesOf = (list: typeof way.stages): DoughStage[] =>
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
      return {
        ...doughStageOf({ ...stage, handsMin: 0 }),
        hours: (minutes + hands) / MIN_PER_HOUR,
      };
    });
  const ahead = stagesOf(way.ahead);
  return {
    mixedMin: mix.endMin,
    dough: {
      formula,
      ballWeightG: product.ballWeightG,
      doughTempC,
      target,
      stages: stagesOf(way.stages),
      histories:
        ahead.length > 0 ? { preferment: { doughTempC: PREFERMENT_TEMP_C, stages: ahead } } : {},
    },
  };
}
