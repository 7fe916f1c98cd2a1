import type { Flour } from '../../formula';
import { STARTING } from './constants';

/** How much ripening and rise a flour stands, and how sure we are of it. */
export interface FlourLimits {
  /** Strength W, 10⁻⁴ J, given or guessed. */
  readonly strengthW: number;
  /** Usable maturity, hours-at-20 °C. */
  readonly mostMaturityH: number;
  /** Where W comes from. From protein it is a rough guess, ±40; with neither a middling flour. */
  readonly basis: 'strength' | 'protein' | 'assumed';
  /** How far W may be off. */
  readonly strengthOffBy: number;
}

/** A middling pizza flour, where a house says nothing about its own. */
const ASSUMED_W = 260;
/** One lab's W against another's. */
const W_OFF_BY = 15;
const W_FROM_PROTEIN_OFF_BY = 40;
const W_ASSUMED_OFF_BY = 60;
/** W of flour that will not ferment at all to one that nobody sells. */
const [LEAST_W, MOST_W] = [120, 500];

/**
 * W from protein: W ≈ 40 · (protein % − 6). A rough guess, ±40.
 *
 * @example strengthFromProtein(13) // 280
 */
export function strengthFromProtein(proteinPercent: number): number {
  return 40 * (proteinPercent - 6);
}

/** Usable maturity by strength: (W − 100) / 8 hours-at-20 °C. */
export function mostMaturityH(strengthW: number): number {
  return (Math.min(MOST_W, Math.max(LEAST_W, strengthW)) - 100) / 8;
}

/**
 * A blend's limits. Strengths mix by share; the least sure flour decides how sure the blend is.
 *
 * @param flours shares in percent, at least one
 */
export function flourLimits(flours: readonly Flour[]): FlourLimits {
  const parts = flours.map((flour) => ({ share: flour.percent, ...strengthOf(flour) }));
  const total = parts.reduce((sum, part) => sum + part.share, 0);
  const strengthW = parts.reduce((sum, part) => sum + part.w * part.share, 0) / total;
  const leastSure = parts.reduce((a, b) => (b.offBy > a.offBy ? b : a));
  return {
    strengthW,
    mostMaturityH: mostMaturityH(strengthW),
    basis: leastSure.basis,
    strengthOffBy: leastSure.offBy,
  };
}

function strengthOf(flour: Flour): { w: number; offBy: number; basis: FlourLimits['basis'] } {
  if (flour.strengthW !== undefined) {
    return { w: flour.strengthW, offBy: W_OFF_BY, basis: 'strength' };
  }
  if (flour.proteinPercent !== undefined) {
    const w = strengthFromProtein(flour.proteinPercent);
    return { w, offBy: W_FROM_PROTEIN_OFF_BY, basis: 'protein' };
  }
  return { w: ASSUMED_W, offBy: W_ASSUMED_OFF_BY, basis: 'assumed' };
}

/** Below this hydration dough holds less gas. */
const SOFT_HYDRATION_PERCENT = 60;

/**
 * The most a dough can swell before it lets go: about 4.2 volumes at W 300, less for weak flour
 * (0.5 per 100 W) and dry dough (0.05 per % under 60). Starting values.
 *
 * @returns volumes over the gas-free dough, 2–6
 */
export function mostRise(
  strengthW: number,
  hydrationPercent: number,
  constants = STARTING,
): number {
  const weak = (300 - strengthW) * 0.005;
  const dry = Math.max(0, SOFT_HYDRATION_PERCENT - hydrationPercent) * 0.05;
  return Math.min(6, Math.max(2, constants.mostRiseAtW300 - weak - dry));
}
