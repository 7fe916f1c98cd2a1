import {
  flourForDoughG,
  freshEquivalentPercent,
  splitMix,
  STANDARD_YEAST_CONVERSION,
  type Formula,
  type PlainFormula,
  type TakesTooMuch,
  type YeastConversion,
} from '../../formula';
import { meanOf } from '../../heat';
import { fail, ok, type Result } from '../../result';
import type { FermentConstants } from '../laws/constants';
import { maturityOf } from '../dough/dough';
import { simulateDough } from '../run/simulateDough';
import {
  routeFaults,
  type DoughRoute,
  type DoughStage,
  type Headstart,
  type RouteFault,
} from './doughRoute';

/** What a pre-ferment or old dough went through before it came into the bowl. */
export interface History {
  readonly doughTempC: number;
  /** Bulk stages, in order. */
  readonly stages: readonly DoughStage[];
}

/** Histories of what is mixed ahead; what a formula does not use is not looked at. */
export interface PrefermentHistories {
  readonly preferment?: History;
  readonly oldDough?: History;
}

/** A formula as the engine takes it: the bowl's own yeast, and what fermented before it. */
export interface DoughWithPreferments {
  /** Overall percentages; the yeast is what goes into the bowl at the end. */
  readonly formula: PlainFormula;
  readonly headstarts: readonly Headstart[];
}

/** House settings that the yeast of what is mixed ahead is calculated by. */
export interface PrefermentSettings {
  readonly yeastConversion?: YeastConversion;
  readonly yeastActivity?: number;
  readonly constants?: FermentConstants;
}

/**
 * Takes apart a formula with a pre-ferment or old dough: each of them ferments through its own
 * history, and comes into the bowl with the yeast that has grown in it and the maturity it has
 * gathered. Its gas is mixed out. A part without a history comes in as if mixed just now.
 *
 * @returns the bowl's formula and the head starts, or what is wrong with which
 */
export function fermentPreferments(
  formula: Formula,
  histories: PrefermentHistories,
  settings: PrefermentSettings = {},
): Result<DoughWithPreferments, RouteFault | TakesTooMuch> {
  const { preferment, oldDough, flours } = formula;
  const conversion = settings.yeastConversion ?? STANDARD_YEAST_CONVERSION;
  const split = splitMix(formula, conversion);
  if (!split.ok) return split;

  const ownYeast = split.value.finalMix.find((line) => line.kind === 'yeast')?.percent ?? 0;
  const parts: Part[] = [];
  if (preferment) {
    const { waterPercent, saltPercent = 0, yeast } = preferment;
    parts.push({
      formula: { flours, waterPercent, saltPercent, yeast },
      flourShare: preferment.flourSharePercent / 100,
      history: histories.preferment,
    });
  }
  if (oldDough) {
    parts.push({
      formula: oldDough.formula,
      flourShare: flourForDoughG(oldDough.formula, oldDough.percent) / 100,
      history: histories.oldDough,
    });
  }
  const headstarts = parts.map((part) => headstartOf(part, settings));
  const faults = headstarts.flatMap((start) => (start.ok ? [] : start.reasons));
  if (faults.length > 0) return fail(...faults);
  return ok({
    formula: { ...formula, yeast: { ...formula.yeast, percent: ownYeast } },
    headstarts: headstarts.flatMap((start) => (start.ok ? [start.value] : [])),
  });
}

interface Part {
  readonly formula: PlainFormula;
  readonly flourShare: number;
  readonly history: History | undefined;
}

/** Minutes per step: what ferments ahead does so for hours, in one mass. */
const STEP_MIN = 5;

function headstartOf(part: Part, settings: PrefermentSettings): Result<Headstart, RouteFault> {
  const { formula, flourShare, history } = part;
  const { yeastActivity, yeastConversion } = settings;
  const fresh = freshEquivalentPercent(formula.yeast, yeastActivity, yeastConversion);
  if (!history) return ok({ flourShare, yeastGPerKg: fresh * 10, maturityH: 0 });
  const route: DoughRoute = { ...settings, ...history, formula, ballWeightG: AS_ONE_MASS_G };
  const faults = routeFaults(route, fresh);
  if (faults.length > 0) return fail(...faults);
  let [yeastGPerKg, maturityH] = [fresh * 10, 0];
  simulateDough(route, STEP_MIN, 0, (dough) => {
    yeastGPerKg = meanOf(dough.shells, dough.yeastG);
    maturityH = maturityOf(dough);
  });
  return ok({ flourShare, yeastGPerKg, maturityH });
}

/** It is never balled; a route asks for a weight all the same. */
const AS_ONE_MASS_G = 1000;
