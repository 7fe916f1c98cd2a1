import { doughIdOf, serviceIdOf, stagesOfPlan, boardLots } from '@calm/domain';
import { NO_PLAN, type PlanContent, type Service } from '@calm/contract';
import { preferredLot, type PlannedLot, type WeekProblem } from '@calm/core';
import { exampleBook } from '@calm/demo';
import { describe, expect, it } from '@jest/globals';
import { coverOf, shiftTimes } from './board/crewCover';
import type { Board } from './board/useBoard';

const book = exampleBook();
const DATE = '2026-11-27';
const round = (() => {
  const found = book.products.find(({ slug }) => slug === 'yard-round');
  if (!found) throw new Error('the demo has a round');
  return found;
})();
const route = book.routes.find(({ id }) => id === round.routeId)?.stages ?? [];
const [maro] = book.people;
const service = (name: string, from: string, to: string): Service => ({
  patternId: name,
  name,
  date: DATE,
  startsAt: `${DATE}T${from}:00.000Z`,
  endsAt: `${DATE}T${to}:00.000Z`,
  counts: [{ productId: round.id, count: 60, usual: 60, origin: 'usual', version: 0 }],
});
const services = [service('lunch', '11:00', '14:00'), service('dinner', '16:30', '21:30')];
const problem: WeekProblem = {
  nowMin: Date.parse('2026-11-20T00:00:00Z') / 60_000,
  services: services.map((each) => ({
    id: serviceIdOf(each),
    startMin: Date.parse(each.startsAt) / 60_000,
    endMin: Date.parse(each.endsAt) / 60_000,
    day: DATE,
  })),
  wanted: services.map((each) => ({
    serviceId: serviceIdOf(each),
    productId: round.id,
    count: 60,
  })),
  products: [{ ...round, doughId: doughIdOf(round) }],
  doughs: [
    {
      id: doughIdOf(round),
      route,
      residuePercent: 1,
      mixers: [{ mixerId: 'spiral', minDoughKg: 6, maxDoughKg: 40 }],
    },
  ],
  people: [],
  benchPlaces: 3,
  places: [],
  tubKg: 12,
  unsocial: [],
  frozenWorks: [],
  frozenRests: [],
  published: [],
  weights: { quality: 100, unsocial: 8, mix: 40, change: 1 },
};
const planned = (() => {
  const lot = preferredLot(problem, doughIdOf(round), services.map(serviceIdOf));
  if (!lot) throw new Error('it can be planned');
  // A plan that is not what counting back would say, by one who is known.
  const later = <Each extends { readonly startMin: number; readonly endMin: number }>(
    each: Each,
  ) => ({
    ...each,
    startMin: each.startMin - 30,
    endMin: each.endMin - 30,
  });
  const steps = lot.steps.map((step) => ({ ...later(step), personIds: [maro?.id ?? ''] }));
  return { ...lot, steps, rests: lot.rests.map(later) } satisfies PlannedLot;
})();
const plan: PlanContent = { ...NO_PLAN, lots: [planned] };

describe('a planned lot on the board', () => {
  it('has its route’s stages at the plan’s times, by the plan’s hands', () => {
    const stages = stagesOfPlan(planned, route) ?? [];
    expect(stages.map(({ key }) => key)).toEqual(route.map(({ key }) => key));
    stages.slice(1).forEach((stage, i) => expect(stage.startMs).toBe(stages[i]?.endMs));
    const pull = stages.find(({ key }) => key === 'pull');
    const first = planned.steps.find((step) => step.key === 'pull');
    expect(pull?.startMs).toBe((first?.startMin ?? 0) * 60_000);
    expect(pull?.personIds).toEqual([maro?.id]);
  });

  it('is not told by a plan of another route', () => {
    expect(stagesOfPlan(planned, [...route, ...route])).toBeNull();
    expect(stagesOfPlan({ ...planned, steps: planned.steps.slice(1) }, route)).toBeNull();
  });

  it('stands on the board as published, and as counted back without a plan', () => {
    const startOf = (content: PlanContent) => {
      const lot = boardLots(book, services, [], content).find(
        ({ product }) => product.id === round.id,
      );
      return lot?.stages[0]?.startMs ?? NaN;
    };
    const byPlan = (planned.steps[0]?.startMin ?? 0) * 60_000;
    expect(startOf(plan)).toBe(byPlan);
    expect(startOf(NO_PLAN)).not.toBe(byPlan);
  });

  it('falls back once a plan no longer tells how its first balls came there', () => {
    const dinnerOnly = {
      ...plan,
      lots: [{ ...planned, serviceIds: planned.serviceIds.slice(1) }],
    };
    const lots = boardLots(book, services, [], dinnerOnly);
    expect(lots).toEqual(boardLots(book, services, [], NO_PLAN));
  });

  it('names whoever the plan names, and otherwise whoever is in', () => {
    const board: Board = {
      house: 'yard',
      book,
      services,
      shifts: [],
      lots: boardLots(book, services, [], plan),
      isCurrent: true,
    };
    const work = stagesOfPlan(planned, route)?.find((stage) => stage.kind === 'work');
    if (work?.kind !== 'work') throw new Error('a route has work');
    expect(coverOf(board, shiftTimes(board), work)).toEqual({
      coverage: { kind: 'covered', personIds: [maro?.id] },
      people: [maro],
    });
    const { personIds: _, ...unnamed } = work;
    expect(coverOf(board, shiftTimes(board), unnamed).coverage.kind).toBe('outside-every-shift');
  });
});
