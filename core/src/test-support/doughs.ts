import {
  advance,
  newDough,
  pointsOf,
  doughTraits,
  simulate,
  type DoughPoint,
  type DoughRoute,
  type DoughStage,
  type Simulation,
} from '../ferment';
import { ballShape } from '../heat';
import type { Container } from '../formula/route';

export const leanAt = (yeastPercent: number): DoughRoute['formula'] => ({
  flours: [{ name: 'strong white', percent: 100, strengthW: 300 }],
  waterPercent: 63,
  saltPercent: 2,
  yeast: { form: 'fresh', percent: yeastPercent },
});
export const bulk = (hours: number, airTempC: number, massKg = 1): DoughStage => ({
  kind: 'bulk',
  hours,
  airTempC,
  container: 'tub',
  massKg,
});
export const ball = (
  hours: number,
  airTempC: number,
  container: Container = 'lidded-tray',
): DoughStage => ({ kind: 'ball', hours, airTempC, container });

export const yard: DoughRoute = {
  formula: { ...leanAt(0.3), waterPercent: 62, saltPercent: 2.4 },
  ballWeightG: 275,
  doughTempC: 24,
  stages: [bulk(2, 22, 10), ball(40, 4), ball(3, 23)],
};

export function run(
  route: DoughRoute,
  options?: Parameters<typeof simulate>[1],
): Simulation & { points: DoughPoint[] } {
  const result = simulate(route, options);
  if (!result.ok) throw new Error(JSON.stringify(result.reasons));
  return { ...result.value, points: pointsOf(result.value) };
}

/** Minutes until a dough has doubled in one warm place. */
export function minutesToDouble(yeastPercent: number, tempC: number): number {
  const route = { ...yard, formula: leanAt(yeastPercent), doughTempC: tempC };
  const { points } = run({ ...route, stages: [bulk(40, tempC)] }, { beyondH: 0 });
  return (points.find((point) => point.rise >= 2)?.hour ?? NaN) * 60;
}

/** Gas made in some hours at a steady temperature, L per kg flour. */
export function gasMade(tempC: number, hours: number): number {
  const dough = newDough(doughTraits(leanAt(0.3)), tempC, ballShape(275), 'open-tray');
  dough.hoursSinceMix = 10;
  for (let i = 0; i < hours * 60; i += 1) advance(dough, 1 / 60, tempC);
  return dough.producedL;
}
