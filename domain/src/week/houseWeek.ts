import {
  DAY_MIN,
  MINUTE_MS,
  type AirFrom,
  deratingShare,
  effective,
  publishedSteps,
  type Route,
  STANDARD_WEIGHTS,
} from '@calm/core';
import {
  type Forecast,
  type FormulaRecord,
  type Place,
  type Service,
  type Usage,
  type HouseBook,
  type Shift,
  STANDARD_KITCHEN,
  type PlanContent,
  type TimeInterval,
  type WeekDocument,
  type WeekDoughDocument,
} from '@calm/contract';
import { ballsToMake } from '../demand/ballsToMake';
import { forecastAt, spreadOf } from '../demand/forecastAt';
import { traysIn } from '../cold/traysIn';
import { routeInMixer, routeLoadMin } from '../formulas/mixingIn';
import { residueOf } from '../lots/recipe';
import { dateOfService, doughIdOf, serviceIdOf } from './weekIds';
import { instantOfMinute } from './weekProblem';

/** What a house knows that its week is planned from. */
export interface HouseWeek {
  readonly book: HouseBook;
  /** In time's order. */
  readonly services: readonly Service[];
  readonly shifts: readonly Shift[];
  readonly usage: readonly Usage[];
  readonly forecasts: readonly Forecast[];
  /** Nothing is planned before. */
  readonly nowMin: number;
  /** Local midnights of the days that are planned, ISO 8601. */
  readonly midnights: readonly string[];
  /** What was published: kept where that costs little. */
  readonly published: PlanContent;
}

/** A house's coming days as a week to be planned: one lot a day of each dough, at the hours people work. */
export function weekOfHouse(house: HouseWeek): WeekDocument {
  const { book, shifts, nowMin, published } = house;
  const { settings } = book.house;
  const kitchen = settings.kitchen ?? STANDARD_KITCHEN;
  const services = house.services.filter(({ startsAt }) => Date.parse(startsAt) > nowMin * 60_000);
  return {
    now: instantOfMinute(nowMin),
    services: services.map((service) => ({
      id: serviceIdOf(service),
      startsAt: service.startsAt,
      endsAt: service.endsAt,
      day: service.date,
    })),
    wanted: services.flatMap((service) =>
      service.counts
        .map((count) => ({
          serviceId: serviceIdOf(service),
          productId: count.productId,
          count: ballsToMake(count),
        }))
        .filter(({ count }) => count > 0),
    ),
    products: book.products.map((product) => ({
      id: product.id,
      doughId: doughIdOf(product),
      ballWeightG: product.ballWeightG,
      trimPercent: product.trimPercent,
      ballsPerTray: product.ballsPerTray,
    })),
    doughs: doughsOf(house),
    people: book.people.map(({ id, skills }) => ({
      id,
      skills,
      shifts: shifts
        .filter(({ personId }) => personId === id)
        .map(({ startsAt, endsAt }) => ({ startsAt, endsAt })),
    })),
    benchPlaces: kitchen.benchPlaces,
    places: book.places.map((place) => ({
      name: place.name,
      trays: traysIn(place),
      tubs: place.tubs,
      airByHour: airOf(place, house.midnights[0]),
    })),
    tubKg: kitchen.tubKg,
    unsocial: house.midnights.map((midnight): TimeInterval => {
      const at = (minute: number) => new Date(Date.parse(midnight) + minute * 60_000).toISOString();
      const { unsocialFromMin, unsocialUntilMin } = kitchen;
      return { startsAt: at(unsocialFromMin), endsAt: at(1440 + unsocialUntilMin) };
    }),
    underWay: { works: outOfOrder(house), rests: [] },
    published: publishedSteps(published.lots).map(({ startMin, ...step }) => ({
      ...step,
      startsAt: instantOfMinute(startMin),
    })),
    weights: STANDARD_WEIGHTS,
    usage: services.flatMap((service) =>
      house.usage
        .filter((each) => each.service === service.name)
        .map(({ productId, curve }) => ({
          serviceId: serviceIdOf(service),
          productId,
          curve,
          ...expectedAt(service, productId, house.forecasts),
        })),
    ),
    seconds: 10,
  };
}

