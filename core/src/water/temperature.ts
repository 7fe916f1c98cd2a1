/** Temperatures that decide what comes off the mixer, °C. */
export interface MixTemperatures {
  readonly roomTempC: number;
  readonly flourTempC: number;
  /** Only when a pre-ferment or old dough goes into the bowl. */
  readonly prefermentTempC?: number;
}

/** Masses in the bowl, g, for the heat balance. */
export interface MixMasses {
  readonly flourG: number;
  readonly waterG: number;
  readonly oilG?: number;
  readonly prefermentG?: number;
}

/**
 * How many temperatures the dough's is taken to be the mean of: flour, water and room, and the
 * pre-ferment when there is one.
 */
export function factorCount(temps: MixTemperatures): 3 | 4 {
  return temps.prefermentTempC === undefined ? 3 : 4;
}

/** Sum of the temperatures that are given, water left out, °C. */
function knownSumC(temps: MixTemperatures): number {
  return temps.roomTempC + temps.flourTempC + (temps.prefermentTempC ?? 0);
}

/**
 * Method (a), the base sum: water = B − room − flour (− pre-ferment).
 *
 * @param baseC the house's constant B, °C
 * @example waterByBaseSumC(57, { roomTempC: 22, flourTempC: 21 }) // 14
 */
export function waterByBaseSumC(baseC: number, temps: MixTemperatures): number {
  return baseC - knownSumC(temps);
}

/**
 * Method (b), desired dough temperature with friction:
 * water = n · dough − Σ others − friction.
 *
 * @param frictionC what this mixer adds, in degrees of the n-fold sum (see `frictionOfLoadC`)
 * @example waterByFrictionC(24, 16, { roomTempC: 21, flourTempC: 20 }) // 15
 */
export function waterByFrictionC(
  doughTempC: number,
  frictionC: number,
  temps: MixTemperatures,
): number {
  return factorCount(temps) * doughTempC - knownSumC(temps) - frictionC;
}

/**
 * The base sum that a wanted dough temperature and a friction amount to: B = n · dough − friction.
 * With it methods (a) and (b) are the same line.
 *
 * @example baseSumOfC(24, 16, 3) // 56
 */
export function baseSumOfC(doughTempC: number, frictionC: number, factors: 3 | 4): number {
  return factors * doughTempC - frictionC;
}

/** Specific heats, kJ/(kg·K); docs/dough-science.md § 3, ordinary food-engineering values, ±5 %. */
export const SPECIFIC_HEAT_KJ_PER_KG_K = {
  flour: 1.8,
  water: 4.18,
  oil: 2.0,
  ice: 2.1,
  dough: 2.8,
} as const;

/** Heat that flour gives off as it takes up water, kJ per kg of flour; plausible 10–20. */
export const HYDRATION_HEAT_KJ_PER_KG = 15;

/** The heat balance's answer with its terms, for "why this?". */
export interface HeatBalance {
  readonly waterTempC: number;
  /** Heat capacity of everything but the water, kJ/K. */
  readonly othersKJPerK: number;
  readonly waterKJPerK: number;
  /** All heat that arises in the bowl, kJ: hydration plus mixing less what bowl and room take. */
  readonly heatKJ: number;
  readonly hydrationKJ: number;
}

/**
 * Method (c), the heat balance: Σ mᵢcᵢ(dough − Tᵢ) = Q_mix + Q_hydration.
 *
 * A friction measured at the mixer (n · T_out − Σ T) already holds the hydration heat and what the
 * bowl and room take back, so the sum Q_mix + Q_hydration is what would warm the whole bowl by
 * friction ÷ n when everything starts at one temperature. The hydration part is reported apart.
 *
 * @param frictionC as in method (b)
 * @param masses g; `waterG` > 0
 * @returns water temperature in °C with the terms it came from
 * @throws RangeError without water
 */
export function waterByHeatBalance(
  doughTempC: number,
  frictionC: number,
  temps: MixTemperatures,
  masses: MixMasses,
): HeatBalance {
  if (!(masses.waterG > 0)) throw new RangeError('a heat balance needs water');
  const c = SPECIFIC_HEAT_KJ_PER_KG_K;
  const kg = (g: number | undefined) => (g ?? 0) / 1000;
  const flour = kg(masses.flourG) * c.flour;
  const oil = kg(masses.oilG) * c.oil;
  const preferment = temps.prefermentTempC === undefined ? 0 : kg(masses.prefermentG) * c.dough;
  const water = kg(masses.waterG) * c.water;

  const others = flour + oil + preferment;
  const heatKJ = ((others + water) * frictionC) / factorCount(temps);
  const takenUpKJ =
    flour * (doughTempC - temps.flourTempC) +
    oil * (doughTempC - temps.roomTempC) +
    preferment * (doughTempC - (temps.prefermentTempC ?? doughTempC));
  return {
    waterTempC: doughTempC + (takenUpKJ - heatKJ) / water,
    othersKJPerK: others,
    waterKJPerK: water,
    heatKJ,
    hydrationKJ: kg(masses.flourG) * HYDRATION_HEAT_KJ_PER_KG,
  };
}
