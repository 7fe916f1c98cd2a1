import {
  amountsBySteps,
  demandsOf,
  doughStageOf,
  doughStagesOfRoute,
  optimizeWeek,
  scaleLot,
  simulate,
  SKILLS,
  STANDARD_TARGET,
  STANDARD_WEIGHTS,
  windowSpread,
  type WeekProblem,
} from '@calm/core';
import { describe, expect, it } from '@jest/globals';
import { readFileSync } from 'node:fs';
import { waysOfWorking, type WayOfWorking } from '../test-support/ways';
import { readBookFile } from './readBookFile';

const read = readBookFile(
  readFileSync(new URL('../formulas/schools.json', import.meta.url), 'utf8'),
);
if (!read.ok) throw new Error(JSON.stringify(read.problems));
const WAYS = waysOfWorking(read.value.formulas);
const COUNT = 40;
const READABILITY = { default: 1, yeast: 0.1 };

function sheetOf({ formula, ballsG }: WayOfWorking) {
  const scaled = scaleLot({
    formula,
    items: ballsG.map((ballWeightG, i) => ({ count: i === 0 ? COUNT : 6, ballWeightG })),
    residuePercent: 1,
    mixer: { minDoughKg: 3, maxDoughKg: 20 },
    scaleReadabilityG: READABILITY,
  });
  if (!scaled.ok) throw new Error(JSON.stringify(scaled.reasons));
  return scaled.value;
}

/** Six days of one kitchen that wants the dough on the last evening. */
function weekOf({ route, ballsG }: WayOfWorking, hands: number): WeekProblem {
  const at = (day: number, hour: number) => (day * 24 + hour) * 60;
  const days = [0, 1, 2, 3, 4, 5];
  return {
    nowMin: at(0, 8),
    services: [{ id: 'last', startMin: at(5, 18), endMin: at(5, 22), day: 'fri' }],
    wanted: [{ serviceId: 'last', productId: 'round', count: COUNT }],
    products: [
      {
        id: 'round',
        doughId: 'dough',
        ballWeightG: ballsG[0] ?? 260,
        trimPercent: 0,
        ballsPerTray: 12,
      },
    ],
    doughs: [
      {
        id: 'dough',
        route,
        mixers: [{ mixerId: 'one', minDoughKg: 3, maxDoughKg: 20 }],
        residuePercent: 1,
      },
    ],
    people: Array.from({ length: hands }, (_, i) => ({
      id: `hand-${i}`,
      // Five divide the work between them; one does it all.
      skills: hands === 1 ? SKILLS : SKILLS.filter((_skill, n) => n % 2 === i % 2 || n === i),
      shifts: days.map((day) => ({
        startMin: at(day, hands === 1 ? 8 : 6 + 2 * i),
        endMin: at(day, hands === 1 ? 22 : 14 + 2 * i),
      })),
    })),
    benchPlaces: 2,
    places: [],
    tubKg: 12,
    unsocial: [],
    frozenWorks: [],
    frozenRests: [],
    published: [],
    weights: STANDARD_WEIGHTS,
  };
}

describe('each of twenty-one ways of working', () => {
  it('is another one', () => {
    expect(new Set(WAYS.map(({ name }) => name)).size).toBe(21);
  });

  describe.each(WAYS.map((way) => [way.name, way] as const))('%s', (_name, way) => {
    it('is weighed: every gram of the sheet goes in at a step, and no step asks for more', () => {
      const { loads, balance } = sheetOf(way);
      expect(balance.ballsG).toBeGreaterThanOrEqual(COUNT * (way.ballsG[0] ?? 0));
      for (const { ingredients } of loads) {
        const adds = way.method.steps.map((step) => step.adds ?? []);
        const amounts = amountsBySteps(ingredients, adds, ({ kind }) =>
          kind === 'yeast' ? READABILITY.yeast : READABILITY.default,
        );
        expect(amounts.rest).toEqual([]);
        const poured = amounts.steps.flat().reduce((sum, { grams }) => sum + grams, 0);
        const weighed = ingredients.reduce((sum, { grams }) => sum + grams, 0);
        expect(poured).toBeCloseTo(weighed, 6);
        // More than one thing to do, or it needs no method.
        expect(amounts.steps.some((step) => step.length > 0)).toBe(true);
      }
    });

    it('opens well about when its route ends, with odds and their spread', () => {
      const stages = doughStagesOfRoute(way.route, { loads: 1, balls: COUNT }).stages;
      const target = { ...STANDARD_TARGET, ...way.target };
      const dough = {
        formula: way.formula,
        ballWeightG: way.ballsG[0] ?? 260,
        doughTempC: way.doughTempC,
        stages: stages.map((stage) => doughStageOf({ ...stage, handsMin: 0 })),
      };
      const simulated = simulate(dough, { target });
      if (!simulated.ok) throw new Error(JSON.stringify(simulated.reasons));
      const { window, endHour } = simulated.value;
      if (window.kind === 'never') throw new Error(window.why);
      expect(window.odds).toBeGreaterThan(0.6);
      expect(window.earliestHour).toBeLessThan(endHour + 1.5);
      expect(window.latestHour).toBeGreaterThan(endHour - 0.5);
      const spread = windowSpread(dough, target);
      expect(spread).not.toBeNull();
    });

    it.each([1, 5])('is planned for a kitchen of %d', (hands) => {
      const problem = weekOf(way, hands);
      expect(demandsOf(problem)).toHaveLength(1);
      const search = optimizeWeek(problem);
      let last = search.next().value;
      for (let i = 0; i < 20 && last.open > 0; i += 1) last = search.next().value;
      expect(last.open).toBe(0);
      const [lot] = last.plan.lots;
      const works = way.route.filter(({ kind }) => kind === 'work');
      expect(lot?.steps.map(({ key }) => key)).toEqual(works.map(({ key }) => key));
      expect(lot?.steps.every(({ personIds }) => personIds.length === 1)).toBe(true);
    });
  });
});
