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

/**
 * Ice for a tap that is too warm: ice = water · (tap − wanted) ÷ (tap + 79.9).
 *
 * @param waterG all the water of the load, g
 * @param tapTempC what comes out of the tap, °C
 * @param waterTempC what is wanted, °C
 * @returns grams of melting ice (0 °C) and of tap water that together are `waterG`; no ice when the
 *   tap is cold enough. Ice beyond the water itself is the caller's to refuse (`adviseWater`).
 * @example iceFor(6200, 24, 10) // { iceG: 835.4, tapWaterG: 5364.6 }
 */
export function iceFor(waterG: number, tapTempC: number, waterTempC: number): IceAndWater {
  const iceG = Math.max(0, (waterG * (tapTempC - waterTempC)) / (tapTempC + ICE_WORTH_K));
  return { iceG, tapWaterG: waterG - iceG };
}

/** Temperature of tap water and melting ice together, °C; the inverse of `iceFor`. */
export function mixedTempC({ iceG, tapWaterG }: IceAndWater, tapTempC: number): number {
  return (tapWaterG * tapTempC - iceG * ICE_WORTH_K) / (tapWaterG + iceG);
}
