import { STARTING, type FermentConstants } from './constants';
import { co2Solubility } from './solubility';
import { relaxationRate, ripeningRate, temperatureResponse } from './temperature';

const COLDEST_C = -10;
const HOTTEST_C = 60;
/** Entries per °C. Linear between them, the response is off by less than 1e-6. */
const PER_C = 20;
const ENTRIES = (HOTTEST_C - COLDEST_C) * PER_C + 2;

/** Numbers per temperature in the table: response, ripening, solubility, relaxation. */
export const LAWS = 4;
export const RESPONSE = 0;
export const RIPENING = 1;
export const SOLUBILITY = 2;
export const RELAXATION = 3;

/** Where the last whole entry lies, to clamp to. */
const LAST_PLACE = ENTRIES - 2;

const tableOf = new WeakMap<FermentConstants, Float64Array>();

/**
 * The temperature laws of dough side by side in one table, made once per set of constants, so
 * that a step costs look-ups and not exponentials.
 *
 * @returns `LAWS` numbers for each of the temperatures that `tablePlace` counts
 */
export function rateTable(constants: FermentConstants = STARTING): Float64Array {
  let table = tableOf.get(constants);
  if (!table) {
    table = new Float64Array(ENTRIES * LAWS);
    for (let entry = 0; entry < ENTRIES; entry += 1) {
      const tempC = COLDEST_C + entry / PER_C;
      table[entry * LAWS + RESPONSE] = temperatureResponse(tempC, constants);
      table[entry * LAWS + RIPENING] = ripeningRate(tempC, constants);
      table[entry * LAWS + SOLUBILITY] = co2Solubility(tempC);
      table[entry * LAWS + RELAXATION] = relaxationRate(tempC, constants);
    }
    tableOf.set(constants, table);
  }
  return table;
}

const { max, min } = Math;

/** Where a temperature lies in the table, in entries, clamped to it. */
export function tablePlace(tempC: number): number {
  return min(LAST_PLACE, max(0, (tempC - COLDEST_C) * PER_C));
}
