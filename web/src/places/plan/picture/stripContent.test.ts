import { editLot, optimizeWeek, type PlannedLot } from '@calm/core';
import { describe, expect, it } from '@jest/globals';
import { weekOfTen } from '@calm/core/test-support';
import { contentOf, isSameContent, type Strip } from './stripContent';

const problem = weekOfTen(3);
const plan = optimizeWeek(problem).next().value;
const lots: readonly PlannedLot[] = plan?.plan.lots ?? [];
const strip = (kind: Strip['kind'], id: string): Strip => ({ kind, id, height: 20 });
const strips: readonly Strip[] = [
  ...problem.people.map(({ id }) => strip('person', id)),
  ...problem.doughs.flatMap(({ mixers }) => mixers.map(({ mixerId }) => strip('mixer', mixerId))),
  strip('bench', 'bench'),
  ...problem.places.map(({ name }) => strip('place', name)),
];

/** The first lot with its first step moved, as a hand would. */
const editedFirst = (toMin: (startMin: number) => number): readonly PlannedLot[] =>
  lots.map((lot, i) => {
    const [first] = lot.steps;
    return i === 0 && first ? editLot(problem, lot, first, toMin(first.startMin)) : lot;
  });

describe('what stands on a strip', () => {
  it('is every step of a person and of a mixer, once', () => {
    expect(lots.length).toBeGreaterThan(3);
    const worksOn = (kind: Strip['kind'], ids: readonly string[]) =>
      ids.flatMap((id) => {
        const content = contentOf(strip(kind, id), problem, lots, undefined);
        return content.kind === 'works' ? content.works : [];
      });
    const steps = lots.flatMap((lot) => lot.steps);
    const hands = steps.reduce((sum, { personIds }) => sum + personIds.length, 0);
    expect(
      worksOn(
        'person',
        problem.people.map(({ id }) => id),
      ),
    ).toHaveLength(hands);
    const mixers = [...new Set(lots.map(({ mixerId }) => mixerId))];
    const mixed = steps.filter(({ mixerId }) => mixerId !== null);
    expect(worksOn('mixer', mixers)).toHaveLength(mixed.length);
  });

  it('is the same while nothing on it moves', () => {
    for (const each of strips) {
      const [one, other] = [1, 2].map(() => contentOf(each, problem, lots, undefined));
      expect(one && other && isSameContent(one, other)).toBe(true);
    }
  });

  it('is another one exactly where the step that moves was or comes to be', () => {
    const edited = editedFirst((startMin) => startMin + 15);
    const isTouched = (each: Strip) =>
      !isSameContent(
        contentOf(each, problem, lots, undefined),
        contentOf(each, problem, edited, undefined),
      );
    const moved = lots[0]?.steps[0];
    for (const id of moved?.personIds ?? []) expect(isTouched(strip('person', id))).toBe(true);
    const handsOfLot = new Set(lots[0]?.steps.flatMap(({ personIds }) => personIds));
    const others = problem.people.filter(({ id }) => !handsOfLot.has(id));
    for (const { id } of others) expect(isTouched(strip('person', id))).toBe(false);
  });

  it('is nothing of a room that was not simulated, and never the same as another kind', () => {
    const air = contentOf(strip('air', 'Walk-in'), problem, lots, undefined);
    expect(air).toEqual({ kind: 'air', room: null });
    expect(isSameContent(air, contentOf(strip('bench', 'bench'), problem, lots, undefined))).toBe(
      false,
    );
  });
});
