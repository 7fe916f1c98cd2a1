/** How dough should be when it is opened. */
export interface Target {
  /** Volumes off the mixer between which it opens well, and the best. */
  readonly riseMin: number;
  readonly riseMax: number;
  readonly risePeak: number;
  /** The middle must be at least this warm, °C. */
  readonly openTempC: number;
  /** Least maturity, hours-at-20 °C: a wish for flavour, never a gate. */
  readonly maturityMinH: number;
}

/** A hand-opened ball (docs/dough-science.md § 4). Thin, sheeted or flat-baked products set a low band. */
export const STANDARD_TARGET = {
  riseMin: 1.6,
  riseMax: 2.5,
  risePeak: 2,
  openTempC: 12,
  maturityMinH: 0,
} as const satisfies Target;

/** How balls stand, and how dough in its tub does. Ready but cold needs tempering, not fermenting. */
export type DoughState = BallState | BulkState;
/** How balls stand. */
export type BallState = 'tight' | 'waking' | 'ready-but-cold' | 'ready' | 'soft' | 'over-proofed';
/** How dough in its tub does. */
export type BulkState = 'rising' | 'risen' | 'past-best';

/** What dough is judged by. */
export interface DoughLook {
  /** Over the volume off the mixer. */
  readonly volume: number;
  /** Since it was shaped, 0–1. */
  readonly relaxed: number;
  /** Odds that it still holds, 0–1. */
  readonly holding: number;
  readonly coreTempC: number;
}

/** Relaxation times after which a ball opens without springing back: half an hour at 20 °C. */
export const OPENS_AFTER_TIMES = 1.5;
/** The same as `relaxed`. */
export const RELAXED_ENOUGH = 1 - Math.exp(-OPENS_AFTER_TIMES);
/** Dough that holds less often than this is not opened any more. */
export const EVEN_ODDS = 0.5;
/** From this share of the way to the band, dough is waking. */
const WAKING_SHARE = 0.4;
/** Past its band by this much, or holding this seldom, dough is over-proofed. */
const OVER_PROOFED_RISE = 1.25;
export const OVER_PROOFED_ODDS = 0.1;
/** Volumes from which dough in its tub has risen. */
const BULK_RISEN = 1.7;
/** Volumes from which dough in its tub will fall. */
export const BULK_PAST = 3.4;

/** The state of balls. */
export function ballState(look: DoughLook, target: Target = STANDARD_TARGET): BallState {
  const { volume, relaxed, holding, coreTempC } = look;
  if (isOverProofed(look, target)) return 'over-proofed';
  if (volume > target.riseMax || holding < EVEN_ODDS) return 'soft';
  if (volume >= target.riseMin) {
    if (relaxed < RELAXED_ENOUGH) return 'tight';
    return coreTempC >= target.openTempC ? 'ready' : 'ready-but-cold';
  }
  return volume >= 1 + (target.riseMin - 1) * WAKING_SHARE ? 'waking' : 'tight';
}

/** The state of dough in its tub: never judged by a ball's band. */
export function bulkState({ volume, holding }: DoughLook): BulkState {
  if (volume > BULK_PAST || holding < EVEN_ODDS) return 'past-best';
  return volume >= BULK_RISEN ? 'risen' : 'rising';
}

/** The state of dough in either. */
export const stateOf = (
  kind: 'bulk' | 'ball',
  look: DoughLook,
  target: Target = STANDARD_TARGET,
): DoughState => (kind === 'bulk' ? bulkState(look) : ballState(look, target));

/** Whether balls are past all use: blown far past their band, or hardly ever holding. */
export const isOverProofed = (
  { volume, holding }: Pick<DoughLook, 'volume' | 'holding'>,
  target: Target,
): boolean => isBlown(volume, target) || holding < OVER_PROOFED_ODDS;

/** Whether balls are blown far past their band. */
export const isBlown = (volume: number, { riseMax }: Target): boolean =>
  volume > riseMax * OVER_PROOFED_RISE;

/** Spread of what is not known to the minute, one standard deviation: of ln gas, of ln relaxation times, of °C. */
const GAS_SPREAD = 0.17;
const RELAXATION_SPREAD = 0.25;
const CORE_SPREAD_C = 1;
/** Logistic for normal: as steep in the middle. */
const STEEPER = 1.702;

const odds = (z: number): number => 1 / (1 + Math.exp(-STEEPER * z));

/**
 * Odds that balls open well at a moment: that they are in their band, relaxed, warm enough, and hold.
 *
 * @returns 0–1; at each single bound one in two
 */
export function openingOdds(look: DoughLook, target: Target = STANDARD_TARGET): number {
  const { started, lasting } = bandOdds(look, target);
  return started * lasting;
}

/**
 * Odds that balls are in their window already, and that they are not past it.
 *
 * @param gasSpread what is not known of their gas, one standard deviation of its ln
 */
export function bandOdds(
  { volume, relaxed, holding, coreTempC }: DoughLook,
  target: Target = STANDARD_TARGET,
  gasSpread = GAS_SPREAD,
): { readonly started: number; readonly lasting: number } {
  const gas = Math.log(Math.max(1e-6, volume - 1));
  const isRisen = odds((gas - Math.log(Math.max(1e-6, target.riseMin - 1))) / gasSpread);
  const isInBand = odds((Math.log(Math.max(1e-6, target.riseMax - 1)) - gas) / gasSpread);
  const times = -Math.log(Math.max(1e-12, 1 - relaxed));
  const isRelaxed = odds(Math.log(Math.max(1e-6, times) / OPENS_AFTER_TIMES) / RELAXATION_SPREAD);
  const isWarm = odds((coreTempC - target.openTempC) / CORE_SPREAD_C);
  return { started: isRisen * isRelaxed * isWarm, lasting: isInBand * holding };
}
