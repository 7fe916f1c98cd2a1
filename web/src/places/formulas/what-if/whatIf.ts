import { doughDocument } from '@calm/domain';
import type { AcceptedConstant, DoughDocument, FormulaRecord, Product } from '@calm/contract';
import {
  doughStageOf,
  flourLimits,
  type LotSize,
  type DoseAlternative,
  type RouteDoughStages,
  type RouteDoughStage,
} from '@calm/core';

/** A product's dough as the house makes it, and the service it is for. */
export interface PlannedDough {
  readonly product: Product;
  readonly record: FormulaRecord;
  readonly way: RouteDoughStages;
  readonly size: LotSize;
  /** A pre-ferment's temperature when it is mixed, °C. */
  readonly prefermentTempC: number;
  /** Height of the house above the sea, m; at the sea when absent. */
  readonly altitudeM?: number | undefined;
  /** What the house has learned of its own numbers. */
  readonly constants?: readonly AcceptedConstant[] | undefined;
  /** When it comes off the mixer; the picture's hour 0. */
  readonly mixedMs: number;
  readonly doorsMs: number;
  readonly closeMs: number;
}

/** What can be pulled at: everything else is as the house makes it. */
export interface WhatIf {
  /** Of the whole formula, in its own form. */
  readonly yeastPercent: number;
  readonly doughTempC: number;
  readonly strengthW: number;
  /** Of each stage after the mixer; hours without the hands' time. */
  readonly stages: readonly { readonly hours: number; readonly airTempC: number }[];
}

/** The dough as the house makes it. */
export function asPlanned({ record, way }: PlannedDough): WhatIf {
  return {
    yeastPercent: record.formula.yeast.percent,
    doughTempC: record.doughTempC,
    strengthW: flourLimits(record.formula.flours).strengthW,
    stages: way.stages.map(({ rest }) => ({
      hours: rest.hours.preferred,
      airTempC: rest.airTempC,
    })),
  };
}

const PREFERMENT_KG = 5;

/** What the engine is asked. */
export function documentOf(dough: PlannedDough, whatIf: WhatIf): DoughDocument {
  const { product, record, way, prefermentTempC } = dough;
  const { formula } = record;
  const isOtherFlour = whatIf.strengthW !== flourLimits(formula.flours).strengthW;
  const flours = isOtherFlour
    ? formula.flours.map((flour) => ({ ...flour, strengthW: whatIf.strengthW }))
    : formula.flours;
  return doughDocument({
    formula: { ...formula, flours, yeast: { ...formula.yeast, percent: whatIf.yeastPercent } },
    ballWeightG: product.ballWeightG,
    doughTempC: whatIf.doughTempC,
    stages: way.stages.map((stage, i) => doughStageOf(stage, whatIf.stages[i])),
    prefermentStages: way.preferments.map((stage) =>
      doughStageOf(stage, { massKg: PREFERMENT_KG }),
    ),
    prefermentTempC,
    target: product.target,
    altitudeM: dough.altitudeM,
    constants: dough.constants,
  });
}

/** The state with one of the engine's proposals taken up; a later peak is not one of its levers. */
export function withAlternative(
  whatIf: WhatIf,
  change: DoseAlternative,
  stages: readonly RouteDoughStage[],
): WhatIf {
  const withStage = (index: number, to: Partial<WhatIf['stages'][number]>) => ({
    ...whatIf,
    stages: whatIf.stages.map((stage, i) => (i === index ? { ...stage, ...to } : stage)),
  });
  switch (change.kind) {
    case 'peak-hour':
      return whatIf;
    case 'stage-hours': {
      const handsH = (stages[change.stage]?.handsMin ?? 0) / 60;
      return withStage(change.stage, { hours: Math.max(0, change.hours - handsH) });
    }
    case 'air-temp':
      return withStage(change.stage, { airTempC: change.tempC });
    case 'dough-temp':
      return { ...whatIf, doughTempC: change.tempC };
    case 'flour-strength':
      return { ...whatIf, strengthW: change.strengthW };
    case 'together':
      return change.changes.reduce<WhatIf>(
        (before, one) => withAlternative(before, one, stages),
        whatIf,
      );
  }
}

/** Hour from the mixer at which each stage after it begins, and the last one ends. */
export function stageHours({ way }: PlannedDough, whatIf: WhatIf): number[] {
  const hours = [0];
  way.stages.forEach(({ handsMin }, i) => {
    hours.push((hours.at(-1) ?? 0) + (whatIf.stages[i]?.hours ?? 0) + handsMin / 60);
  });
  return hours;
}
