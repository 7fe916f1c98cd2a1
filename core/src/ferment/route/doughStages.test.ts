import { describe, expect, it } from '@jest/globals';
import type { RestStage, Route } from '../../formula/route';
import { doughStageOf, doughStagesOfRoute } from '..';

const rest = (key: RestStage['key'], preferred: number): RestStage => ({
  kind: 'rest',
  key,
  place: 'Bench',
  airTempC: key === 'cold' ? 4 : 22,
  container: key === 'cold' ? 'lidded-tray' : 'tub',
  hours: { least: 0.5, preferred, most: 60 },
});
const route: Route = [
  { kind: 'work', key: 'preferment-mix', skill: 'mix', people: 1, rate: { fixedMin: 15 } },
  rest('preferment', 16),
  { kind: 'work', key: 'mix', skill: 'mix', people: 1, rate: { fixedMin: 20 } },
  rest('bulk', 2),
  {
    kind: 'work',
    key: 'divide-ball',
    skill: 'ball',
    people: 2,
    rate: { fixedMin: 10, perHundredBallsMin: 20 },
  },
  { kind: 'work', key: 'chill', skill: 'cold', people: 1, rate: { fixedMin: 6 } },
  rest('cold', 40),
  rest('temper', 3),
];

describe('a house’s route as dough goes through it', () => {
  const { preferments, stages } = doughStagesOfRoute(route, { loads: 1, balls: 100 });

  it('is what goes on ahead of the mixer, and the way after it', () => {
    expect(preferments.map((stage) => stage.rest.key)).toEqual(['preferment']);
    expect(stages.map((stage) => [stage.rest.key, stage.kind])).toEqual([
      ['bulk', 'bulk'],
      ['cold', 'ball'],
      ['temper', 'ball'],
    ]);
  });

  it('leaves dough where it stands while hands are at it', () => {
    expect(stages[0]?.handsMin).toBe(36);
    expect(stages[0]?.works.map((work) => work.key)).toEqual(['divide-ball', 'chill']);
    const [bulk, cold] = stages.map((stage) => doughStageOf(stage));
    expect(bulk).toEqual({ kind: 'bulk', hours: 2.6, airTempC: 22, container: 'tub', massKg: 10 });
    expect(cold).toEqual({ kind: 'ball', hours: 40, airTempC: 4, container: 'lidded-tray' });
  });

  it('takes hours and air as wanted', () => {
    const [, cold] = stages;
    if (!cold) throw new Error('three stages');
    expect(doughStageOf(cold, { hours: 20, airTempC: 6 })).toMatchObject({
      hours: 20,
      airTempC: 6,
    });
  });
});
