/**
 * Degrees of warming of water that melting ice is worth: latent heat 334 kJ/kg ÷ 4.18 kJ/(kg·K)
 * = 79.9 K. Source: latent heat of fusion of ice at 0 °C.
 */
export const ICE_WORTH_K = 79.9;

/** Part of the formula's water given as ice. */
export interface IceAndWater {
  readonly iceG: number;
  readonly tapWaterG: number;
}

/** Out of an ordinary freezer, °C. */
export const USUAL_ICE_C = -10;

/** Degrees of warming of water that ice of a temperature is worth: it warms to 0 °C at half of water's heat, and melts. */
const worthOf = (iceTempC: number): number => ICE_WORTH_K + 0.5 * Math.abs(Math.min(0, iceTempC));

/**
 * Ice for a tap that is too warm: ice = water · (tap − wanted) ÷ (tap + 79.9 + 0.5 · |ice|).
 *
 * @param waterG all the water of the load, g
 * @param tapTempC what comes out of the tap, °C
 * @param waterTempC what is wanted, °C; below 0 for what only melting can do
 * @param iceTempC how cold the ice is, °C
 * @returns grams of ice and of tap water that together are `waterG`; no ice when the tap is cold enough. Ice beyond
 *   the water itself is the caller's to refuse (`adviseWater`).
 * @example iceFor(6200, 24, 10) // { iceG: 797.1, tapWaterG: 5402.9 }
 */
export function iceFor(
  waterG: number,
  tapTempC: number,
  waterTempC: number,
  iceTempC = USUAL_ICE_C,
): IceAndWater {
  const iceG = Math.max(0, (waterG * (tapTempC - waterTempC)) / (tapTempC + worthOf(iceTempC)));
  return { iceG, tapWaterG: waterG - iceG };
}

/** Temperature of tap water and ice together once it has melted, °C; the inverse of `iceFor`. */
export function mixedTempC(
  { iceG, tapWaterG }: IceAndWater,
  tapTempC: number,
  iceTempC = USUAL_ICE_C,
): number {
  return (tapWaterG * tapTempC - iceG * worthOf(iceTempC)) / (tapWaterG + iceG);
}
