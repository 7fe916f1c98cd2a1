/** How dough should be when it is opened. */
export interface Target {
  readonly riseMin: number;
  readonly riseMax: number;
  readonly risePeak: number;
  /** The middle must be at least this warm, °C. */
  readonly openTempC: number;
  /** Least maturity, hours-at-20 °C. */
  readonly maturityMinH: number;
}

/** A hand-opened ball (docs/dough-science.md § 4). Thin, sheeted or flat-baked products set a low band. */
export const STANDARD_TARGET = {
  riseMin: 1.6,
  riseMax: 2.4,
  risePeak: 1.95,
  openTempC: 15,
  maturityMinH: 6,
} as const satisfies Target;

/** How a lot stands. Ready but cold needs tempering, not fermenting. */
export type DoughState = 'tight' | 'waking' | 'ready-but-cold' | 'ready' | 'soft' | 'spent';

/** From this share of the way to the band, dough is waking. */
const WAKING_SHARE = 0.4;
/** Past its flour's limit by this much, or its band by this much, dough is spent. */
const SPENT_MATURITY = 1.25;
const SPENT_RISE = 1.25;

/**
 * The state of dough.
 *
 * @param rise volumes since the last shaping
 * @param maturityH hours-at-20 °C
 * @param mostMaturityH the flour's limit
 * @param coreTempC °C
 */
export function stateOf(
  rise: number,
  maturityH: number,
  mostMaturityH: number,
  coreTempC: number,
  target: Target = STANDARD_TARGET,
): DoughState {
  if (isSpent(rise, maturityH, mostMaturityH, target)) return 'spent';
  if (maturityH > mostMaturityH || rise > target.riseMax) return 'soft';
  if (rise >= target.riseMin && maturityH >= target.maturityMinH) {
    return coreTempC >= target.openTempC ? 'ready' : 'ready-but-cold';
  }
  return rise >= 1 + (target.riseMin - 1) * WAKING_SHARE ? 'waking' : 'tight';
}

/** Whether dough is past all use: over-ripe for its flour or blown far past its band. */
export function isSpent(
  rise: number,
  maturityH: number,
  mostMaturityH: number,
  target: Target,
): boolean {
  return maturityH > mostMaturityH * SPENT_MATURITY || rise > target.riseMax * SPENT_RISE;
}
