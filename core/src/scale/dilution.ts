import { roundToScale } from '../units';

/** A tiny dose made weighable: dissolve, portion out, and take the water off the load's water. */
export interface Dilution {
  /** Dissolve this much yeast … */
  readonly yeastG: number;
  /** … in this much of the formula's own water … */
  readonly waterG: number;
  /** … and pour this much of it into each load, … */
  readonly portionG: number;
  /** … which carries this much yeast … */
  readonly yeastInPortionG: number;
  /** … and this much water, to be left out of the load's water. */
  readonly waterInPortionG: number;
  /** What is left over after all loads, to be poured away. */
  readonly leftOverG: number;
}

/** Below this many scale steps a dose cannot be weighed straight (docs/dough-science.md § 1). */
export const STEPS_TO_WEIGH_STRAIGHT = 10;
/** Half a step in 50 is 1 %. */
const STEPS_FOR_ONE_PERCENT = 50;
/** Parts of solution per part of yeast, easiest first. */
const STRENGTHS = [10, 20, 50, 100, 200, 500, 1000];
/** At least half of a load's water stays free, for its temperature. */
const MOST_SHARE_OF_WATER = 0.5;

/**
 * How to weigh a dose too small for the scale, to within about 1 %.
 *
 * @param yeastPerLoadG grams of yeast wanted in each load, > 0
 * @param loads number of equal loads
 * @param waterPerLoadG grams of formula water in each load
 * @param yeastScaleG readability of the scale the yeast is weighed on, g
 * @param liquidScaleG readability of the scale the solution is weighed on, g
 * @returns the dilution; null when the scale can weigh the dose straight, or no dilution fits the
 *   formula's water: then a finer scale is needed (`scaleForDoseG`)
 * @example proposeDilution(0.4, 2, 6200, 0.1, 1) // { yeastG: 5, waterG: 995, portionG: 80 }
 */
export function proposeDilution(
  yeastPerLoadG: number,
  loads: number,
  waterPerLoadG: number,
  yeastScaleG: number,
  liquidScaleG: number,
): Dilution | null {
  if (yeastPerLoadG <= 0 || yeastPerLoadG >= STEPS_TO_WEIGH_STRAIGHT * yeastScaleG) return null;
  const mostPortionG = waterPerLoadG * MOST_SHARE_OF_WATER;
  // What is dissolved at once comes out of the formula's own water, all loads together.
  const waterG = waterPerLoadG * loads;
  const leastYeastG = STEPS_FOR_ONE_PERCENT * yeastScaleG;
  const fitting = STRENGTHS.filter(
    (strength) =>
      strength * yeastPerLoadG <= mostPortionG &&
      Math.max(leastYeastG, yeastPerLoadG * loads) * (strength - 1) <= waterG,
  );
  const strength =
    fitting.find((s) => s * yeastPerLoadG >= STEPS_FOR_ONE_PERCENT * liquidScaleG) ??
    fitting.at(-1);
  if (strength === undefined) return null;

  const portionG = roundToScale(strength * yeastPerLoadG, liquidScaleG);
  if (portionG < STEPS_TO_WEIGH_STRAIGHT * liquidScaleG) return null;
  const enoughForAllG = (portionG * loads) / strength;
  const yeastG = roundToScale(
    Math.max(leastYeastG, ceilTo(enoughForAllG, yeastScaleG)),
    yeastScaleG,
  );
  const yeastInPortionG = portionG / strength;
  return {
    yeastG,
    waterG: roundToScale(yeastG * (strength - 1), liquidScaleG),
    portionG,
    yeastInPortionG,
    waterInPortionG: portionG - yeastInPortionG,
    leftOverG: yeastG * strength - portionG * loads,
  };
}

/**
 * The readability that a scale needs to weigh a dose straight to within 5 %, g.
 *
 * @example scaleForDoseG(0.35) // 0.01
 */
export function scaleForDoseG(yeastPerLoadG: number): number {
  return 10 ** Math.floor(Math.log10(yeastPerLoadG / STEPS_TO_WEIGH_STRAIGHT) + 1e-9);
}

const ceilTo = (massG: number, stepG: number) => Math.ceil(massG / stepG - 1e-9) * stepG;
