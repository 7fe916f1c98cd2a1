import {
  fail,
  ok,
  fermentPreferments,
  inHouse,
  pointBetween,
  remediesFor,
  simulate,
  solveDose,
  STANDARD_TARGET,
  STANDARD_YEAST_CONVERSION,
  windowSpread,
  type DoseLimit,
  type DoughPoint,
  type DoughRoute,
  type LearnedConstant,
  type Result,
  type Simulation,
  type Target,
} from '@calm/core';
import type {
  AcceptedConstant,
  DoughDocument,
  SimulateDocument,
  DoseDocument,
  WindowDocument,
  SimulationDocument,
  DosedDocument,
  DoughProblem,
  NoDose,
} from '@calm/contract';

/** How the dough of a document should be when it is opened. */
export const targetOf = ({ target }: DoughDocument): Target => ({ ...STANDARD_TARGET, ...target });

/** The way of a document as the engine takes it. */
export function routeOfDocument(document: DoughDocument): Result<DoughRoute, DoughProblem> {
  const { formula, ballWeightG, doughTempC, stages, histories = {} } = document;
  const { maltPercent, altitudeM, conversion, constants = [] } = document;
  const yeastConversion = {
    ...STANDARD_YEAST_CONVERSION,
    ...(conversion?.activeDry !== undefined && { 'active-dry': conversion.activeDry }),
    ...(conversion?.instant !== undefined && { instant: conversion.instant }),
  };
  const preferments = fermentPreferments(formula, histories, { yeastConversion });
  if (!preferments.ok) return preferments;
  const route: DoughRoute = {
    ballWeightG,
    doughTempC,
    stages,
    ...preferments.value,
    ...(conversion && { yeastConversion }),
    ...(maltPercent !== undefined && { maltPercent }),
    ...(altitudeM !== undefined && { altitudeM }),
  };
  return ok(constants.length > 0 ? inHouse(route, constants.map(constantOf)) : route);
}

/** An accepted number as the engine takes it. */
export const constantOf = ({
  name,
  factor,
  shift,
}: AcceptedConstant): Pick<LearnedConstant, 'name' | 'by'> => ({
  name,
  by: shift === undefined ? { factor: factor ?? 1 } : { shift },
});

/** Simulates a document: its series at even steps, its stages, its window. */
export function simulateDocument(
  document: SimulateDocument,
): Result<SimulationDocument, DoughProblem> {
  const route = routeOfDocument(document);
  if (!route.ok) return route;
  const target = targetOf(document);
  const way = simulate(route.value, { target });
  if (!way.ok) return way;
  const { window, stages } = way.value;
  return ok({
    series: seriesOf(way.value, document.stepMinutes / 60),
    stages,
    window: windowDocument(way.value, route.value, target),
    ...(window.kind === 'never' && {
      never: window.why,
      remedies: remediesFor(route.value, target),
    }),
  });
}

/** Finds a document's dose, or says why there is none and what would work. */
export function doseDocument(document: DoseDocument): Result<DosedDocument, NoDose> {
  // Overall yeast is what is asked for: what is mixed ahead cannot take more than it.
  const { formula } = document;
  const plenty = { ...formula, yeast: { ...formula.yeast, percent: PLENTY_PERCENT } };
  const route = routeOfDocument({ ...document, formula: plenty });
  if (!route.ok) return fail({ reasons: route.reasons, alternatives: [] });
  const target = targetOf(document);
  const dose = solveDose({ route: route.value, peakHour: document.peakHour, target });
  if (!dose.ok) {
    const reasons = dose.reasons.flatMap((refusal): readonly (DoughProblem | DoseLimit)[] =>
      refusal.kind === 'bad-route' ? refusal.faults : refusal.reasons,
    );
    const alternatives = dose.reasons.flatMap((refusal) =>
      refusal.kind === 'no-dose' ? refusal.alternatives : [],
    );
    return fail({ reasons, alternatives });
  }
  const { yeast, freshPercent } = dose.value;
  const dosed = { ...route.value, formula: { ...route.value.formula, yeast } };
  const way = simulate(dosed, { target });
  const takenPercent = PLENTY_PERCENT - route.value.formula.yeast.percent;
  return ok({
    yeastPercent: yeast.percent + takenPercent,
    bowlYeast: yeast,
    freshPercent,
    odds: dose.value.odds,
    window: way.ok ? windowDocument(way.value, dosed, target) : null,
  });
}

const PLENTY_PERCENT = 10;

function windowDocument(
  { window }: Simulation,
  route: DoughRoute,
  target: Target,
): WindowDocument | null {
  if (window.kind === 'never') return null;
  const { kind: _ready, ...hours } = window;
  return { ...hours, spread: windowSpread(route, target) };
}

/** Moments at even steps from the mixer to the end of the last stage, and that end itself. */
function seriesOf(way: Simulation, stepH: number): DoughPoint[] {
  const steps = Math.floor(way.endHour / stepH + 1e-9);
  const hours = Array.from({ length: steps + 1 }, (_, i) => i * stepH);
  if (way.endHour - (hours.at(-1) ?? 0) > 1e-9) hours.push(way.endHour);
  return hours.map((hour) => pointBetween(way.course, hour, way.target, way.kinds));
}
