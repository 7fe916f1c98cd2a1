import { demandQuantile, demandShareBelow, type DemandSpread } from './distribution';

/** What a missing ball and a ball that is left cost, in the house's own money. */
export interface ShortageCosts {
  readonly short: number;
  readonly left: number;
}

/**
 * How often there should be enough: the newsvendor's share, short ÷ (short + left).
 *
 * @returns 0.005–0.995: where leftovers cost more than missing balls, fewer than half the services have enough
 */
export function enoughShare({ short, left }: ShortageCosts): number {
  const share = short + left > 0 ? short / (short + left) : 0.5;
  return Math.min(0.995, Math.max(0.005, share));
}

/** Balls to have ready so that they are enough this often; whole, and never below nothing. */
export function ballsToHave(mean: number, spread: DemandSpread, share: number): number {
  return Math.round(demandQuantile(mean, spread, share));
}

/** One point of the curve between too few and too many. */
export interface ReadyPoint {
  readonly balls: number;
  /** Share of services that this many balls are enough for. */
  readonly enough: number;
  /** Balls missing and left over on average. */
  readonly shortBalls: number;
  readonly leftBalls: number;
}

const STEPS = 200;

/** What having some number of balls ready comes to, on average. */
export function readyPoint(mean: number, spread: DemandSpread, balls: number): ReadyPoint {
  let [shortBalls, leftBalls] = [0, 0];
  for (let i = 0; i < STEPS; i += 1) {
    const wanted = demandQuantile(mean, spread, (i + 0.5) / STEPS);
    shortBalls += Math.max(0, wanted - balls) / STEPS;
    leftBalls += Math.max(0, balls - wanted) / STEPS;
  }
  return { balls, enough: demandShareBelow(mean, spread, balls), shortBalls, leftBalls };
}
