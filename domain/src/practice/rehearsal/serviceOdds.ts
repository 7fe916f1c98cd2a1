import type { Evenings } from './evenings';
import {
  drawsOf,
  EVENINGS,
  goodShares,
  guestsOf,
  meanOf,
  outcomeOf,
  weatherOf,
  type Outcome,
  type PartFutures,
} from './outcomes';
import type { ServicePart } from './servicePart';
import { surrogateOf } from './surrogate';

/** Futures that only a curve is asked about, and evenings of each. */
const MANY = 2000;
const MANY_EVENINGS = 1;

/** A part with its futures and what they come to. */
export interface PartOutcome {
  readonly part: ServicePart;
  readonly known: PartFutures;
  readonly evenings: Evenings;
  readonly outcome: Outcome;
}

/**
 * A service's odds: those of the futures that were followed, put right by what a curve through them says of these few
 * against very many (a control variate: Glasserman 2003, 4.1).
 */
export function serviceOdds(of: readonly PartOutcome[], seed: number): number {
  const guests = of.reduce((sum, { part }) => sum + guestsOf(part), 0);
  const followed = meanOf(
    goodShares(
      of.map(({ outcome }) => outcome),
      guests,
    ),
  );
  const curves = of.map(({ known }) => surrogateOf(known.draws, known.windows));
  if (curves.some((curve) => curve === null)) return followed;
  const weather = weatherOf(seed + 2, MANY);
  const byCurve = (isMany: boolean): number => {
    const told = of.map(({ part, known, evenings }, i): Outcome => {
      const draws = isMany ? drawsOf(part, weather, seed + 3) : known.draws;
      const windows = draws.map((draw) => curves[i]?.(draw) ?? null);
      return outcomeOf(part, { draws, windows }, evenings, isMany ? MANY_EVENINGS : EVENINGS);
    });
    return meanOf(goodShares(told, guests));
  };
  return Math.min(1, Math.max(0, followed + byCurve(true) - byCurve(false)));
}
