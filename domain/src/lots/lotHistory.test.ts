import { NO_PLAN, type Lot, type Mark } from '@calm/contract';
import { emptyMark } from './marks';
import { stageKey, workOf } from '@calm/core';
import { exampleBook, exampleLot, exampleServices } from '@calm/demo';
import { describe, expect, it } from '@jest/globals';
import { boardLots, leadProducts, type BoardLot } from './lotBoard';
import { doughAsPlanned, doughInProgress, doughOutOf, stagesAsTheyAre } from './lotHistory';

const book = exampleBook();
const round = leadProducts(book).find(({ slug }) => slug === 'yard-round');
if (!round) throw new Error('the demo has a round');
const boardWith = (change: Partial<Lot> = {}): BoardLot => {
  const lot = exampleLot(book, round, change);
  const [board] = boardLots(book, exampleServices(round), [lot], NO_PLAN);
  if (!board) throw new Error('a lot that is under way is on the board');
  return board;
};
const plain = boardWith();
const LONG_AGO = (plain.stages[0]?.startMs ?? 0) - 3_600_000;
const doneAt = (key: string, ms: number): Mark => {
  const work = workOf(plain.stages).find((each) => each.key === key);
  if (!work) throw new Error(`the route has ${key}`);
  return { ...emptyMark(0, stageKey(work)), doneAt: new Date(ms).toISOString(), version: 1 };
};
const plannedEnd = (key: string) =>
  workOf(plain.stages).find((work) => work.key === key)?.endMs ?? 0;

describe('a lot’s stages as they are', () => {
  it('are as planned while nothing is on record and nothing is due', () => {
    const now = stagesAsTheyAre(plain, LONG_AGO);
    expect(now.map(({ startMs, endMs }) => [startMs, endMs])).toEqual(
      plain.stages.map(({ startMs, endMs }) => [startMs, endMs]),
    );
  });

  it('leave no gap and never run backwards, whatever was late', () => {
    for (const lateMin of [-30, 0, 45, 400]) {
      const mixed = doneAt('mix', plannedEnd('mix') + lateMin * 60_000);
      const stages = stagesAsTheyAre(boardWith({ marks: [mixed] }), LONG_AGO);
      stages.forEach((stage, i) => {
        expect(stage.endMs).toBeGreaterThanOrEqual(stage.startMs);
        const next = stages[i + 1];
        if (next) expect(next.startMs).toBeGreaterThanOrEqual(stage.endMs - 1);
      });
    }
  });

  it('are where its record has them when it was begun before its plan', () => {
    const earlyMs = (plain.stages[0]?.startMs ?? 0) - 5 * 3_600_000;
    const marks = [doneAt('weigh', earlyMs), doneAt('mix', earlyMs + 1_200_000)];
    const stages = stagesAsTheyAre(boardWith({ marks }), earlyMs + 1_800_000);
    const mix = plain.stages.findIndex(({ key }) => key === 'mix');
    expect(stages[mix]?.endMs).toBe(earlyMs + 1_200_000);
    expect(stages.every(({ startMs, endMs }) => startMs <= endMs)).toBe(true);
  });

  it('take a late mix out of the rest that follows it', () => {
    const late = 40 * 60_000;
    const board = boardWith({ marks: [doneAt('mix', plannedEnd('mix') + late)] });
    const index = board.stages.findIndex((stage) => stage.kind === 'work' && stage.key === 'mix');
    const was = plain.stages[index + 1];
    const now = stagesAsTheyAre(board, LONG_AGO)[index + 1];
    expect((now?.endMs ?? 0) - (now?.startMs ?? 0)).toBe(
      (was?.endMs ?? 0) - (was?.startMs ?? 0) - late,
    );
  });

  it('end a mix later by what its slowest load was given at steps that were not as they should be', () => {
    const step = (loadNumber: number, stepKey: string, extraMin: number): Mark => ({
      ...emptyMark(loadNumber, stepKey),
      startedAt: new Date(LONG_AGO).toISOString(),
      extraMin,
      version: 1,
    });
    const marks = [step(1, 'knead', 2), step(2, 'knead', 2), step(2, 'window', 10)];
    const now = stagesAsTheyAre(boardWith({ marks }), LONG_AGO);
    const mix = plain.stages.findIndex((stage) => stage.kind === 'work' && stage.key === 'mix');
    expect((now[mix]?.endMs ?? 0) - plannedEnd('mix')).toBe(12 * 60_000);
    expect(now[mix + 1]?.endMs).toBe(plain.stages[mix + 1]?.endMs);
  });

  it('put what is due and not done at the present', () => {
    const mixEnd = plannedEnd('mix');
    const nowMs = mixEnd + 90 * 60_000;
    const stages = stagesAsTheyAre(plain, nowMs);
    const mix = plain.stages.findIndex((stage) => stage.kind === 'work' && stage.key === 'mix');
    expect(stages[mix]?.endMs).toBe(nowMs);
  });
});

describe('a dough on its way', () => {
  it('is what the recipe says while it is as planned', () => {
    const dough = doughAsPlanned(plain, round, 20);
    expect(dough?.document.doughTempC).toBe(plain.recipe.doughTempC);
    expect(dough?.mixedMs).toBe(plannedEnd('mix'));
    const hours = dough?.document.stages.reduce((sum, stage) => sum + stage.hours, 0) ?? 0;
    const wholeMs = (plain.stages.at(-1)?.endMs ?? 0) - plannedEnd('mix');
    expect(hours).toBeCloseTo(wholeMs / 3_600_000, 6);
  });

  it('is of what was weighed: with half as much yeast again it goes faster', () => {
    const weighed = [
      {
        id: 'w',
        lotId: 'x',
        at: '2026-11-23T10:00:00Z',
        receivedAt: null,
        personId: null,
        correctsId: null,
        content: { kind: 'weighed', loadNumber: 1, key: 'yeast', grams: 80, wantedG: 56 },
      } as const,
    ];
    const percentOf = (board: BoardLot) =>
      doughInProgress(board, round, 20, LONG_AGO)?.document.formula.yeast.percent ?? 0;
    expect(percentOf(boardWith({ weighed }))).toBeGreaterThan(1.2 * percentOf(plain));
  });

  it('is as warm as the thermometer said over its loads', () => {
    const load = {
      version: 1,
      roomTempC: 22,
      flourTempC: 21,
      tapTempC: 14,
      prefermentTempC: null,
      frictionC: 15,
      waterTempC: 17,
    };
    const loads = [
      { ...load, number: 1, doughOutC: 25 },
      { ...load, number: 2, doughOutC: 27 },
      { ...load, number: 3, doughOutC: null },
    ];
    expect(doughOutOf(plain)).toBeNull();
    expect(doughOutOf(boardWith({ loads }))).toBe(26);
    const dough = doughInProgress(boardWith({ loads }), round, 20, LONG_AGO);
    expect(dough?.document.doughTempC).toBe(26);
  });
});
