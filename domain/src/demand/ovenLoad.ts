import type { Oven } from '@calm/contract';
import { goneBy, MINUTE_MS, type UsageCurve } from '@calm/core';

/** What the ovens of a house have to do for a service. */
export interface OvenLoad {
  /** When each is to be lit so that it bakes at the test before doors, epoch ms; the earliest first. */
  readonly lightings: readonly { readonly name: string; readonly atMs: number }[];
  /** All of them together. */
  readonly ballsPerHour: number;
  /** The hour in which most is wanted; null where no sales tell. */
  readonly busiest: { readonly fromMs: number; readonly balls: number } | null;
}

/** Before doors one is baked to see how the ovens are, and there is time to turn them up or down, min. */
export const TEST_BAKE_MIN = 20;

/** Hours are looked at from every quarter on. */
const STEP_MIN = 15;
const HOUR_MIN = 60;

/**
 * When to light the ovens for a service, and whether they bake what its busiest hour wants.
 *
 * @param wanted balls of each product, and how they usually go over the service
 */
export function ovenLoad(
  ovens: readonly Oven[],
  service: { readonly doorsMs: number; readonly closeMs: number },
  wanted: readonly { readonly balls: number; readonly curve: UsageCurve }[],
): OvenLoad {
  const { doorsMs, closeMs } = service;
  const told = wanted.filter(({ balls, curve }) => balls > 0 && curve.length > 0);
  const lengthMin = (closeMs - doorsMs) / MINUTE_MS;
  const starts = Array.from(
    { length: Math.max(1, Math.floor((lengthMin - HOUR_MIN) / STEP_MIN) + 1) },
    (_, i) => i * STEP_MIN,
  );
  const hours = starts.map((minute) => ({
    fromMs: doorsMs + minute * MINUTE_MS,
    balls: told.reduce(
      (sum, { balls, curve }) =>
        sum + balls * (goneBy(curve, minute + HOUR_MIN) - goneBy(curve, minute)),
      0,
    ),
  }));
  return {
    lightings: ovens
      .map(({ name, heatUpMin }) => ({
        name,
        atMs: doorsMs - (heatUpMin + TEST_BAKE_MIN) * MINUTE_MS,
      }))
      .toSorted((a, b) => a.atMs - b.atMs),
    ballsPerHour: ovens.reduce((sum, oven) => sum + oven.ballsPerHour, 0),
    busiest:
      told.length === 0
        ? null
        : hours.reduce((most, hour) => (hour.balls > most.balls ? hour : most)),
  };
}
