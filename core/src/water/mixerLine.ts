import { SPECIFIC_HEAT_KJ_PER_KG_K, type MixMasses, type MixTemperatures } from './temperature';
import type { LoggedMix } from './friction';

/**
 * What comes off a mixer, as a line: dough = wFlour · flour + wWater · water + wRoom · room + q, °C. Unlike the mean of
 * three temperatures it gives each as much say as it has.
 */
export interface MixerLine {
  readonly wFlour: number;
  readonly wWater: number;
  readonly wRoom: number;
  readonly qC: number;
}

/** From the heat balance of an ordinary dough; each may be 0.08 off. */
const PRIOR = { wFlour: 0.33, wWater: 0.47, wRoom: 0.2 } as const;
const WEIGHT_SPREAD = 0.08;
const Q_SPREAD_C = 2;

/** The line to begin with. @param frictionC what the mixer adds, in degrees of the sum of three */
export const priorLine = (frictionC: number): MixerLine => ({ ...PRIOR, qC: frictionC / 3 });

/**
 * Water that brings the dough out as warm as wanted, by a mixer's line, °C. A pre-ferment counts with the flour, by what
 * heat each holds.
 *
 * @example waterByLineC(24, { wFlour: 0.33, wWater: 0.47, wRoom: 0.2, qC: 5 }, { roomTempC: 21, flourTempC: 20 }, { flourG: 1000, waterG: 620 }) // 17.4
 */
export function waterByLineC(
  doughTempC: number,
  { wFlour, wWater, wRoom, qC }: MixerLine,
  temps: MixTemperatures,
  masses: MixMasses,
): number {
  return (doughTempC - wFlour * solidsTempC(temps, masses) - wRoom * temps.roomTempC - qC) / wWater;
}

function solidsTempC(
  { flourTempC, prefermentTempC }: MixTemperatures,
  { flourG, prefermentG = 0 }: MixMasses,
): number {
  if (prefermentTempC === undefined) return flourTempC;
  const c = SPECIFIC_HEAT_KJ_PER_KG_K;
  const [flour, ahead] = [flourG * c.flour, prefermentG * c.dough];
  return (flour * flourTempC + ahead * prefermentTempC) / (flour + ahead);
}

/** A load as it was logged, with its day. */
export interface DatedMix extends LoggedMix {
  /** Local date, YYYY-MM-DD. */
  readonly date: string;
}

/** A mixer's line, and what stands behind it. */
export interface LearnedLine {
  readonly line: MixerLine;
  /** Loads that were counted; 0 while the line is still what it begins with. */
  readonly loads: number;
}

/** A line moves from where it begins once loads of so many days are on record. */
export const FEWEST_DAYS_TO_LEARN = 5;
/** A load counts half as much after so many later ones. */
const HALF_LIFE_LOADS = 20;
/** What two thermometers and a pair of hands scatter by, °C; further off counts ever less. */
const SCATTER_C = 0.7;
const HUBER = 1.5;
const ROUNDS = 8;

/**
 * A mixer's line from its log: robust least squares around the line to begin with, recent loads counting more.
 *
 * @param mixes of one mixer and speed, oldest first; pre-ferments in the flour's temperature
 * @param frictionC what the mixer is set to add, in degrees of the sum of three
 */
export function learnMixerLine(mixes: readonly DatedMix[], frictionC: number): LearnedLine {
  const prior = priorLine(frictionC);
  const days = new Set(mixes.map(({ date }) => date)).size;
  if (days < FEWEST_DAYS_TO_LEARN) return { line: prior, loads: 0 };
  const begin = [prior.wFlour, prior.wWater, prior.wRoom, prior.qC];
  const spread = [WEIGHT_SPREAD, WEIGHT_SPREAD, WEIGHT_SPREAD, Q_SPREAD_C];
  let found = begin;
  for (let round = 0; round < ROUNDS; round += 1) {
    const matrix = begin.map((_, i) => begin.map((__, j) => (i === j ? 1 / spread[i]! ** 2 : 0)));
    const right = begin.map((value, i) => value / spread[i]! ** 2);
    mixes.forEach((mix, at) => {
      const row = [mix.flourTempC, mix.waterTempC, mix.roomTempC, 1];
      const off = mix.doughOutC - row.reduce((sum, x, i) => sum + x * found[i]!, 0);
      const age = 0.5 ** ((mixes.length - 1 - at) / HALF_LIFE_LOADS);
      const trust = Math.min(1, (HUBER * SCATTER_C) / Math.max(1e-9, Math.abs(off)));
      const weight = (age * trust) / SCATTER_C ** 2;
      row.forEach((x, i) => {
        row.forEach((y, j) => (matrix[i]![j] = matrix[i]![j]! + weight * x * y));
        right[i] = right[i]! + weight * x * mix.doughOutC;
      });
    });
    found = solve(matrix, right);
  }
  const [wFlour = 0, wWater = 0, wRoom = 0, qC = 0] = found;
  return { line: { wFlour, wWater, wRoom, qC }, loads: mixes.length };
}

/** Solves a small symmetric system by Gauss elimination; its diagonal is never nothing. */
function solve(matrix: readonly number[][], right: readonly number[]): number[] {
  const rows = matrix.map((row, i) => [...row, right[i]!]);
  const n = rows.length;
  for (let i = 0; i < n; i += 1) {
    for (let below = i + 1; below < n; below += 1) {
      const share = rows[below]![i]! / rows[i]![i]!;
      for (let j = i; j <= n; j += 1) rows[below]![j] = rows[below]![j]! - share * rows[i]![j]!;
    }
  }
  const found = new Array<number>(n).fill(0);
  for (let i = n - 1; i >= 0; i -= 1) {
    let sum = rows[i]![n]!;
    for (let j = i + 1; j < n; j += 1) sum -= rows[i]![j]! * found[j]!;
    found[i] = sum / rows[i]![i]!;
  }
  return found;
}
