import { STARTING } from './constants';

/**
 * CO₂ that water holds at one atmosphere, L gas per L water, at 0, 5, … 40 °C.
 * Source: standard solubility tables, as in docs/dough-science.md § 4.
 */
const CO2_L_PER_L = [1.713, 1.424, 1.194, 1.019, 0.878, 0.759, 0.665, 0.592, 0.53];
const STEP_C = 5;

/**
 * Solubility of CO₂ in water, linear between the table's points and flat beyond them.
 *
 * @param tempC °C
 * @returns L of gas per L of water
 * @example co2Solubility(22.5) // 0.8185
 */
export function co2Solubility(tempC: number): number {
  const last = CO2_L_PER_L.length - 1;
  const place = Math.min(last, Math.max(0, tempC / STEP_C));
  const below = Math.min(last - 1, Math.floor(place));
  const [low = 0, high = 0] = [CO2_L_PER_L[below], CO2_L_PER_L[below + 1]];
  return low + (high - low) * (place - below);
}

/** Of salt, g/mol. */
const SALT_G_PER_MOL = 58.44;

/**
 * What salt leaves of CO₂'s solubility: 10^(−0.1 · molality) (Setschenow 1889).
 *
 * @param saltPercent and waterPercent of flour
 * @example saltingOut(2.4, 62) // 0.86
 */
export function saltingOut(
  saltPercent: number,
  waterPercent: number,
  constants = STARTING,
): number {
  const molality = ((saltPercent / SALT_G_PER_MOL) * 1000) / Math.max(1, waterPercent);
  return 10 ** (-constants.saltingOut * molality);
}

/**
 * Air pressure at a height, as a share of the sea's (the standard atmosphere, ISO 2533:1975).
 *
 * @param altitudeM metres above the sea
 * @example pressureAt(1500) // 0.83
 */
export function pressureAt(altitudeM: number): number {
  return (1 - 2.25577e-5 * altitudeM) ** 5.25588;
}
