import { simulate, type Simulation } from '../../ferment/run/simulate';
import { lookBetween, pointBetween } from '../../ferment/run/course';
import { bandOdds, type Target } from '../../ferment/dough/state';
import type { DoughRoute } from '../../ferment/route/doughRoute';
import { LOOKS, type Observation } from './observed';

/** Scatter of a core thermometer in dough, °C, and of a mark read off a tub or a tray, of ln rise. */
const CORE_SD_C = 0.9;
const RISE_LN_SD = 0.1;
/**
 * Scatter of an eye that judges dough, of ln gas. Less than a window's own spread: of that, what the yeast and the
 * places of a lot may be off by is looked for here. Starting value; plausible 0.06–0.15.
 */
export const EYE_LN_SD = 0.09;
/** So seldom something else was meant than what was written. */
const SLIP_SHARE = 0.04;
/** Records stand minutes apart; what fermented in between does not need finer steps, min. */
const STEP_MIN = 5;

/** What a dough is expected to show at an observation: a number and its scatter, or odds of each finding. */
export type Expected =
  | { readonly kind: 'number'; readonly value: number; readonly sd: number }
  | { readonly kind: 'odds'; readonly odds: readonly number[] };

/**
 * What a dough on this route would show at each observation.
 *
 * @param observations in time's order
 * @returns null for a route that no kitchen has
 */
export function expectedOf(
  route: DoughRoute,
  target: Target,
  observations: readonly Observation[],
): Expected[] | null {
  const plannedH = route.stages.reduce((sum, { hours }) => sum + hours, 0);
  const lastH = observations.at(-1)?.hour ?? 0;
  const way = simulate(route, {
    target,
    stepMin: STEP_MIN,
    beyondH: Math.max(0, lastH - plannedH) + 0.25,
  });
  if (!way.ok) return null;
  return observations.map((observation) => expectedAt(way.value, target, observation));
}

function expectedAt(way: Simulation, target: Target, observation: Observation): Expected {
  const point = pointBetween(way.course, observation.hour, target, way.kinds);
  switch (observation.kind) {
    case 'core':
      return { kind: 'number', value: point.coreTempC, sd: CORE_SD_C };
    case 'rise':
      return { kind: 'number', value: Math.log(Math.max(0.5, point.rise)), sd: RISE_LN_SD };
    case 'look': {
      const { started, lasting } = bandOdds(
        lookBetween(way.course, observation.hour),
        target,
        EYE_LN_SD,
      );
      const plain = [lasting * (1 - started), lasting * started, 1 - lasting];
      return {
        kind: 'odds',
        odds: plain.map((odds) => (1 - SLIP_SHARE) * odds + SLIP_SHARE / LOOKS.length),
      };
    }
  }
}
