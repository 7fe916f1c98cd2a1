import { STARTING, type FermentConstants } from './constants';

const REFERENCE_C = 25;

/**
 * How fast yeast works at a temperature, relative to 25 °C: the extended square-root model
 * [(T − Tmin)(1 − e^{c(T − Tmax)})]², 0 outside (Tmin, Tmax).
 * Source: Ratkowsky et al. 1983, J. Bacteriol. 154, 1222–1226.
 *
 * @param tempC dough temperature, °C
 * @returns 1 at 25 °C; about 1/18 at 4, 0.67 at 20, 1.36 at 30, peak near 36
 * @example temperatureResponse(20) // 0.67
 */
export function temperatureResponse(tempC: number, constants = STARTING): number {
  return squareRoot(tempC, constants) ** 2 / squareRoot(REFERENCE_C, constants) ** 2;
}

function squareRoot(tempC: number, { coldestC, hottestC, hotSteepness }: FermentConstants): number {
  if (tempC <= coldestC || tempC >= hottestC) return 0;
  return (tempC - coldestC) * (1 - Math.exp(hotSteepness * (tempC - hottestC)));
}

/** Universal gas constant, kJ/(mol·K). */
const GAS_CONSTANT = 8.314462618e-3;
const KELVIN = 273.15;
const RIPENING_REFERENCE_K = 293.15;

/**
 * How fast dough ripens (enzymes) at a temperature: hours-at-20 °C per hour, Arrhenius.
 *
 * @param tempC dough temperature, °C
 * @returns 1 at 20 °C; about 0.3 at 4 °C: in the cold gas almost stops while ripening goes on
 * @example ripeningRate(4) // 0.31
 */
export function ripeningRate(tempC: number, constants = STARTING): number {
  const inverse = 1 / RIPENING_REFERENCE_K - 1 / (tempC + KELVIN);
  return Math.exp((constants.ripeningEnergy / GAS_CONSTANT) * inverse);
}

const RELAXATION_Q10 = 1.5;

/**
 * How fast a shaped ball loses its tightness, in relaxation times per hour: three at 20 °C, half again as fast for
 * each 10 K. After 1.5 of them a ball opens without springing back.
 *
 * @example relaxationRate(30) // 4.5
 */
export function relaxationRate(tempC: number, constants = STARTING): number {
  return (RELAXATION_Q10 ** ((tempC - 20) / 10) * 60) / constants.relaxationMin;
}
