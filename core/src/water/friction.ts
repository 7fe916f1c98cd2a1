import { median, medianAbsoluteDeviation } from 'simple-statistics';
import { factorCount, type MixTemperatures } from './temperature';

/** A load as it was logged: what went in and what came out, °C. */
export interface LoggedMix extends MixTemperatures {
  readonly waterTempC: number;
  readonly doughOutC: number;
}

/** A load as it was logged, with its day. */
export interface DatedMix extends LoggedMix {
  /** Local date, YYYY-MM-DD. */
  readonly date: string;
}

/**
 * What a mixer added to one load: n · T_out − Σ temperatures, °C of the n-fold sum.
 *
 * @example frictionOfLoadC({ roomTempC: 21, flourTempC: 20, waterTempC: 15, doughOutC: 24 }) // 16
 */
export function frictionOfLoadC(mix: LoggedMix): number {
  const given = mix.roomTempC + mix.flourTempC + mix.waterTempC + (mix.prefermentTempC ?? 0);
  return factorCount(mix) * mix.doughOutC - given;
}

/** A mixer's friction and what stands behind it. */
export interface LearnedFriction {
  readonly frictionC: number;
  /** Loads that were counted; 0 when the mixer's set value is used. */
  readonly loads: number;
  /** Loads left out as mis-read. */
  readonly leftOut: number;
  /** Typical scatter of one load around it, °C (1.4826 × median absolute deviation). */
  readonly scatterC: number;
}

/** No constant is moved on loads of fewer days than this (docs/dough-science.md § 8): loads of one day share their kitchen. */
export const FEWEST_DAYS_TO_LEARN = 5;
/** Loads that count: what a mixer did in another season says little of today. */
const LAST_LOADS = 40;
/** Beyond this many scatters a thermometer was mis-read. */
const OUTLIER_SCATTERS = 3;
/** Makes a median absolute deviation comparable to a standard deviation of normal data. */
const MAD_TO_SIGMA = 1.4826;
/** Two thermometers read to 0.1 °C cannot scatter less than this in the n-fold sum. */
const LEAST_SCATTER_C = 0.5;

/**
 * A mixer's friction from its log: mean of the loads after those far from the median are set
 * aside. Pass only loads of the same mixer, and of like speed, minutes, size and hydration.
 *
 * @param mixes logged loads, oldest first
 * @param setFrictionC the value set for the mixer, used until there are loads of five days
 */
export function learnFriction(mixes: readonly DatedMix[], setFrictionC: number): LearnedFriction {
  const last = mixes.filter((mix) => Number.isFinite(frictionOfLoadC(mix))).slice(-LAST_LOADS);
  const frictions = last.map(frictionOfLoadC);
  if (new Set(last.map(({ date }) => date)).size < FEWEST_DAYS_TO_LEARN) {
    return { frictionC: setFrictionC, loads: 0, leftOut: 0, scatterC: 0 };
  }
  const middle = median(frictions);
  const scatterC = MAD_TO_SIGMA * medianAbsoluteDeviation(frictions);
  const reach = OUTLIER_SCATTERS * Math.max(scatterC, LEAST_SCATTER_C);
  const kept = frictions.filter((friction) => Math.abs(friction - middle) <= reach);
  return {
    frictionC: kept.reduce((sum, friction) => sum + friction, 0) / kept.length,
    loads: kept.length,
    leftOut: frictions.length - kept.length,
    scatterC,
  };
}
