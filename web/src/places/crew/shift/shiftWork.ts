import { HOUR_MS, stageKey, workOf, type PlannedWork } from '@calm/core';
import type { BoardLot } from '@calm/domain';
import { coverOf, shiftTimes } from '../../../state/board/crewCover';
import { markOf } from '../../../state/outbox/outboxLots';
import type { Board } from '../../../state/board/useBoard';

/** A piece of work of somebody's shift. */
export interface ShiftWork {
  readonly boardLot: BoardLot;
  readonly work: PlannedWork;
  /** Who else does it, by name. */
  readonly others: readonly string[];
  /** Epoch ms; null while it is not done. */
  readonly doneMs: number | null;
}

/** A shift's work as it is read at one moment. */
export interface ShiftBoard {
  /** Should have begun, and is not done. */
  readonly now: readonly ShiftWork[];
  readonly next: ShiftWork | null;
  readonly later: readonly ShiftWork[];
  /** Latest first. */
  readonly done: readonly ShiftWork[];
}

/** A shift is what lies around the moment: so far back and on. */
const BACK_MS = 10 * HOUR_MS;
const ON_MS = 12 * HOUR_MS;

/**
 * What is somebody's to do around a moment: what the plan gives them, or, where nobody is planned, what they
 * would do by their shift and skills.
 */
export function shiftBoard(board: Board, personId: string, atMs: number): ShiftBoard {
  const shifts = shiftTimes(board);
  const all = board.lots
    .flatMap((boardLot) =>
      workOf(boardLot.stages).flatMap((work): ShiftWork[] => {
        const isNear = work.startMs < atMs + ON_MS && work.endMs > atMs - BACK_MS;
        if (!isNear) return [];
        const mark = markOf(boardLot.lot, 0, stageKey(work));
        const { people } = coverOf(board, shifts, work);
        // Whom it was handed to does it, whoever was planned.
        const isMine = mark.personId
          ? mark.personId === personId
          : people.some(({ id }) => id === personId);
        if (!isMine) return [];
        return [
          {
            boardLot,
            work,
            others: mark.personId
              ? []
              : people.filter(({ id }) => id !== personId).map(({ name }) => name),
            doneMs: mark.doneAt ? Date.parse(mark.doneAt) : null,
          },
        ];
      }),
    )
    .sort((a, b) => a.work.startMs - b.work.startMs);
  const open = all.filter(({ doneMs }) => doneMs === null);
  const [next = null, ...later] = open.filter(({ work }) => work.startMs > atMs);
  return {
    now: open.filter(({ work }) => work.startMs <= atMs),
    next,
    later,
    done: all
      .filter(({ doneMs }) => doneMs !== null)
      .sort((a, b) => (b.doneMs ?? 0) - (a.doneMs ?? 0)),
  };
}
