import type { HouseBook, Product, Situation } from '@calm/contract';
import {
  QUARTER_MIN,
  type DoughRoute,
  type DoughStage,
  type Evening,
  type EveningDough,
  type EveningTray,
  type TraysKept,
} from '@calm/core';
import { routeOfDocument, targetOf } from '../formulas/simulateDough';
import { eveningDoughs, type ReadableDough } from './readingDoughs';

/** A situation on a house's own doughs. */
export interface PracticeEvening {
  readonly products: readonly Product[];
  /** As it really is, and as it is taken to be. */
  readonly really: Evening;
  readonly believed: Evening;
  /** What the cold's display shows, °C. */
  readonly coldShownC: number;
}

/** What stands in the cold as an evening begins, dough by dough, where it is not what was planned for it. */
export interface Stock {
  /** Trays that were made for it. */
  readonly made: readonly number[];
  /** Trays that are left of evenings before. */
  readonly kept: readonly TraysKept[];
}

/** A place is cold where dough waits in it, up to °C. */
const COLD_C = 10;
/** Where a dough's balls never wait in the cold, they are put there as they are balled. */
const PUT_AWAY = { hours: 3, airTempC: 4 } as const;

/** A dough until its evening begins, and the bench it is then opened from. */
interface WaitingDough extends ReadableDough {
  readonly route: DoughRoute;
  readonly bench: DoughStage;
}

/**
 * A situation on a house's own doughs, the first of its book.
 *
 * @param stock as planned for it when absent
 * @returns null where the house has no dough whose balls are opened
 */
export function practiceEvening(
  book: HouseBook,
  situation: Situation,
  stock?: Stock,
): PracticeEvening | null {
  const doughs = eveningDoughs(book)
    .flatMap((each) => waiting(each, book) ?? [])
    .slice(0, situation.trays.length);
  const [first] = doughs;
  if (!first) return null;
  const coldC = first.route.stages.at(-1)?.airTempC ?? PUT_AWAY.airTempC;
  const eveningWith = (isReal: boolean): Evening => ({
    doorsMin: situation.doorsInMin,
    hands: situation.hands,
    hasMixer: situation.hasMixer,
    cold: placeOf('cold', first.route.stages.at(-1), isReal ? situation.coldBy : 0),
    bench: placeOf('bench', first.bench, isReal ? situation.benchBy : 0),
    doughs: doughs.map((dough, i) => {
      const kept = stock?.kept[i];
      return eveningDough(dough, situation, i, {
        isReal,
        made: stock?.made[i] ?? situation.trays[i] ?? 1,
        kept: (isReal ? kept?.really : kept?.believed) ?? [],
      });
    }),
  });
  return {
    products: doughs.map(({ product }) => product),
    really: eveningWith(true),
    believed: eveningWith(false),
    coldShownC: coldC + situation.coldShownBy,
  };
}

const placeOf = (name: string, stage: DoughStage | undefined, byC: number) => ({
  name,
  airTempC: (stage?.airTempC ?? PUT_AWAY.airTempC) + byC,
  container: stage?.container ?? ('lidded-tray' as const),
});

/** A dough as it waits when its evening begins: its way until its balls leave the cold for good. */
function waiting(dough: ReadableDough, book: HouseBook): WaitingDough | null {
  const told = routeOfDocument(dough.document);
  if (!told.ok) return null;
  const { stages } = told.value;
  const last = stages.at(-1);
  if (!last) return null;
  const isCold = ({ kind, airTempC }: DoughStage) => kind === 'ball' && airTempC <= COLD_C;
  const cold = stages.findLastIndex(isCold);
  const before = stages.filter(({ kind }) => kind === 'bulk');
  const putAway: DoughStage = { ...last, ...PUT_AWAY };
  const warm = { ...last, airTempC: book.house.settings.usualTempsC.room };
  return {
    ...dough,
    route: {
      ...told.value,
      stages: cold >= 0 ? stages.slice(0, cold + 1) : [...before, putAway],
    },
    bench: isCold(last) ? warm : last,
  };
}

function eveningDough(
  { route, product, document }: WaitingDough,
  situation: Situation,
  at: number,
  {
    isReal,
    made,
    kept,
  }: {
    readonly isReal: boolean;
    readonly made: number;
    readonly kept: readonly EveningTray[];
  },
): EveningDough {
  const trays = situation.trays[at] ?? 1;
  const expected = (trays * product.ballsPerTray) / situation.ballsPerGuest;
  const usual = sharesOver(situation.usualShares, usualShares(situation.serviceMin));
  const shares = isReal ? sharesOver(situation.shares, usual) : usual;
  const guests = expected * (isReal ? situation.guests : 1);
  const asIs = isReal ? routeAsIs(route, situation, at) : route;
  const tray: EveningTray = { route: asIs, balls: product.ballsPerTray, nights: 0 };
  return {
    route: asIs,
    target: targetOf(document),
    trays: [...Array.from({ length: made }, () => tray), ...kept],
    ballsPerTray: product.ballsPerTray,
    perQuarter: shares.map((share) => share * guests),
  };
}

/** A dough as it really went: its yeast, its flour, its hours and the cold that it stood in. */
function routeAsIs(
  route: DoughRoute,
  { yeast, strength, olderH, doughBy, coldBy, coldSinceH }: Situation,
  at: number,
): DoughRoute {
  const last = route.stages.at(-1);
  if (!last) return route;
  const hours = Math.max(0, last.hours + (olderH[at] ?? 0));
  const since = Math.min(hours, coldSinceH);
  const parts = [
    { ...last, hours: hours - since },
    { ...last, hours: since, airTempC: last.airTempC + coldBy },
  ].filter((stage) => stage.hours > 0);
  return {
    ...route,
    doughTempC: route.doughTempC + (doughBy?.[at] ?? 0),
    ...(yeast !== 1 && { yeastActivity: (route.yeastActivity ?? 1) * yeast }),
    ...(strength !== 1 && { endurance: (route.endurance ?? 1) * strength }),
    stages: [...route.stages.slice(0, -1), ...(parts.length > 0 ? parts : [{ ...last, hours: 0 }])],
  };
}

/** How guests usually come: few at first, most in the middle, some late. */
const usualShares = (serviceMin: number): number[] => {
  const quarters = Math.max(1, Math.round(serviceMin / QUARTER_MIN));
  return shared(
    Array.from({ length: quarters }, (_, i) => 0.25 + Math.sin((Math.PI * (i + 0.5)) / quarters)),
  );
};

/** Shares over as many quarters as it is served; as usual where nothing is said. */
function sharesOver(shares: readonly number[] | undefined, usual: readonly number[]): number[] {
  if (!shares) return [...usual];
  return shared(
    usual.map((_, i) => shares[Math.floor((i * shares.length) / usual.length)] as number),
  );
}

const shared = (parts: readonly number[]): number[] => {
  const sum = parts.reduce((all, part) => all + part, 0);
  return parts.map((part) => part / sum);
};
