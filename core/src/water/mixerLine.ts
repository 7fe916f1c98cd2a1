import { SPECIFIC_HEAT_KJ_PER_KG_K, type MixMasses, type MixTemperatures } from './temperature';
import { FEWEST_DAYS_TO_LEARN, type DatedMix } from './friction';

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

/** How warm flour and pre-ferment are together, by what heat each holds, °C. */
export function solidsTempC(
  { flourTempC, prefermentTempC }: MixTemperatures,
  { flourG, prefermentG = 0 }: Pick<MixMasses, 'flourG' | 'prefermentG'>,
): number {
  if (prefermentTempC === undefined) return flourTempC;
  const c = SPECIFIC_HEAT_KJ_PER_KG_K;
  const [flour, ahead] = [flourG * c.flour, prefermentG * c.dough];
  return (flour * flourTempC + ahead * prefermentTempC) / (flour + ahead);
}

/** A mixer's line, and what stands behind it. */
export interface LearnedLine {
  readonly line: MixerLine;
  /** Loads that were counted; 0 while the line is still what it begins with. */
  readonly loads: number;
}

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
  const holds = [WEIGHT_SPREAD, WEIGHT_SPREAD, WEIGHT_SPREAD, Q_SPREAD_C].map((sd) => 1 / sd ** 2);
  let found = begin;
  for (let round = 0; round < ROUNDS; round += 1) {
    // Each equation: what its unknowns sum to, with what it comes to as the last number.
    const equations = begin.map((value, i) => [
      ...begin.map((_, j) => (i === j ? at(holds, i) : 0)),
      at(holds, i) * value,
    ]);
    mixes.forEach((mix, index) => {
      const row = [mix.flourTempC, mix.waterTempC, mix.roomTempC, 1];
      const off = mix.doughOutC - row.reduce((sum, x, i) => sum + x * at(found, i), 0);
      const age = 0.5 ** ((mixes.length - 1 - index) / HALF_LIFE_LOADS);
      const trust = Math.min(1, (HUBER * SCATTER_C) / Math.max(1e-9, Math.abs(off)));
      const weight = (age * trust) / SCATTER_C ** 2;
      const known = [...row, mix.doughOutC];
      equations.forEach((equation, i) => {
        known.forEach((y, j) => {
          equation[j] = at(equation, j) + weight * at(row, i) * y;
        });
      });
    });
    found = solve(equations);
  }
  const [wFlour = 0, wWater = 0, wRoom = 0, qC = 0] = found;
  return { line: { wFlour, wWater, wRoom, qC }, loads: mixes.length };
}

/** A number of a list that is known to be there. */
const at = (list: readonly number[], i: number): number => list[i] as number;

/** Solves a small symmetric system by Gauss elimination; its diagonal is never nothing. */
function solve(equations: readonly number[][]): number[] {
  const rows = equations.map((row) => [...row]);
  const n = rows.length;
  rows.forEach((upper, i) => {
    for (const lower of rows.slice(i + 1)) {
      const share = at(lower, i) / at(upper, i);
      for (let j = i; j <= n; j += 1) lower[j] = at(lower, j) - share * at(upper, j);
    }
  });
  const found = new Array<number>(n).fill(0);
  for (let i = n - 1; i >= 0; i -= 1) {
    const row = rows[i] as number[];
    const known = found.reduce((sum, value, j) => (j > i ? sum + at(row, j) * value : sum), 0);
    found[i] = (at(row, n) - known) / at(row, i);
  }
  return found;
}
