import type { Mark, MarkChange } from '@calm/contract';

/** A step that nobody has touched. */
export const emptyMark = (loadNumber: number, stepKey: string): Mark => ({
  loadNumber,
  stepKey,
  startedAt: null,
  doneAt: null,
  skippedWhy: null,
  extraMin: 0,
  personId: null,
  version: 0,
});

/**
 * A mark after a change, as the house will have it.
 *
 * @param nowIso when the house takes it, ISO 8601: nothing is done later than that
 */
export function markAfter(mark: Mark, change: MarkChange, nowIso: string): Mark {
  const at = change.at !== undefined && change.at < nowIso ? change.at : nowIso;
  const { isStarted, isDone, skippedWhy, extraMin, personId } = change;
  const isOver = skippedWhy !== undefined || isDone === true;
  const isOpened = isDone === false;
  return {
    ...mark,
    startedAt: isStarted === undefined ? mark.startedAt : isStarted ? (mark.startedAt ?? at) : null,
    doneAt: isOver ? notBefore(mark.startedAt, at) : isOpened ? null : mark.doneAt,
    skippedWhy: skippedWhy ?? (isDone === undefined ? mark.skippedWhy : null),
    extraMin: extraMin ?? mark.extraMin,
    personId: personId === undefined ? mark.personId : personId,
    version: mark.version + 1,
  };
}

/** No step ends before it was begun, whatever a device's clock says. */
const notBefore = (startedAt: string | null, at: string): string =>
  startedAt !== null && startedAt > at ? startedAt : at;
