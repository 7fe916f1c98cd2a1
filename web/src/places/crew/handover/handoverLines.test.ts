import { NO_PLAN, type Lot } from '@calm/contract';
import { emptyMark, boardLots, leadProducts } from '@calm/domain';
import { stageKey, workOf } from '@calm/core';
import { exampleBook, exampleLot, exampleServices } from '@calm/demo';
import { describe, expect, it } from '@jest/globals';
import type { Board } from '../../../state/board/useBoard';
import { formats as f, t } from '../../../test-support/words';
import { handoverLines } from './handoverLines';

const book = exampleBook();
const round = leadProducts(book).find(({ slug }) => slug === 'yard-round');
if (!round) throw new Error('the demo has a round');
const services = exampleServices(round);
const boardOf = (change: Partial<Lot>): Board => ({
  house: 'yard',
  book,
  services,
  shifts: [],
  lots: boardLots(book, services, [exampleLot(book, round, change)], NO_PLAN),
  isCurrent: true,
});
const work = workOf(boardOf({}).lots[0]?.stages ?? []);
const ok = (lateMin: number, only = work.length) =>
  work.slice(0, only).map((each) => ({
    ...emptyMark(0, stageKey(each)),
    doneAt: new Date(each.endMs + lateMin * 60_000).toISOString(),
    version: 1,
  }));
const balled = work.findIndex(({ key }) => key === 'divide-ball');
const atMs = (work[balled]?.endMs ?? 0) + 60 * 60_000;
const say = (change: Partial<Lot>) =>
  handoverLines(boardOf(change), () => undefined, atMs, t, f).map(
    ({ part, text }) => `${part}: ${text}`,
  );

describe('a handover', () => {
  it('says what is running, since when, and what comes next', () => {
    const [first] = say({ marks: ok(0, balled + 1) });
    expect(first).toMatch(/^running: YR-1124-A Yard Round for Thu 26 Nov: .+ since .+ Next: /);
  });

  it('says what was late, skipped or warm, and nothing of what went to plan', () => {
    expect(say({ marks: ok(0, balled + 1) }).filter((line) => line.startsWith('changed'))).toEqual(
      [],
    );
    const late = say({ marks: ok(25, balled + 1) });
    expect(late.some((line) => /changed: YR-1124-A: .+ was done 25.min late/.test(line))).toBe(
      true,
    );
    const marks = ok(0, balled + 1).map((mark, i) =>
      i === balled ? { ...mark, skippedWhy: 'mixer broke' } : mark,
    );
    expect(say({ marks })).toContain(
      'changed: YR-1124-A: Divide and ball was skipped (mixer broke).',
    );
  });

  it('says what to watch: what is overdue, who has it now, what was noted', () => {
    const lines = say({ marks: ok(0, balled), note: 'Soft flour' });
    expect(lines).toContain('watch: YR-1124-A: Soft flour');
    expect(
      lines.some((line) => /watch: .+Divide and ball is .+ late and not done/.test(line)),
    ).toBe(true);
    const [person] = book.people;
    const next = work[balled];
    if (!next || !person) throw new Error('there is work and somebody to do it');
    const handed = { ...emptyMark(0, stageKey(next)), personId: person.id, version: 1 };
    expect(say({ marks: [...ok(0, balled), handed] })).toContain(
      `watch: YR-1124-A: Divide and ball is with ${person.name}.`,
    );
  });
});
