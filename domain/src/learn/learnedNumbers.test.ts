import type { LearnedProposal } from '@calm/contract';
import { MINUTE_MS, stageKey, workOf } from '@calm/core';
import { describe, expect, it } from '@jest/globals';
import { emptyMark } from '../lots/marks';
import { board, book, chilled } from '../test-support/coldLots';
import { routeTaking } from './routeTaking';
import { inForceOf, withConstant, workSamples } from './learnedNumbers';

const proposal = (
  id: string,
  name: string,
  factor: number,
  state: LearnedProposal['state'],
): LearnedProposal => ({
  id,
  version: 1,
  name,
  factor,
  madeAt: '2026-11-20T12:00:00.000Z',
  sdBefore: 0.2,
  sdAfter: 0.1,
  lots: [],
  riseErrorPercent: { before: 10, after: 8 },
  laterMin: null,
  state,
  decidedAt: null,
  personId: null,
});

describe('a house’s own numbers', () => {
  it('are the product of what is accepted and not taken back', () => {
    const inForce = inForceOf([
      proposal('a', 'yeast-activity', 1.2, 'accepted'),
      proposal('b', 'yeast-activity', 1.1, 'accepted'),
      proposal('c', 'yeast-activity', 2, 'taken-back'),
      proposal('d', 'film:tub', 0.8, 'later'),
    ]);
    expect(inForce).toEqual([
      { name: 'yeast-activity', factor: expect.closeTo(1.32, 9) as unknown as number },
    ]);
  });

  it('add up where they are shifts', () => {
    const shift = { name: 'cold-end', shift: 0.3 };
    expect(withConstant([shift], { name: 'cold-end', shift: -0.5 })[0]?.shift).toBeCloseTo(-0.2, 9);
    expect(withConstant([shift], { name: 'film:tub', factor: 1.1 })).toHaveLength(2);
  });
});

describe('minutes of work', () => {
  it('are known where somebody pressed both the beginning and the end', () => {
    const work = workOf(board(chilled).stages).find(({ key }) => key === 'divide-ball');
    if (!work) throw new Error('the round is balled');
    const planned = (work.endMs - work.startMs) / MINUTE_MS;
    const mark = {
      ...emptyMark(0, stageKey(work)),
      startedAt: new Date(work.startMs).toISOString(),
      doneAt: new Date(work.startMs + 2 * planned * MINUTE_MS).toISOString(),
    };
    const lot = { ...chilled, marks: [mark] };
    const [sample, ...others] = workSamples([{ lot, planned: null, records: [] }], book);
    expect(others).toEqual([]);
    expect(sample?.kind).toBe('divide-ball');
    expect(sample?.tookMin).toBeCloseTo(2 * (sample?.plannedMin ?? 0), 3);
    // What the route gives it by now is what it is held against, not what was planned then.
    const slower = book.routes.map((route) => ({
      ...route,
      stages: routeTaking(route.stages, 'divide-ball', 2),
    }));
    const [again] = workSamples([{ lot, planned: null, records: [] }], { ...book, routes: slower });
    expect(Math.abs((again?.tookMin ?? 0) - (again?.plannedMin ?? 0))).toBeLessThan(1.5);
    expect(workSamples([{ lot: chilled, planned: null, records: [] }], book)).toEqual([]);
  });
});
