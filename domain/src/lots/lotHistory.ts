import {
  doughStageOf,
  MINUTE_MS,
  stageKey,
  doughStagesOfRoute,
  type Formula,
  type PlannedStage,
} from '@calm/core';
import type { DoughDocument, Product } from '@calm/contract';
import { asWeighed } from './asWeighed';
import type { BoardLot } from './lotBoard';
import { documentOfRecipe, doughDocument } from './doughDocument';

/** What the engine is asked about a lot's balls of one product, as it is planned. */
export function documentOfLot(
  lot: BoardLot,
  { ballWeightG, target }: Product,
  prefermentTempC: number,
): DoughDocument | null {
  return documentOfRecipe(lot.recipe, {
    size: {
      loads: lot.scaled.ok ? lot.scaled.value.loads.length : 1,
      balls: lot.items.reduce((sum, item) => sum + item.count, 0),
    },
    ballWeightG,
    target,
    prefermentTempC,
  });
}

/** When a lot's dough comes off the mixer by its plan, ms; null without a mix. */
export function mixedMsOf({ stages }: BoardLot): number | null {
  return stages.find((stage) => stage.kind === 'work' && stage.key === 'mix')?.endMs ?? null;
}

/** A lot's dough on its way, and when it came off the mixer. */
export interface DoughInProgress {
  readonly document: DoughDocument;
  readonly mixedMs: number;
  /** Where each of its stages is, by the places' names. */
  readonly places: readonly string[];
}

/** A stage, as it was or as it will be. */
type Interval = Pick<PlannedStage, 'index' | 'startMs' | 'endMs'>;

/**
 * When each stage was, as far as it is on record, and when the rest will be: as planned, or at once where
 * that is past. What stands by itself takes what time is left to it.
 *
 * @param nowMs work that is not done yet does not end before now
 */
export function stagesAsTheyAre({ stages, lot }: BoardLot, nowMs: number): readonly Interval[] {
  const doneMs = stages.map((stage) => (stage.kind === 'work' ? doneMsOf(lot, stage) : null));
  // Work that is done before its plan began has begun by then.
  const doneFirst = Math.min(...doneMs.map((ms) => ms ?? Infinity));
  let endedMs = Math.min(stages[0]?.startMs ?? 0, doneFirst);
  return stages.map((stage, i) => {
    const startMs = endedMs;
    // What came after it is on record: it was over by then, whatever the plan said.
    const overMs = Math.min(...doneMs.slice(i + 1).map((ms) => ms ?? Infinity), Infinity);
    endedMs = Math.max(startMs, Math.min(overMs, doneMs[i] ?? plannedEnd(i)));
    return { index: stage.index, startMs, endMs: endedMs };
  });

  function plannedEnd(i: number): number {
    const stage = stages[i] as PlannedStage;
    if (stage.kind === 'work') {
      // Steps of the method that were given more time end the mixing later.
      const endMs = stage.endMs + (stage.key === 'mix' ? extraMsOf(lot) : 0);
      return lot !== null && endMs < nowMs ? nowMs : endMs;
    }
    const next = stages.findIndex(({ kind }, j) => j > i && kind === 'work');
    const work = stages[next];
    return work ? (doneMs[next] ?? work.endMs) - (work.endMs - work.startMs) : stage.endMs;
  }
}

/** Long before any lot: nothing is still to be done by then. */
const LONG_AGO_MS = 0;

/** When each stage of a lot was whose services are over: work that nobody marked was done as planned. */
export const stagesAsTheyWere = (lot: BoardLot): readonly Interval[] =>
  stagesAsTheyAre(lot, LONG_AGO_MS);

/** How much longer its slowest load is mixed than by its method, ms. */
function extraMsOf(lot: BoardLot['lot']): number {
  const byLoad = new Map<number, number>();
  for (const { loadNumber, extraMin } of lot?.marks ?? []) {
    byLoad.set(loadNumber, (byLoad.get(loadNumber) ?? 0) + extraMin);
  }
  return MINUTE_MS * Math.max(0, ...byLoad.values());
}

