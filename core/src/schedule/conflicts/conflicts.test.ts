import { beforeAll, describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { problem, solved } from '../../test-support/solvedWeek';
import { editLot, givenTo } from '../edit/editPlan';
import { conflictsOf, isIn, type Conflict } from './conflicts';
import { levelsOf } from './levels';
import { checkWeek } from '../../test-support/checkWeek';
import { fixed, conflictFixesOf, nameOf } from './conflictFixes';
import type { PlannedLot, WeekProblem } from '../problem/problem';

let lots: readonly PlannedLot[];
beforeAll(() => {
  lots = solved(problem);
});

const anyStep = () =>
  fc.nat().map((n) => {
    const all = lots.flatMap((lot) => lot.steps.map((step) => ({ lot, step })));
    return all[n % all.length] as (typeof all)[number];
  });

describe('conflicts', () => {
  it('are none in a settled plan, as a stranger sees it too', () => {
    expect(conflictsOf(problem, { lots })).toEqual([]);
    expect(
      checkWeek(problem, { lots, open: [], cost: { quality: 0, unsocial: 0, mix: 0, change: 0 } }),
    ).toEqual([]);
  });

  it('are seen wherever a stranger sees a rule broken by a move', () => {
    const cost = { quality: 0, unsocial: 0, mix: 0, change: 0 };
    fc.assert(
      fc.property(anyStep(), fc.integer({ min: -40, max: 40 }), ({ lot, step }, quarters) => {
        const edited = lots.map((each) =>
          each === lot ? editLot(problem, lot, step, step.startMin + 15 * quarters) : each,
        );
        const breaches = checkWeek(problem, { lots: edited, open: [], cost });
        const conflicts = conflictsOf(problem, { lots: edited });
        expect(conflicts.length > 0).toBe(breaches.length > 0);
      }),
      { numRuns: 200 },
    );
  });

  it('name what is not planned, other numbers, hands that lack and places that are full', () => {
    const [lot, ...rest] = lots as readonly [PlannedLot, ...PlannedLot[]];
    const kinds = (week: WeekProblem, those: readonly PlannedLot[]) =>
      new Set(conflictsOf(week, { lots: those }).map(({ kind }) => kind));
    expect(kinds(problem, rest)).toEqual(new Set(['open']));
    const twice = {
      ...problem,
      wanted: problem.wanted.map((each) => ({ ...each, count: each.count * 2 })),
    };
    expect(kinds(twice, lots)).toContain('other-size');
    const [first] = lot.steps as [PlannedLot['steps'][number]];
    const handless = lots.map((each) => (each === lot ? givenTo(lot, first, []) : each));
    expect(kinds(problem, handless)).toEqual(new Set(['nobody']));
    const places = problem.places.map((place) => ({ ...place, trays: 0 }));
    expect(kinds({ ...problem, places }, lots)).toEqual(new Set(['place-full']));
    const people = problem.people.map((person) => ({ ...person, shifts: [] }));
    expect(kinds({ ...problem, people }, lots)).toEqual(new Set(['not-in']));
    expect(kinds({ ...problem, benchPlaces: 0 }, lots)).toEqual(new Set(['bench-full']));
  });

  it('count what stands somewhere stretch by stretch', () => {
    const levels = levelsOf([
      { startMin: 0, endMin: 30, amount: 2, whose: 'a' },
      { startMin: 10, endMin: 20, amount: 3, whose: 'b' },
      { startMin: 30, endMin: 40, amount: 1, whose: null },
    ]);
    expect(levels.map(({ startMin, endMin, amount }) => [startMin, endMin, amount])).toEqual([
      [0, 10, 2],
      [10, 20, 5],
      [20, 30, 2],
      [30, 40, 1],
    ]);
    expect(
      isIn(
        [
          { startMin: 0, endMin: 10 },
          { startMin: 10, endMin: 20 },
        ],
        5,
        15,
      ),
    ).toBe(true);
    expect(
      isIn(
        [
          { startMin: 0, endMin: 10 },
          { startMin: 11, endMin: 20 },
        ],
        5,
        15,
      ),
    ).toBe(false);
  });
});

describe('fixes', () => {
  it('each take their conflict away and make no other', () => {
    fc.assert(
      fc.property(anyStep(), fc.integer({ min: -30, max: 30 }), ({ lot, step }, quarters) => {
        const edited = lots.map((each) =>
          each === lot ? editLot(problem, lot, step, step.startMin + 15 * quarters) : each,
        );
        const before = conflictsOf(problem, { lots: edited });
        const [conflict] = before;
        if (!conflict) return;
        for (const fix of conflictFixesOf(problem, edited, conflict)) {
          const after = conflictsOf(problem, { lots: fixed(problem, edited, fix) }).map(nameOf);
          expect(after).not.toContain(nameOf(conflict));
          const known = before.map(nameOf);
          expect(after.filter((name) => !known.includes(name))).toEqual([]);
        }
      }),
      { numRuns: 12 },
    );
  });

  it('find somebody else for work whose hands are not in', () => {
    const found = lots
      .flatMap((lot) => lot.steps.map((step) => ({ lot, step })))
      .find(({ step }) =>
        problem.people.some(
          ({ id, skills, shifts }) =>
            !step.personIds.includes(id) &&
            skills.includes(step.skill) &&
            isIn(shifts, step.startMin, step.endMin) &&
            !lots.some((each) =>
              each.steps.some(
                (other) =>
                  other.personIds.includes(id) &&
                  other.startMin < step.endMin &&
                  other.endMin > step.startMin,
              ),
            ),
        ),
      );
    if (!found) throw new Error('somebody is free some time');
    const { lot, step } = found;
    const without = lots.map((each) => (each === lot ? givenTo(lot, step, []) : each));
    const [conflict] = conflictsOf(problem, { lots: without });
    const [first] = conflictFixesOf(problem, without, conflict as Conflict);
    expect(first?.kind).toBe('give');
  });
});
