import { NO_PLAN, type PlanContent } from '@calm/contract';
import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import {
  edited,
  dropped,
  improved,
  planDraftsSlice,
  redone,
  undone,
  type PlanDraftsState,
} from './planDraft';

const { reducer } = planDraftsSlice;
const house = 'yard';
const base = NO_PLAN;
const content = (n: number): PlanContent => ({
  ...NO_PLAN,
  assumptions: [{ kind: 'warm-tap', byC: n }],
});
const after = (...actions: Parameters<typeof reducer>[1][]) =>
  actions.reduce<PlanDraftsState>((state, action) => reducer(state, action), {});
const editedTo = (n: number) => edited({ house, content: content(n), base });

describe('a plan’s draft', () => {
  it('goes back through every change to where it began, and forth again', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 40 }), (changes) => {
        const list = Array.from({ length: changes }, (_, i) => editedTo(i));
        const back = list.map(() => undone(house));
        const state = after(...list, ...back);
        expect(state[house]?.present).toEqual(NO_PLAN);
        const forth = list.map(() => redone(house));
        const again = after(...list, ...back, ...forth);
        expect(again[house]?.present).toEqual(content(changes - 1));
      }),
    );
  });

  it('has no way forth once something else was done', () => {
    const state = after(editedTo(1), editedTo(2), undone(house), editedTo(5), redone(house));
    expect(state[house]?.present).toEqual(content(5));
    expect(state[house]?.future).toEqual([]);
  });

  it('comes out better without another step back', () => {
    const state = after(editedTo(1), improved({ house, content: content(2) }), undone(house));
    expect(state[house]?.present).toEqual(NO_PLAN);
    expect(after(improved({ house, content: content(2) }))).toEqual({});
  });

  it('is gone once published or let go; nothing goes back then', () => {
    expect(after(editedTo(1), dropped(house), undone(house))).toEqual({});
  });
});
