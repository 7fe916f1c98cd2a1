import type { YeastForm } from '../../formula';
import { STARTING } from './constants';

const { exp } = Math;

/** Hydration at which the salt's brake is what the constant says, percent. */
const USUAL_HYDRATION_PERCENT = 63;

/**
 * Gas left by salt: 1 − 0.09 per % of flour at 63 % water, more of a brake in dry dough, never under 0.3.
 *
 * @example saltFactor(2, 63) // 0.82
 */
export function saltFactor(
  saltPercent: number,
  hydrationPercent = USUAL_HYDRATION_PERCENT,
  constants = STARTING,
): number {
  const stronger = Math.sqrt(USUAL_HYDRATION_PERCENT / Math.max(1, hydrationPercent));
  return Math.max(0.3, 1 - constants.saltBrake * saltPercent * stronger);
}

/** Sugar from here on draws water from the yeast, … */
const BRAKING_SUGAR_PERCENT = 5;
/** … down to half the gas at this much. */
const HALVING_SUGAR_PERCENT = 15;
const MOST_HELP = 0.1;
const HELPING_SUGAR_PERCENT = 3;
/** The help is a quick start: it fades over these hours. */
const HELP_FADES_H = 6;

/** Gas left by sugar: 1 up to 5 % of flour, falling to 0.5 at 15 % and staying there. */
export function sugarBrake(sugarPercent: number): number {
  const over =
    (sugarPercent - BRAKING_SUGAR_PERCENT) / (HALVING_SUGAR_PERCENT - BRAKING_SUGAR_PERCENT);
  return 1 - 0.5 * Math.min(1, Math.max(0, over));
}

/**
 * Early help of a little sugar, honey or malt: up to 10 % more gas at 3 %, fading over hours.
 *
 * @param hours since mixing
 */
export function sugarHelp(sugarPercent: number, hours: number): number {
  if (sugarPercent === 0) return 1;
  const share = Math.min(1, sugarPercent / HELPING_SUGAR_PERCENT);
  return 1 + MOST_HELP * share * exp(-hours / HELP_FADES_H);
}

/** After this many wake-up times the rest is under 1e-10: no need to compute it each step. */
const FULLY_AWAKE = 24;

/**
 * How awake the yeast is: 1 − e^{−t/wake-up}; slower for active dry that was not pre-wetted.
 *
 * @param hours since mixing
 */
export function awake(
  hours: number,
  form: YeastForm,
  isPreWetted = false,
  constants = STARTING,
): number {
  const isSlow = form === 'active-dry' && !isPreWetted;
  const wakeUpH = isSlow ? constants.wakeUpDryH : constants.wakeUpH;
  return hours > FULLY_AWAKE * wakeUpH ? 1 : 1 - exp(-hours / wakeUpH);
}
