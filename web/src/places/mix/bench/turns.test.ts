import type { LotRecord, MethodStep } from '@calm/contract';
import { amountsBySteps, type WeighedLine } from '@calm/core';
import { describe, expect, it } from '@jest/globals';
import { begunBy, turnsByIngredient, turnsByStep, weighedTurns } from './turns';

const line = (kind: WeighedLine['kind'], grams: number): WeighedLine => ({
  key: kind,
  kind,
  name: kind,
  percent: 1,
  grams,
  exactG: grams,
});
const lines = [line('water', 6200), line('salt', 260), line('yeast', 30)];
const step = (key: string, adds?: MethodStep['adds']): MethodStep => ({
  key,
  title: key,
  detail: key,
  ...(adds && { adds }),
});
const steps = [
  step('first', [
    { kind: 'water', percent: 95 },
    { kind: 'yeast', percent: 100 },
  ]),
  step('rest'),
  step('held', [{ kind: 'water', percent: 5 }]),
];
const amounts = amountsBySteps(
  lines,
  steps.map(({ adds = [] }) => adds),
  () => 1,
);
const weighed = (key: string, grams: number, at?: string): LotRecord => ({
  id: key + (at ?? ''),
  lotId: 'lot',
  at: '2026-11-25T10:00:00.000Z',
  receivedAt: null,
  personId: null,
  correctsId: null,
  content: {
    kind: 'weighed',
    loadNumber: 1,
    key,
    ...(at !== undefined && { step: at }),
    grams,
    wantedG: grams,
  },
});

describe('what is put on the scale next', () => {
  it('is every gram of the load, step by step, and what no step names at the end', () => {
    const groups = turnsByStep(steps, amounts);
    expect(groups.map((group) => group.turns.map(({ id }) => id))).toEqual([
      ['first/water', 'first/yeast'],
      [],
      ['held/water'],
      ['salt'],
    ]);
    const sum = groups
      .flatMap(({ turns }) => turns)
      .reduce((all, each) => all + each.line.grams, 0);
    expect(sum).toBe(6200 + 260 + 30);
    const [whole] = turnsByIngredient(lines);
    expect(whole?.turns.map(({ id }) => id)).toEqual(['water', 'salt', 'yeast']);
  });

  it('may stay over where water has gone in before', () => {
    const held = turnsByStep(steps, amounts).flatMap(({ turns }) =>
      turns.filter(({ isHeldBack }) => isHeldBack).map(({ id }) => id),
    );
    expect(held).toEqual(['held/water']);
  });

  it('goes on as its load was begun', () => {
    const at = (records: readonly LotRecord[]) => weighedTurns(records, 1);
    expect(begunBy(at([]))).toBeNull();
    expect(begunBy(at([weighed('salt', 260)]))).toBe('ingredient');
    const some = at([weighed('water', 5890, 'first'), weighed('salt', 260)]);
    expect(begunBy(some)).toBe('step');
    expect([...some.keys()]).toEqual(['first/water', 'salt']);
    expect(weighedTurns([weighed('salt', 260)], 2).size).toBe(0);
  });
});
