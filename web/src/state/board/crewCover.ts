import type { Person } from '@calm/contract';
import { coverageOf, type Coverage, type PlannedWork, type ShiftTime } from '@calm/core';
import type { Board } from './useBoard';

/** The board's shifts as the core reads them. */
export function shiftTimes(board: Board): ShiftTime[] {
  return board.shifts.map((shift) => ({
    personId: shift.personId,
    skills: board.book.people.find((p) => p.id === shift.personId)?.skills ?? [],
    startMs: Date.parse(shift.startsAt),
    endMs: Date.parse(shift.endsAt),
  }));
}

/** Who does a piece of work by the plan, or else who is on shift for it, as people. */
export function coverOf(
  board: Board,
  shifts: readonly ShiftTime[],
  work: PlannedWork,
): { coverage: Coverage; people: Person[] } {
  const { personIds = [] } = work;
  const coverage: Coverage =
    personIds.length > 0 ? { kind: 'covered', personIds } : coverageOf(work, shifts);
  const ids =
    coverage.kind === 'covered' || coverage.kind === 'shift-too-short'
      ? coverage.personIds
      : coverage.kind === 'skill-missing'
        ? coverage.onShift
        : [];
  return { coverage, people: board.book.people.filter((person) => ids.includes(person.id)) };
}
