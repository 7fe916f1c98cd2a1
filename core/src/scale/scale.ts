import {
  effective,
  splitMix,
  type Formula,
  type FormulaLine,
  type LineKind,
  type TakesTooMuch,
  type YeastConversion,
} from '../formula';
import { fail, ok, type Result } from '../result';
import { roundToScale } from '../units';
import { proposeDilution, scaleForDoseG, STEPS_TO_WEIGH_STRAIGHT, type Dilution } from './dilution';
import {
  deratingShare,
  splitLoads,
  type DeratingPoint,
  type MixerRange,
  type NoSplit,
} from './loads';

/** Balls of one weight. */
export interface BallOrder {
  readonly count: number;
  readonly ballWeightG: number;
  /** Sheeting loss of this product, percent of the dough; the request's own when absent. */
  readonly trimPercent?: number;
}

/** Smallest steps of the house's scales, g. */
export interface ScaleReadability {
  /** The scale flour, water and all the rest are weighed on. */
  readonly default: number;
  /** The scale yeast is weighed on. */
  readonly yeast: number;
}

/** Everything needed to scale one lot. */
export interface ScaleRequest {
  readonly formula: Formula;
  readonly items: readonly BallOrder[];
  /** Stays in the bowl and on the bench, percent of the load. */
  readonly residuePercent?: number;
  /** Stays in the bowl and on the bench, g per load. */
  readonly residuePerLoadG?: number;
  readonly trimPercent?: number;
  /** Without a mixer (hand mixing) everything is one load. */
  readonly mixer?: MixerRange;
  readonly derating?: readonly DeratingPoint[];
  readonly scaleReadabilityG: ScaleReadability;
  readonly yeastConversion?: YeastConversion;
}

/** One ingredient as it is weighed. */
export interface WeighedLine {
  readonly key: string;
  readonly kind: LineKind;
  readonly name: string;
  /** Percent of total flour. */
  readonly percent: number;
  /** What the scale shall show; a dose that goes by dilution is given exactly. */
  readonly grams: number;
  /** Before rounding. */
  readonly exactG: number;
}

/** One mixer bowl. */
export interface Load {
  readonly ingredients: readonly WeighedLine[];
  /** Sum of the weighed ingredients. */
  readonly doughG: number;
}

/** Where every gram of dough goes. The parts sum to `doughG`. */
export interface DoughBalance {
  /** All ingredients of all loads, as weighed. */
  readonly doughG: number;
  readonly ballsG: number;
  readonly trimG: number;
  readonly residueG: number;
  /** Left after the whole balls; negative when rounding came out short. */
  readonly remainderG: number;
}

/** One ingredient over all loads. */
export interface TotalLine extends WeighedLine {
  /** Rounding error over all loads: weighed − exact, g. */
  readonly errorG: number;
}

/** A scaled lot. Loads are equal, to the gram. */
export interface ScaledLot {
  readonly loads: readonly Load[];
  /** The pre-ferment, mixed once for all loads; null without one. */
  readonly preferment: Load | null;
  readonly totals: {
    readonly ingredients: readonly TotalLine[];
    readonly flourG: number;
    readonly waterG: number;
    readonly balls: number;
  };
  readonly balance: DoughBalance;
  readonly remainderG: number;
  readonly dilution: Dilution | null;
  /** Readability of the scale that the yeast needs, where this one is too coarse and no dilution fits, g. */
  readonly finerScaleG: number | null;
  /** The mixer's bounds in force, the most derated for stiff dough; null when mixing by hand. */
  readonly mixerRange: (MixerRange & { readonly deratingShare: number }) | null;
}

/** Why a lot cannot be scaled. */
export type ScaleReason = TakesTooMuch | NoSplit | { readonly kind: 'nothing-to-make' };

/**
 * From ball counts to weighed loads.
 *
 * Dough = Σ count × weight ÷ (1 − trim) + residue, where residue is `residuePerLoadG` per load plus
 * `residuePercent` of the load; flour = dough ÷ (total % ÷ 100); loads are the fewest equal ones
 * the mixer takes; each ingredient is rounded to its scale. Mass is conserved: `balance` sums
 * to what is weighed (docs/dough-science.md § 1).
 *
 * @param request percentages, grams; counts are whole and not negative
 * @returns the lot, or reasons with the nearest sizes that fit
 */
