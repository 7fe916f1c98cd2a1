import { STARTING, type FermentConstants } from './constants';
import { co2Solubility } from './solubility';
import { ripeningRate, temperatureResponse } from './temperature';

/** The three temperature laws of dough in tables, so that a step costs look-ups, not exponentials. */
export interface RateTables {
  readonly response: Float64Array;
  readonly ripening: Float64Array;
  readonly solubility: Float64Array;
}

const COLDEST_C = -10;
const HOTTEST_C = 60;
/** Entries per °C. Linear between them, the response is off by less than 1e-6. */
const PER_C = 20;
const ENTRIES = (HOTTEST_C - COLDEST_C) * PER_C + 2;

const tablesOf = new WeakMap<FermentConstants, RateTables>();

/** The tables for a set of constants, made once per set. */
export function rateTables(constants: FermentConstants = STARTING): RateTables {
  let tables = tablesOf.get(constants);
  if (!tables) {
    tables = {
      response: fill((tempC) => temperatureResponse(tempC, constants)),
      ripening: fill((tempC) => ripeningRate(tempC, constants)),
      solubility: fill(co2Solubility),
    };
    tablesOf.set(constants, tables);
  }
  return tables;
}

function fill(law: (tempC: number) => number): Float64Array {
  return Float64Array.from({ length: ENTRIES }, (_, i) => law(COLDEST_C + i / PER_C));
}

/** Where a temperature lies in the tables, clamped to them. */
export function tablePlace(tempC: number): number {
  const place = (tempC - COLDEST_C) * PER_C;
  return place < 0 ? 0 : place > ENTRIES - 2 ? ENTRIES - 2 : place;
}

/** A table's value at a place, linear between entries. */
export function lookUp(table: Float64Array, place: number): number {
  const i = place | 0;
  const low = table[i] as number;
  return low + ((table[i + 1] as number) - low) * (place - i);
}
