import {
  EVENINGS_OF_WEEK,
  type HouseBook,
  type PracticeWeek,
  type Sale,
  type Service,
  type Situation,
} from '@calm/contract';
import { goneBy, MINUTE_MS, QUARTER_MIN, usageCurve, type UsageCurve } from '@calm/core';
import type { DoughAsItWent } from './doughAsItWent';
import { eveningDoughs } from './readingDoughs';
import { USUAL_EVENING } from './usualEvening';

/** What a house has on record of an evening. */
export interface PastEvening {
  readonly service: Service;
  readonly sales: readonly Sale[];
  /** How guests come to such a service; even where nobody knows. */
  readonly curve: UsageCurve | null;
  /** How much warmer the cold was than it is set to, by its probes, °C; null where none was read. */
  readonly coldBy: number | null;
  /** How warm the room was by a probe, °C; null where none hangs. */
  readonly roomC: number | null;
  /** Its doughs, as far as there is a record of them. */
  readonly doughs: readonly DoughAsItWent[];
}

/** As an evening begins, before its doors, min. */
const BEFORE_MIN = 150;
/** Doughs of an evening, and trays of each. */
const MOST_DOUGHS = 2;
const MOST_TRAYS = 12;
/** A service's length as it is practised, min. */
const LENGTH_MIN = { least: 60, most: 480 } as const;
/** Guests against those who were expected. */
const GUESTS = { least: 0.1, most: 3 } as const;
const COLD_BY = { least: -6, most: 20 } as const;
const BENCH_BY = { least: -12, most: 15 } as const;
const OLDER_H = { least: -48, most: 72 } as const;
const DOUGH_BY = { least: -10, most: 10 } as const;
const YEAST = { least: 0.2, most: 2 } as const;
const STRENGTH = { least: 0.5, most: 1.5 } as const;
/** The share of an evening that had gone when it sold out is no less. */
const LEAST_GONE = 0.2;
const HOURS_IN_COLD = 12;

interface Bounds {
  readonly least: number;
  readonly most: number;
}
const within = (value: number, { least, most }: Bounds) => Math.min(most, Math.max(least, value));
/** Within bounds, to so many parts of one. */
const rounded = (value: number, bounds: Bounds, parts: number) =>
  Math.round(parts * within(value, bounds)) / parts;

/**
 * An evening of the house's past, to be practised: its guests, how they came, how warm cold and room were, and how its
 * doughs went. Nobody's name is in it.
 *
 * @param title what it is called
 * @returns null where nothing was sold of what can be practised
 */
export function situationOfEvening(
  book: HouseBook,
  { service, sales, curve, coldBy, roomC, doughs: went }: PastEvening,
  title: string,
): Situation | null {
  const { date, patternId, counts } = service;
  const ofService = sales.filter((sale) => sale.date === date && sale.patternId === patternId);
  const doughs = eveningDoughs(book).slice(0, MOST_DOUGHS);
  const lengthMin = (Date.parse(service.endsAt) - Date.parse(service.startsAt)) / MINUTE_MS;
  const shares = curve ?? usageCurve([], Math.max(QUARTER_MIN, lengthMin));
  let [planned, came] = [0, 0];
  const trays = doughs.map(({ product }) => {
    const count = counts.find(({ productId }) => productId === product.id)?.count ?? 0;
    const sale = ofService.find(({ productId }) => productId === product.id);
    if (count > 0 && sale) {
      planned += count;
      came += wantedOf(sale, shares);
    }
    return Math.min(MOST_TRAYS, Math.max(1, Math.ceil(count / product.ballsPerTray)));
  });
  if (planned === 0 || came === 0) return null;
  const by = rounded(coldBy ?? 0, COLD_BY, 10);
  const asItWent = doughs.map(({ product }) => went.find((each) => each.productId === product.id));
  const [first] = asItWent.filter((each) => each !== undefined);
  const usualC = book.house.settings.usualTempsC.room;
  const benchC = roomC ?? first?.roomC ?? usualC;
  return {
    ...USUAL_EVENING,
    name: `own-${date}-${patternId.toLowerCase().replace(/[^a-z0-9]/g, '')}`.slice(0, 55),
    title,
    doorsInMin: BEFORE_MIN,
    serviceMin: Math.round(within(lengthMin, LENGTH_MIN)),
    trays,
    guests: rounded(came / planned, GUESTS, 100),
    ...(curve && curve.length >= 4 && { usualShares: [...curve] }),
    coldBy: by,
    coldSinceH: HOURS_IN_COLD,
    coldShownBy: by,
    benchBy: rounded(benchC - usualC, BENCH_BY, 10),
    // Most of its balls are of its first dough.
    yeast: rounded(first?.yeast ?? 1, YEAST, 100),
    strength: rounded(first?.strength ?? 1, STRENGTH, 100),
    olderH: asItWent.map((each) => rounded(each?.olderH ?? 0, OLDER_H, 10)),
    doughBy: asItWent.map((each) => rounded(each?.doughBy ?? 0, DOUGH_BY, 10)),
  };
}

/** Balls that were wanted: sold, and of an evening that sold out what would have gone after. */
const wantedOf = ({ sold, soldOutMin }: Sale, curve: UsageCurve): number =>
  soldOutMin === null ? sold : sold / Math.max(LEAST_GONE, goneBy(curve, soldOutMin));

/**
 * Evenings of the house's past in a row, to be practised one after the other.
 *
 * @param titleOf what an evening is called
 * @param title what they are called together
 * @returns null where too few of them can be practised
 */
export function weekOfEvenings(
  book: HouseBook,
  past: readonly PastEvening[],
  titleOf: (evening: PastEvening) => string,
  title: string,
): PracticeWeek | null {
  const evenings = past.flatMap((each) => situationOfEvening(book, each, titleOf(each)) ?? []);
  const [first] = evenings;
  if (!first || evenings.length < EVENINGS_OF_WEEK.least) return null;
  return { name: `${first.name}-on`, title, evenings: evenings.slice(-EVENINGS_OF_WEEK.most) };
}