function doneMsOf(lot: BoardLot['lot'], stage: PlannedStage): number | null {
  const mark = lot?.marks.find(
    ({ loadNumber, stepKey }) => loadNumber === 0 && stepKey === stageKey(stage),
  );
  return mark?.doneAt ? Date.parse(mark.doneAt) : null;
}

/**
 * A lot's balls of one product on the way they are planned.
 *
 * @returns null for a lot that is not mixed by its route
 */
export const doughAsPlanned = (
  lot: BoardLot,
  product: Product,
  prefermentTempC: number,
): DoughInProgress | null =>
  doughOnItsWay(lot, product, prefermentTempC, {
    at: lot.stages,
    doughTempC: lot.recipe.doughTempC,
    formula: lot.recipe.formula,
  });

/**
 * A lot's balls of one product on the way they really take: of what was weighed, mixed as warm as the thermometer
 * said, at the times that are on record.
 *
 * @param nowMs what is not done yet does not end before
 * @returns null for a lot that is not mixed by its route
 */
export const doughInProgress = (
  lot: BoardLot,
  product: Product,
  prefermentTempC: number,
  nowMs: number,
): DoughInProgress | null =>
  doughOnItsWay(lot, product, prefermentTempC, {
    at: stagesAsTheyAre(lot, nowMs),
    doughTempC: doughOutOf(lot) ?? lot.recipe.doughTempC,
    formula: asWeighed(lot),
  });

/**
 * A lot's balls of one product on the way they took, once its services are over: work that nobody marked was done as
 * planned.
 *
 * @returns null for a lot that is not mixed by its route
 */
export const doughAsItWas = (
  lot: BoardLot,
  product: Product,
  prefermentTempC: number,
): DoughInProgress | null => doughInProgress(lot, product, prefermentTempC, LONG_AGO_MS);

function doughOnItsWay(
  { recipe, stages, items, scaled }: BoardLot,
  { ballWeightG, target }: Product,
  prefermentTempC: number,
  {
    at,
    doughTempC,
    formula,
  }: {
    readonly at: readonly Interval[];
    readonly doughTempC: number;
    readonly formula: Formula;
  },
): DoughInProgress | null {
  const mix = stages.findIndex((stage) => stage.kind === 'work' && stage.key === 'mix');
  const mixedMs = at[mix]?.endMs;
  const size = {
    loads: scaled.ok ? scaled.value.loads.length : 1,
    balls: items.reduce((sum, item) => sum + item.count, 0),
  };
  const way = doughStagesOfRoute(recipe.route, size);
  if (mixedMs === undefined || way.stages.length === 0) return null;
  const hoursOf = (list: typeof way.stages) =>
    list.map((stage) => {
      const index = recipe.route.indexOf(stage.rest);
      const next = recipe.route.findIndex((later, i) => i > index && later.kind === 'rest');
      const fromMs = at[index]?.startMs ?? mixedMs;
      // Hands have it until the next rest begins; the dough does not stand still meanwhile.
      const toMs = (next < 0 ? at.at(-1)?.endMs : at[next]?.startMs) ?? fromMs;
      return doughStageOf(
        { ...stage, handsMin: 0 },
        { hours: Math.max(0, toMs - fromMs) / 3_600_000 },
      );
    });
  return {
    mixedMs,
    places: way.stages.map(({ rest }) => rest.place),
    document: doughDocument({
      formula,
      ballWeightG,
      doughTempC,
      stages: hoursOf(way.stages),
      prefermentStages: hoursOf(way.preferments),
      prefermentTempC,
      target,
      altitudeM: recipe.settings.altitudeM,
      constants: recipe.settings.learned,
    }),
  };
}

/** How warm a lot's dough came off the mixer over its loads, °C; null until one was taken. */
export function doughOutOf({ lot }: BoardLot): number | null {
  const taken = (lot?.loads ?? []).flatMap(({ doughOutC }) =>
    doughOutC === null ? [] : [doughOutC],
  );
  return taken.length === 0 ? null : taken.reduce((sum, tempC) => sum + tempC, 0) / taken.length;
}
