import type { BoardLot } from '@calm/domain';

/** The route stages of a lot that were recorded as done by a moment. */
export function doneKeys(lot: BoardLot, atMs: number): ReadonlySet<string> {
  const marks = lot.lot?.marks ?? [];
  return new Set(
    marks
      .filter((m) => m.loadNumber === 0 && m.doneAt !== null && Date.parse(m.doneAt) <= atMs)
      .map((m) => m.stepKey),
  );
}
