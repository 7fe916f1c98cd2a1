import type { Lot, Service, Shift } from '@calm/contract';
import { boardLots } from '@calm/domain';
import { stageKey, workOf } from '@calm/core';
import { exampleBook } from '@calm/demo';
import { describe, expect, it } from '@jest/globals';
import type { Board } from '../../../state/board/useBoard';
import { shiftBoard } from './shiftWork';

const book = exampleBook();
const DATE = '2026-11-27';
const round = book.products.find(({ slug }) => slug === 'yard-round');
const dinner: Service = {
  patternId: 'dinner',
  name: 'Dinner',
  date: DATE,
  startsAt: `${DATE}T16:30:00.000Z`,
  endsAt: `${DATE}T21:30:00.000Z`,
  counts: [{ productId: round?.id ?? '', count: 108, usual: 108, origin: 'usual', version: 0 }],
};
const person = (name: string) => book.people.find((each) => each.name === name)?.id ?? '';
/** In from one moment to another. */
const inFrom = (name: string, from: string, to: string): Shift => ({
  personId: person(name),
  startsAt: from,
  endsAt: to,
});
const boardOf = (shifts: readonly Shift[], lots: readonly Lot[] = []): Board => ({
  house: 'yard',
  book,
  services: [dinner],
  shifts,
  lots: boardLots(book, [dinner], lots),
  isCurrent: true,
});
const allWork = workOf(boardOf([]).lots[0]?.stages ?? []);
const pull = allWork.find(({ key }) => key === 'pull');
if (!pull) throw new Error('a held dough is pulled');
/** Everybody is in around the pull. */
const around = (name: string) =>
  inFrom(
    name,
    new Date(pull.startMs - 3_600_000).toISOString(),
    new Date(pull.endMs + 3_600_000).toISOString(),
  );

describe('what is somebody’s to do', () => {
  const board = boardOf([around('Bashir'), around('Maro')]);

  it('is next before its time, and now once its time has come', () => {
    const before = shiftBoard(board, person('Bashir'), pull.startMs - 600_000);
    expect(before.now).toEqual([]);
    expect(before.next?.work.key).toBe('pull');
    const after = shiftBoard(board, person('Bashir'), pull.startMs + 600_000);
    expect(after.now.map(({ work }) => work.key)).toEqual(['pull']);
    expect(after.next).toBeNull();
  });

  it('names who else does it, and is nobody’s who is not in or cannot do it', () => {
    const mine = shiftBoard(board, person('Bashir'), pull.startMs);
    expect(mine.now.every(({ others }) => !others.includes('Bashir'))).toBe(true);
    const wren = shiftBoard(board, person('Wren'), pull.startMs);
    expect(wren).toEqual({ now: [], next: null, later: [], done: [] });
  });

  it('is done once it is marked, and is told with the moment', () => {
    const doneAt = new Date(pull.startMs + 300_000).toISOString();
    const marked = {
      ...board,
      lots: board.lots.map((boardLot) => ({
        ...boardLot,
        lot: {
          marks: [{ loadNumber: 0, stepKey: stageKey(pull), doneAt, version: 1 }],
        } as unknown as Lot,
      })),
    };
    const { now, done } = shiftBoard(marked, person('Bashir'), pull.startMs + 600_000);
    expect(now).toEqual([]);
    expect(done.map(({ doneMs }) => doneMs)).toEqual([Date.parse(doneAt)]);
  });

  it('is not what lies days away', () => {
    const mixing = allWork[0];
    if (!mixing) throw new Error('a lot is made');
    const there = shiftBoard(board, person('Bashir'), pull.startMs - 40 * 3_600_000);
    expect(there.now).toEqual([]);
    expect(there.next?.work.startMs ?? 0).toBeLessThan(pull.startMs);
  });
});