export function scaleLot(request: ScaleRequest): Result<ScaledLot, ScaleReason> {
  const wanted = wantedDough(request);
  if (wanted.ballsG <= 0) return fail({ kind: 'nothing-to-make' });
  const mix = splitMix(request.formula, request.yeastConversion);
  if (!mix.ok) return mix;

  const mixerRange = deratedRange(request);
  const split = splitLoads(
    (loads) => doughForLoadsG(wanted.ballsG + wanted.trimG, loads, request),
    mixerRange ?? { minDoughKg: 0, maxDoughKg: Infinity },
  );
  if (!split.ok) return split;

  const { loads, loadG } = split.value;
  const gramsPerPercent = loadG / mix.value.bowlPercent;
  const readability = request.scaleReadabilityG;
  const straight = mix.value.finalMix.map((line) => weigh(line, gramsPerPercent, readability));
  const dilution = dilutionFor(straight, loads, readability);
  const ingredients = straight.map((line) =>
    dilution && line.kind === 'yeast' ? { ...line, grams: line.exactG } : line,
  );
  const load: Load = { ingredients, doughG: sumG(ingredients) };
  const preferment = mix.value.preferment.map((line) =>
    weigh(line, gramsPerPercent * loads, readability),
  );

  const balance = balanceOf(load.doughG * loads, loads, wanted, request);
  return ok({
    loads: Array.from({ length: loads }, () => load),
    preferment:
      preferment.length > 0 ? { ingredients: preferment, doughG: sumG(preferment) } : null,
    totals: {
      ingredients: ingredients.map((line) => totalOver(line, loads)),
      flourG: gramsPerPercent * loads * 100,
      waterG: gramsPerPercent * loads * request.formula.waterPercent,
      balls: request.items.reduce((sum, item) => sum + item.count, 0),
    },
    balance,
    remainderG: balance.remainderG,
    dilution,
    finerScaleG: dilution ? null : finerScale(straight, readability),
    mixerRange,
  });
}

/**
 * Dough to mix so that `neededG` reaches the bench when it is made in this many loads.
 *
 * @example doughForLoadsG(10000, 2, { residuePercent: 1, residuePerLoadG: 50 }) // 10202.02
 */
export function doughForLoadsG(
  neededG: number,
  loads: number,
  residue: Pick<ScaleRequest, 'residuePercent' | 'residuePerLoadG'>,
): number {
  const perLoadG = residue.residuePerLoadG ?? 0;
  return (neededG + loads * perLoadG) / (1 - (residue.residuePercent ?? 0) / 100);
}

function wantedDough(request: ScaleRequest): { ballsG: number; trimG: number } {
  let ballsG = 0;
  let trimG = 0;
  for (const { count, ballWeightG, trimPercent } of request.items) {
    const keptShare = 1 - (trimPercent ?? request.trimPercent ?? 0) / 100;
    ballsG += count * ballWeightG;
    trimG += count * ballWeightG * (1 / keptShare - 1);
  }
  return { ballsG, trimG };
}

function deratedRange({ formula, mixer, derating }: ScaleRequest): ScaledLot['mixerRange'] {
  if (!mixer) return null;
  const share = deratingShare(effective(formula).hydrationPercent, derating);
  return {
    minDoughKg: mixer.minDoughKg,
    maxDoughKg: mixer.maxDoughKg * share,
    deratingShare: share,
  };
}

function weigh(
  line: FormulaLine,
  gramsPerPercent: number,
  readability: ScaleReadability,
): WeighedLine {
  const exactG = line.percent * gramsPerPercent;
  const stepG = line.kind === 'yeast' ? readability.yeast : readability.default;
  const { key, kind, name, percent } = line;
  return { key, kind, name, percent, grams: roundToScale(exactG, stepG), exactG };
}

function dilutionFor(
  lines: readonly WeighedLine[],
  loads: number,
  readability: ScaleReadability,
): Dilution | null {
  const yeast = lines.find((line) => line.kind === 'yeast');
  const water = lines.find((line) => line.kind === 'water');
  if (!yeast || !water) return null;
  return proposeDilution(yeast.exactG, loads, water.exactG, readability.yeast, readability.default);
}

function finerScale(lines: readonly WeighedLine[], { yeast }: ScaleReadability): number | null {
  const doseG = lines.find((line) => line.kind === 'yeast')?.exactG ?? 0;
  const isWeighable = doseG <= 0 || doseG >= STEPS_TO_WEIGH_STRAIGHT * yeast;
  return isWeighable ? null : scaleForDoseG(doseG);
}

function totalOver(line: WeighedLine, loads: number): TotalLine {
  const [grams, exactG] = [line.grams * loads, line.exactG * loads];
  return { ...line, grams, exactG, errorG: grams - exactG };
}

function balanceOf(
  doughG: number,
  loads: number,
  wanted: { ballsG: number; trimG: number },
  request: ScaleRequest,
): DoughBalance {
  const residueG =
    loads * (request.residuePerLoadG ?? 0) + (doughG * (request.residuePercent ?? 0)) / 100;
  const remainderG = doughG - residueG - wanted.ballsG - wanted.trimG;
  return { doughG, ...wanted, residueG, remainderG };
}

const sumG = (lines: readonly WeighedLine[]) => lines.reduce((sum, line) => sum + line.grams, 0);