/** A place's air by UTC, as its thermostat holds it or as its hours say. @param midnight a local one */
function airOf({ room, airByHour }: Place, midnight: string | undefined): AirFrom[] {
  if (room) return [{ fromMin: 0, airC: room.setC }];
  const startMin = midnight === undefined ? 0 : Date.parse(midnight) / MINUTE_MS;
  return airByHour.map(({ fromMin, airC }) => ({
    fromMin: (((startMin + fromMin) % DAY_MIN) + DAY_MIN) % DAY_MIN,
    airC,
  }));
}

/** What is expected of a product at a service; nothing where no forecast says. */
function expectedAt(
  service: Service,
  productId: string,
  forecasts: readonly Forecast[],
): Pick<WeekDocument['usage'][number], 'expected'> {
  const forecast = forecastAt(forecasts, service, productId);
  if (!forecast) return {};
  const count = service.counts.find((each) => each.productId === productId);
  const carried = count ? count.count - ballsToMake(count) : 0;
  return { expected: { mean: forecast.mean, cv: spreadOf(forecast), carried } };
}

/** Mixers while they are out of order, as if somebody worked at them; none of it before now. */
function outOfOrder({ book, nowMin }: HouseWeek): WeekDocument['underWay']['works'] {
  return book.mixers.flatMap(({ id, outOfOrder: off }) => {
    if (off === null || Date.parse(off.until) <= nowMin * MINUTE_MS) return [];
    const startMin = Math.max(nowMin, Math.floor(Date.parse(off.from) / MINUTE_MS));
    const startsAt = instantOfMinute(startMin);
    return [{ startsAt, endsAt: off.until, personIds: [], mixerId: id, bench: 0 }];
  });
}

/**
 * The mixers that a dough may be worked in: the one its formula is written for, and for lots that are too small or
 * too large for it the house's other machines. While its own is out of order, any of them.
 */
function mixersFor(
  { book, nowMin }: HouseWeek,
  record: FormulaRecord,
  route: Route,
): WeekDoughDocument['mixers'] {
  const { mixerId, formula } = record;
  const own = book.mixers.find(({ id }) => id === mixerId);
  if (!own) return [];
  const others = book.mixers.filter(({ id, kind }) => id !== mixerId && kind !== 'hand');
  const isOwnOff = own.outOfOrder && Date.parse(own.outOfOrder.until) > nowMin * MINUTE_MS;
  const { hydrationPercent } = effective(formula);
  const share = deratingShare(hydrationPercent, book.house.settings.derating);
  const usualMin = routeLoadMin(route);
  return [own, ...others].map((mixer) => {
    const perLoadMin = routeLoadMin(routeInMixer(book, record, route, mixer));
    return {
      mixerId: mixer.id,
      minDoughKg: mixer.minDoughKg,
      maxDoughKg: mixer.maxDoughKg * share,
      ...(mixer !== own && !isOwnOff && { isStandIn: true }),
      ...(perLoadMin !== usualMin && { perLoadMin }),
    };
  });
}

/** Every dough that something is made of, with the mixers it may be worked in. */
function doughsOf(house: HouseWeek): WeekDoughDocument[] {
  const { book } = house;
  const { altitudeM, learned } = book.house.settings;
  const residue = residueOf(book);
  const seen = new Set<string>();
  return [...book.products]
    .sort((a, b) => Number(a.isFromRemainders) - Number(b.isFromRemainders))
    .flatMap((product): WeekDoughDocument[] => {
      const id = doughIdOf(product);
      const record = book.formulas.find((each) => each.id === product.formulaId);
      const route = book.routes.find((each) => each.id === product.routeId);
      if (seen.has(id) || !record || !route) return [];
      seen.add(id);
      return [
        {
          id,
          route: route.stages,
          residuePercent: residue.percent,
          residuePerLoadG: residue.perLoadG,
          mixers: mixersFor(house, record, route.stages),
          formula: record.formula,
          doughTempC: record.doughTempC,
          prefermentTempC: book.house.settings.usualTempsC.preferment,
          target: product.target,
          ...(altitudeM !== undefined && { altitudeM }),
          ...(learned !== undefined && { constants: learned }),
        },
      ];
    });
}

/** Local dates of the services of a lot, in order. */
export const datesOf = ({ serviceIds }: { readonly serviceIds: readonly string[] }): string[] => [
  ...new Set(serviceIds.map(dateOfService)),
];
