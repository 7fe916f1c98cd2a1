import { NO_PLAN, type Lot, type Mark } from '@calm/contract';
import { emptyMark, boardLots, leadProducts } from '@calm/domain';
import { exampleBook, exampleLot, exampleServices } from '@calm/demo';
import { describe, expect, it } from '@jest/globals';
import { stageKey } from '@calm/core';
import { countdown, timersOf } from './timers';

const book = exampleBook();
const product = leadProducts(book)[0];
if (!product) throw new Error('the demo has a product');
const lotWith = (marks: readonly Mark[]): Lot => exampleLot(book, product, { marks });
const board = (marks: readonly Mark[]) =>
  boardLots(book, exampleServices(product), [lotWith(marks)], NO_PLAN);
const BEGUN = '2026-11-26T09:00:00.000Z';

describe('timers', () => {
  const [lot] = board([]);
  const timed = lot?.recipe.method.steps.find(({ minutes }) => minutes);
  const mark = { ...emptyMark(1, timed?.key ?? ''), startedAt: BEGUN, version: 1 };

  it('run for steps that were begun, as long as their method says', () => {
    const [timer, ...others] = timersOf(board([mark]));
    expect(others).toEqual([]);
    expect(timer).toMatchObject({ title: timed?.title, startedMs: Date.parse(BEGUN) });
    expect(timer?.endsMs).toBe(Date.parse(BEGUN) + (timed?.minutes ?? 0) * 60_000);
  });

  it('are given more minutes by a look at the dough', () => {
    const [timer] = timersOf(board([{ ...mark, extraMin: 2 }]));
    expect(timer?.endsMs).toBe(Date.parse(BEGUN) + ((timed?.minutes ?? 0) + 2) * 60_000);
  });

  it('end with the step, done or skipped, and are not there before it begins', () => {
    expect(timersOf(board([{ ...mark, doneAt: BEGUN }]))).toEqual([]);
    expect(timersOf(board([{ ...mark, doneAt: BEGUN, skippedWhy: 'no time' }]))).toEqual([]);
    expect(timersOf(board([{ ...mark, startedAt: null }]))).toEqual([]);
  });

  it('of the route last as long as the plan gives them', () => {
    const stage = lot?.stages.find(({ kind }) => kind === 'work');
    if (!stage) throw new Error('a route has work');
    const [timer] = timersOf(board([{ ...emptyMark(0, stageKey(stage)), startedAt: BEGUN }]));
    expect((timer?.endsMs ?? 0) - Date.parse(BEGUN)).toBe(stage.endMs - stage.startMs);
    expect(timer?.title).toBeNull();
  });
});

describe('timers of the whole lot', () => {
  const slab = leadProducts(book).find(({ slug }) => slug === 'slab');
  if (!slab) throw new Error('the demo has a slab');
  const timersWith = (stepKey: string) => {
    const marks = [{ ...emptyMark(0, stepKey), startedAt: BEGUN, version: 1 }];
    return timersOf(
      boardLots(book, exampleServices(slab), [exampleLot(book, slab, { marks })], NO_PLAN),
    );
  };

  it('run for what is mixed ahead, as long as its own steps say', () => {
    const [timer] = timersWith('ahead-flour');
    expect(timer?.title).toBe('Flour');
    expect((timer?.endsMs ?? 0) - Date.parse(BEGUN)).toBe(3 * 60_000);
    expect(timersWith('ahead-cover')).toEqual([]);
  });

  it('run ten minutes for a proof test of the yeast', () => {
    const [timer] = timersWith('yeast-proof');
    expect((timer?.endsMs ?? 0) - Date.parse(BEGUN)).toBe(10 * 60_000);
  });
});

describe('a countdown', () => {
  it('counts to nothing, and on past it', () => {
    expect(countdown(245_000, 0)).toBe('4:05');
    expect(countdown(1000, 1000)).toBe('0:00');
    expect(countdown(0, 30_000)).toBe('+0:30');
    expect(countdown(3_725_000, 0)).toBe('1:02:05');
  });
});
