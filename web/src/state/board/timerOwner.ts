import { stageKey, workOf } from '@calm/core';
import { coverOf, shiftTimes } from './crewCover';
import type { Board } from './useBoard';
import { markOf } from '../outbox/outboxLots';
import type { Timer } from '../time/timers';

/** The steps of a method are part of this work of the route. */
const MIXING = 'mix';

/** Whether a step that runs is somebody's: handed to them, or theirs by the plan or their shift. */
export function isTimerOf(
  board: Board,
  { boardLot, loadNumber, stepKey }: Timer,
  personId: string,
) {
  const handedTo = markOf(boardLot.lot, loadNumber, stepKey).personId;
  if (handedTo !== null) return handedTo === personId;
  const work = workOf(boardLot.stages).find((each) =>
    loadNumber > 0 ? each.key === MIXING : stageKey(each) === stepKey,
  );
  if (!work) return false;
  return coverOf(board, shiftTimes(board), work).people.some(({ id }) => id === personId);
}
