import { beforeAll, describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { problem, solved } from '../../test-support/solvedWeek';
import { editLot, givenTo, restedIn } from './editPlan';
import { changesBetween } from './changes';
import { conflictsOf, findStep, type Conflict } from '../conflicts/conflicts';
import { refOf } from './stepRef';
import { manned, preferredLot, remanned, weekWithout } from '../problem/preferred';
import { stepName, type PlannedLot } from '../problem/problem';
import { optimizeWeek } from '../search/optimizeWeek';

let lots: readonly PlannedLot[];
beforeAll(() => {
  lots = solved(problem);
});

const anyStep = () =>
  fc.nat().map((n) => {
    const all = lots.flatMap((lot) => lot.steps.map((step) => ({ lot, step })));
    return all[n % all.length] as (typeof all)[number];
  });

describe('an edited lot', () => {
  it('hangs together: what follows begins where what was before ended, and doors stay', () => {
    fc.assert(
      fc.property(anyStep(), fc.integer({ min: -900, max: 900 }), ({ lot, step }, by) => {
        const edited = editLot(problem, lot, step, step.startMin + by);
        expect(findStep([edited], refOf(lot, step))?.step.startMin).toBe(step.startMin + by);
        for (const serviceId of lot.serviceIds) {
          const own = ({ serviceId: id }: { readonly serviceId: string | null }) =>
            id === null || id === serviceId;
          const stages = [...edited.steps.filter(own), ...edited.rests.filter(own)].sort(
            (a, b) => a.stage - b.stage,
          );
          stages.slice(1).forEach((stage, i) => {
            expect(stage.startMin).toBe(stages[i]?.endMin);
          });
          const before = [...lot.steps.filter(own), ...lot.rests.filter(own)];
          const doors = Math.max(...before.map(({ endMin }) => endMin));
          expect(stages.at(-1)?.endMin).toBe(doors);
        }
        edited.steps.forEach((each) => {
          const was = findStep([lot], refOf(lot, each))?.step;
          expect(each.endMin - each.startMin).toBe((was?.endMin ?? 0) - (was?.startMin ?? 0));
        });
      }),
    );
  });

  it('breaks no rest that could still give way: only rests before doors or beside what is held', () => {
    fc.assert(
      fc.property(anyStep(), fc.integer({ min: -300, max: 300 }), ({ lot, step }, by) => {
        const edited = editLot(problem, lot, step, step.startMin + by);
        const broken = conflictsOf(problem, { lots: [edited] }).filter(
          (each): each is Extract<Conflict, { kind: 'rest-short' | 'rest-long' }> =>
            each.kind === 'rest-short' || each.kind === 'rest-long',
        );
        for (const { stage, serviceId } of broken) {
          const isLast = !edited.steps.some(
            (each) => each.stage > stage && each.serviceId === serviceId,
          );
          // Between two services' balls the trunk can give way to one of them only.
          expect(isLast || serviceId !== null).toBe(true);
        }
      }),
    );
  });

  it('goes back where it was with the same step put back, as long as nothing was pushed', () => {
    fc.assert(
      fc.property(anyStep(), fc.integer({ min: -15, max: 15 }), ({ lot, step }, by) => {
        const there = editLot(problem, lot, step, step.startMin + by);
        const others = there.steps.filter(
          (each) => findStep([lot], refOf(lot, each))?.step.startMin !== each.startMin,
        );
        const isAlone = others.every(({ startMin, stage }) => {
          const was = lot.steps.find(
            (each) => each.stage === stage && each.startMin === startMin - by,
          );
          return was !== undefined;
        });
        if (!isAlone) return;
        const back = editLot(problem, there, step, step.startMin);
        expect(back.steps.map(({ startMin }) => startMin)).toEqual(
          lot.steps.map(({ startMin }) => startMin),
        );
      }),
    );
  });

  it('does not push what is held', () => {
    const [lot] = lots as readonly [PlannedLot];
    const mix = lot.steps.find(({ key }) => key === 'mix');
    const ball = lot.steps.find(({ key }) => key === 'divide-ball' || key === 'pan');
    if (!mix || !ball) throw new Error('the lot is mixed and balled');
    const edited = editLot(problem, lot, mix, ball.startMin + 60, (step) => step === ball);
    expect(findStep([edited], refOf(lot, ball))?.step.startMin).toBe(ball.startMin);
    const [conflict] = conflictsOf(problem, { lots: [edited] }).filter(
      ({ kind }) => kind === 'rest-short',
    );
    expect(conflict).toMatchObject({ lotId: lot.id });
    expect((conflict as { hours: number }).hours).toBeLessThan(0);
  });
});

describe('lots under way', () => {
  it('go as their route prefers, and are given hands', () => {
    const [demand] = lots as readonly [PlannedLot];
    const preferred = preferredLot(problem, demand.doughId, demand.serviceIds);
    const route = problem.doughs.find(({ id }) => id === demand.doughId)?.route ?? [];
    const [firstService] = demand.serviceIds;
    for (const rest of preferred?.rests ?? []) {
      if (rest.serviceId !== null && rest.serviceId !== firstService) continue;
      const stage = route[rest.stage];
      const preferredMin = stage?.kind === 'rest' ? stage.hours.preferred * 60 : NaN;
      expect(Math.abs(rest.endMin - rest.startMin - preferredMin)).toBeLessThanOrEqual(15);
    }
    const [hands] = manned(problem, preferred ? [preferred] : []);
    expect(
      hands?.steps.every(({ personIds }) => new Set(personIds).size === personIds.length),
    ).toBe(true);
  });

  it('take their place from the rest of the week, which is planned around them', () => {
    const [kept] = lots as readonly [PlannedLot];
    const rest = weekWithout(problem, [kept]);
    const others = solved(rest);
    expect(
      others.some(
        ({ doughId, serviceIds }) =>
          doughId === kept.doughId && serviceIds.some((id) => kept.serviceIds.includes(id)),
      ),
    ).toBe(false);
    expect(conflictsOf(problem, { lots: [kept, ...others] })).toEqual([]);
  });

  it('get other hands where somebody falls out, but not where they are held', () => {
    const [lot] = lots as readonly [PlannedLot];
    const [step] = lot.steps as [PlannedLot['steps'][number]];
    const [sick = ''] = step.personIds;
    const people = problem.people.map((person) =>
      person.id === sick ? { ...person, shifts: [] } : person,
    );
    const week = { ...problem, people };
    const held = remanned(week, [lot], (_, each) => each === step);
    expect(held[0]?.steps[0]?.personIds).toContain(sick);
    const freed = remanned(week, [lot], () => false);
    expect(freed[0]?.steps.flatMap(({ personIds }) => personIds)).not.toContain(sick);
  });
});

describe('scheduling again', () => {
  it('keeps pinned steps where they are, and everybody at what they did', () => {
    const pins = lots.slice(0, 2).map((lot) => {
      const [step] = lot.steps as [PlannedLot['steps'][number]];
      return {
        lotId: lot.id,
        step: stepName(lot.doughId, lot.serviceIds[0] ?? '', step.stage, step.serviceId),
        startMin: step.startMin,
        personIds: step.personIds,
      };
    });
    const again = solved({ ...problem, pinned: pins });
    for (const { lotId, startMin, personIds } of pins) {
      const step = again.find(({ id }) => id === lotId)?.steps[0];
      expect(step?.startMin).toBe(startMin);
      expect(step?.personIds).toEqual(personIds);
    }
  });

  it('makes the services of a day as one lot, and never two days', () => {
    const services = problem.services.map((service) => ({
      ...service,
      day: String(Math.floor(service.startMin / 1440)),
    }));
    const search = optimizeWeek({ ...problem, services });
    const { plan } = search.next().value;
    for (const lot of plan.lots) {
      const days = new Set(
        lot.serviceIds.map((id) => services.find((each) => each.id === id)?.day),
      );
      expect(days.size).toBe(1);
    }
    const keys = plan.lots.map(({ doughId, serviceIds }) => {
      const day = services.find((each) => each.id === serviceIds[0])?.day;
      return `${doughId}/${day}`;
    });
    expect(new Set(keys).size).toBe(keys.length);
  });
});

describe('changes from one plan to the next', () => {
  it('are told for each person: what is new, moved, gone, the same', () => {
    const [lot] = lots as readonly [PlannedLot];
    const [step] = lot.steps as [PlannedLot['steps'][number]];
    const kindsOf = (after: readonly PlannedLot[]) =>
      changesBetween([lot], after, 0).reduce<Record<string, number>>(
        (sum, { kind }) => ({ ...sum, [kind]: (sum[kind] ?? 0) + 1 }),
        {},
      );
    const hands = lot.steps.flatMap(({ personIds }) => personIds).length;
    expect(kindsOf([lot])).toEqual({ same: hands });
    expect(kindsOf([])).toEqual({ gone: hands });
    expect(changesBetween([], [lot], 0).every(({ kind }) => kind === 'new')).toBe(true);
    const given = kindsOf([givenTo(lot, step, ['somebody-else'])]);
    expect(given).toMatchObject({ new: 1, gone: step.personIds.length });
    const elsewhere = restedIn(lot, lot.rests[0]?.stage ?? 0, 'Elsewhere');
    expect(elsewhere.rests[0]?.place).toBe('Elsewhere');
    expect(changesBetween([lot], [], step.endMin + 1e6)).toEqual([]);
  });
});
