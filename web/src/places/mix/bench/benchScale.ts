/*
 * The simulated bench scale that ships with the house: it behaves as a real one on a bench does, and stands
 * where a real one will. What is put on it is known exactly; what it shows swings, settles and is rounded.
 */

/** What a scale shows. */
export interface ScaleReading {
  /** Less what was tared, rounded to its step, g. */
  readonly grams: number;
  /** It has stopped swinging: the weight can be taken. */
  readonly isStable: boolean;
}

/** What lies on a scale, and since when. */
export interface ScaleLoad {
  readonly onItG: number;
  readonly taredG: number;
  /** When something was last put on or taken off, ms. */
  readonly touchedMs: number;
}

export const EMPTY_SCALE: ScaleLoad = { onItG: 0, taredG: 0, touchedMs: -Infinity };

/** It swings for so long after a touch, ms. */
const SETTLES_MS = 900;
/** How far it swings at first, share of what lies on it, and at least in steps. */
const SWING_SHARE = 0.004;
const SWING_STEPS = 2;
const SWINGS_A_SECOND = 3;

/** Puts something on, or takes it off when below nothing. Never less than nothing lies on a scale. */
export const putOn = (load: ScaleLoad, grams: number, atMs: number): ScaleLoad => ({
  ...load,
  onItG: Math.max(0, load.onItG + grams),
  touchedMs: atMs,
});

/** Counts from what lies on it now. */
export const tare = (load: ScaleLoad): ScaleLoad => ({ ...load, taredG: load.onItG });

/**
 * What the scale shows at a moment.
 *
 * @param stepG the smallest step it shows, g
 */
export function readScale(load: ScaleLoad, atMs: number, stepG: number): ScaleReading {
  const sinceMs = atMs - load.touchedMs;
  const isStable = sinceMs >= SETTLES_MS;
  const widthG = Math.max(load.onItG * SWING_SHARE, SWING_STEPS * stepG);
  const swingG = isStable
    ? 0
    : widthG *
      (1 - sinceMs / SETTLES_MS) *
      Math.sin((2 * Math.PI * SWINGS_A_SECOND * sinceMs) / 1000);
  const grams = Math.round((load.onItG - load.taredG + swingG) / stepG) * stepG;
  // Steps of 0.01 are no whole numbers of anything in binary.
  return { grams: Number(grams.toFixed(4)), isStable };
}

/**
 * How fast a hand pours, g a second: at first as fast as it can, slower the less is to go, and a trickle in
 * the end, as hands do.
 *
 * @param stepG the smallest step the scale shows, g
 */
export function pourRate(shownG: number, wantedG: number, stepG: number): number {
  const leftG = wantedG - shownG;
  return Math.max(Math.min(wantedG / 2.5, 1.5 * leftG), 2 * stepG);
}
