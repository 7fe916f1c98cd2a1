import type { HouseBook, Sale, Service, Situation } from '@calm/contract';
import { goneBy, MINUTE_MS, QUARTER_MIN, usageCurve, type UsageCurve } from '@calm/core';
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
/** The share of an evening that had gone when it sold out is no less. */
const LEAST_GONE = 0.2;
const HOURS_IN_COLD = 12;

const within = (value: number, { least, most }: { least: number; most: number }) =>
  Math.min(most, Math.max(least, value));

/**
 * An evening of the house's past, to be practised: its guests, how they came, and how warm the cold was. Nobody's name
 * is in it.
 *
 * @param title what it is called
 * @returns null where nothing was sold of what can be practised
 */
export function situationOfEvening(
  book: HouseBook,
  { service, sales, curve, coldBy }: PastEvening,
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
  const by = coldBy === null ? 0 : Math.round(10 * within(coldBy, COLD_BY)) / 10;
  return {
    ...USUAL_EVENING,
    name: `own-${date}-${patternId.toLowerCase().replace(/[^a-z0-9]/g, '')}`.slice(0, 60),
    title,
    doorsInMin: BEFORE_MIN,
    serviceMin: Math.round(within(lengthMin, LENGTH_MIN)),
    trays,
    guests: Math.round(100 * within(came / planned, GUESTS)) / 100,
    ...(curve && curve.length >= 4 && { usualShares: [...curve] }),
    coldBy: by,
    coldSinceH: HOURS_IN_COLD,
    coldShownBy: by,
    olderH: trays.map(() => 0),
  };
}

/** Balls that were wanted: sold, and of an evening that sold out what would have gone after. */
const wantedOf = ({ sold, soldOutMin }: Sale, curve: UsageCurve): number =>
  soldOutMin === null ? sold : sold / Math.max(LEAST_GONE, goneBy(curve, soldOutMin));
