import type { Mark, Shift } from '@calm/contract';
import { stageKey, workOf } from '@calm/core';
import { boardLots, emptyMark, leadProducts } from '@calm/domain';
import { exampleBook, exampleLot, exampleServices } from '@calm/demo';
import { describe, expect, it } from '@jest/globals';
import { timersOf } from '../time/timers';
import { isTimerOf } from './timerOwner';
import type { Board } from './useBoard';

function required<Value>(value: Value | undefined): Value {
  if (value === undefined) throw new Error('the demo has it');
  return value;
}

const book = exampleBook();
const product = required(leadProducts(book)[0]);
const idOf = (name: string) => book.people.find((each) => each.name === name)?.id ?? '';

/** A house where one person is in all the time, with one lot. */
function boardOf(name: string, marks: readonly Mark[]): Board {
  const services = exampleServices(product);
  const lots = boardLots(book, services, [exampleLot(book, product, { marks })]);
  const works = lots.flatMap(({ stages }) => workOf(stages));
  const shift: Shift = {
    personId: idOf(name),
    startsAt: new Date(Math.min(...works.map(({ startMs }) => startMs)) - 1).toISOString(),
    endsAt: new Date(Math.max(...works.map(({ endMs }) => endMs)) + 1).toISOString(),
  };
  return { house: 'yard', book, services, shifts: [shift], lots, isCurrent: true };
}

const [plain] = boardOf('Maro', []).lots;
const works = workOf(plain?.stages ?? []);
const minutesStep = plain?.recipe.method.steps.find(({ minutes }) => minutes)?.key ?? '';
const keyOf = (work: string) => stageKey(required(works.find(({ key }) => key === work)));
const isOf = (name: string, who: string, mark: Partial<Mark>) => {
  const begun = { ...emptyMark(0, ''), startedAt: '2026-11-26T09:00:00.000Z', ...mark };
  const board = boardOf(name, [begun]);
  return isTimerOf(board, required(timersOf(board.lots)[0]), idOf(who));
};

describe('a step that runs', () => {
  it('is of whoever is in and can do it, and of nobody else', () => {
    const mix = { stepKey: keyOf('mix') };
    expect(isOf('Maro', 'Maro', mix)).toBe(true);
    expect(isOf('Maro', 'Tilde', mix)).toBe(false);
  });

  it('of a method is of whoever mixes', () => {
    const step = { loadNumber: 1, stepKey: minutesStep };
    expect(isOf('Maro', 'Maro', step)).toBe(true);
    expect(isOf('Maro', 'Bashir', step)).toBe(false);
  });

  it('that was handed to somebody is theirs, and no longer of whom the plan said', () => {
    const handed = { stepKey: keyOf('mix'), personId: idOf('Wren') };
    expect(isOf('Maro', 'Wren', handed)).toBe(true);
    expect(isOf('Maro', 'Maro', handed)).toBe(false);
  });
});
