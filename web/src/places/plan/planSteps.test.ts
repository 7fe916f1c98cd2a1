import type { Service, Shift } from '@calm/contract';
import { exampleBook } from '@calm/demo';
import { describe, expect, it } from '@jest/globals';
import { boardLots } from '../../state/lotBoard';
import type { Board } from '../../state/useBoard';
import { byDay, isOpen, planSteps } from './planSteps';

const book = exampleBook();
const DATE = '2026-11-25';
const round = book.products.find((p) => p.slug === 'yard-round');
const lunch: Service = {
  patternId: 'lunch',
  name: 'Lunch',
  date: DATE,
  startsAt: `${DATE}T11:00:00.000Z`,
  endsAt: `${DATE}T14:00:00.000Z`,
  counts: [{ productId: round?.id ?? '', count: 120, usual: 120, origin: 'usual', version: 0 }],
};
const shiftOf = (name: string, date: string, from: string, to: string): Shift => ({
  personId: book.people.find((p) => p.name === name)?.id ?? '',
  startsAt: `${date}T${from}:00.000Z`,
  endsAt: `${date}T${to}:00.000Z`,
});
const boardWith = (shifts: readonly Shift[]): Board => ({
  house: 'yard',
  book,
  services: [lunch],
  isCurrent: true,
  shifts,
  lots: boardLots(book, [lunch], []),
});
const doors = Date.parse(lunch.startsAt);
const DAYS = 86_400_000;
const stepsWith = (shifts: readonly Shift[]) =>
  planSteps(boardWith(shifts), doors - 3 * DAYS, doors);

describe('the steps of a plan', () => {
  it('stand in time’s order, two days before doors to the pull', () => {
    const steps = stepsWith([]);
    expect(steps.map((step) => step.work.key)).toEqual([
      'weigh',
      'mix',
      'divide-ball',
      'chill',
      'pull',
    ]);
    const starts = steps.map((step) => step.work.startMs);
    expect([...starts].sort((a, b) => a - b)).toEqual(starts);
    expect(steps.every((step) => step.work.endMs <= doors)).toBe(true);
  });

  it('are open when nobody is in', () => {
    expect(stepsWith([]).every(isOpen)).toBe(true);
    expect(stepsWith([])[0]?.coverage.kind).toBe('outside-every-shift');
  });

  it('are covered by whoever has the skill for the whole of them', () => {
    const monday = ['Maro', 'Tilde'].map((name) => shiftOf(name, '2026-11-23', '08:00', '18:00'));
    const steps = stepsWith(monday);
    expect(steps.slice(0, 4).map(isOpen)).toEqual([false, false, false, false]);
    expect(steps[0]?.people.map((p) => p.name)).toEqual(['Maro']);
    expect(steps[2]?.people.map((p) => p.name)).toEqual(['Maro', 'Tilde']);
    expect(steps[4]?.coverage.kind).toBe('outside-every-shift');
  });

  it('need two for balling and say who is missing', () => {
    const alone = stepsWith([shiftOf('Maro', '2026-11-23', '08:00', '18:00')]);
    expect(alone[2]?.coverage.kind).toBe('skill-missing');
    expect(alone[2]?.people.map((p) => p.name)).toEqual(['Maro']);
  });

  it('are told by the house’s day, not the machine’s', () => {
    const days = byDay(stepsWith([]), 'Europe/Copenhagen').map(([date, steps]) => [
      date,
      steps.length,
    ]);
    expect(days).toEqual([
      ['2026-11-23', 4],
      ['2026-11-25', 1],
    ]);
  });
});
