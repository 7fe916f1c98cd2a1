import type { Flour } from '../../formula';
import { STARTING } from './constants';

/** How much ripening and rise a flour stands, and how sure we are of it. */
export interface FlourLimits {
  /** Strength W, 10⁻⁴ J, given or guessed. */
  readonly strengthW: number;
  /** Rule-of-thumb hours at 20 °C: from here on a flour is watched, not over. */
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

/**
 * Rule-of-thumb hours by strength: (W − 100) / 8 at 20 °C. People succeed at 1.0 to 1.7 times as long every day:
 * it is advice, and odds (`holdingOdds`), never a limit.
 *
 * @example mostMaturityH(300) // 25
 */
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

/** Age at which half a dough's strength is gone, as a share of its flour's hours, and how steeply. */
const HALF_STRENGTH = 1.7;

/**
 * Strength that dough has left: 1 while its flour is young, half at 1.7 times the flour's hours, never a cliff.
 *
 * @param age as a share of the flour's hours
 * @example strengthLeft(1.7) // 0.5
 */
export function strengthLeft(age: number): number {
  if (age < 0.5) return 1;
  const r = age / HALF_STRENGTH;
  const cube = r * r * r;
  return 1 / (1 + cube * cube);
}

/** Age at which dough opens well one time in two, as a share of its flour's hours. */
export const EVEN_ODDS_AGE = 1.5;
/** Spread of endurance between flours of one strength, of ln. */
const ENDURANCE_SPREAD = 0.227;

/**
 * How steeply the odds fall with age: less where a flour's strength is less sure.
 *
 * @param offBy how far W may be off
 */
export function holdingSteepness(strengthW: number, offBy: number): number {
  const byStrength = offBy / Math.max(20, strengthW - 100);
  return Math.PI / (Math.sqrt(3) * Math.hypot(ENDURANCE_SPREAD, byStrength));
}

/** The age at which dough holds so seldom, as a share of its flour's hours: the inverse of `holdingOdds`. */
export const ageAtOdds = (odds: number, steepness: number): number =>
  EVEN_ODDS_AGE * (1 / odds - 1) ** (1 / steepness);

/**
 * Odds that dough still holds when it is opened, by its age: even at 1.5 times its flour's hours.
 *
 * @param age as a share of the flour's hours
 * @param steepness see `holdingSteepness`
 * @example holdingOdds(1, holdingSteepness(280, 15)) // 0.95
 */
export function holdingOdds(age: number, steepness: number): number {
  if (age < 0.4) return 1;
  return 1 / (1 + (age / EVEN_ODDS_AGE) ** steepness);
}

/** Bran of a blend, percent of all its flour. */
export const branOf = (flours: readonly Flour[]): number =>
  flours.reduce((sum, { percent, branPercent = 0 }) => sum + (percent * branPercent) / 100, 0);

/** Below this hydration dough holds less gas. */
const SOFT_HYDRATION_PERCENT = 60;

/**
 * The most a dough can swell before it lets go: about 4.2 volumes at W 300, less for weak flour
 * (0.5 per 100 W) and dry dough (0.05 per % under 60); a little fat helps, much does not, and bran cuts its skin
 * (0.6 % of it per % of bran in the flour). Rules of thumb.
 *
 * @returns volumes over the dough off the mixer, 2–6
 */
export function mostRise(
  strengthW: number,
  hydrationPercent: number,
  { fatPercent = 0, branPercent = 0 } = {},
  constants = STARTING,
): number {
  const bran = 1 - 0.006 * branPercent;
  const fat = 1 + 0.04 * Math.min(3, fatPercent) - 0.02 * Math.max(0, fatPercent - 3);
  const weak = (300 - strengthW) * 0.005;
  const dry = Math.max(0, SOFT_HYDRATION_PERCENT - hydrationPercent) * 0.05;
  return Math.min(6, Math.max(2, (constants.mostRiseAtW300 - weak - dry) * fat * bran));
}
