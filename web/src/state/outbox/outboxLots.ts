import { markAfter, untouched } from '@calm/domain';
import type { Lot, LotRecord, Mark } from '@calm/contract';
import type { Errand } from './outbox';

/** A mark of a lot, as never touched when there is none. */
export const markOf = (lot: Lot | null, loadNumber: number, stepKey: string): Mark =>
  lot?.marks.find((mark) => mark.loadNumber === loadNumber && mark.stepKey === stepKey) ??
  untouched(loadNumber, stepKey);

/** A lot with one mark as it is now. */
export function withMark(lot: Lot, mark: Mark): Lot {
  const isThis = (each: Mark) =>
    each.loadNumber === mark.loadNumber && each.stepKey === mark.stepKey;
  return { ...lot, marks: [...lot.marks.filter((each) => !isThis(each)), mark] };
}

/**
 * Lots as they will be once the house has what was done on this device. What the house has refused does not
 * count; what it has already is not done twice.
 */
export function lotsWithErrands(lots: readonly Lot[], errands: readonly Errand[]): readonly Lot[] {
  return errands.reduce<readonly Lot[]>((now, { deed, at, refusal }) => {
    if (refusal) return now;
    if (deed.kind === 'mark') {
      return changed(now, deed.lotId, (lot) => {
        const mark = markOf(lot, deed.loadNumber, deed.stepKey);
        return mark.version === deed.change.version
          ? withMark(lot, markAfter(mark, deed.change, at))
          : lot;
      });
    }
    if (deed.kind === 'load') {
      return changed(now, deed.lotId, (lot) => ({
        ...lot,
        loads: lot.loads.map((load) =>
          load.number === deed.number && load.version === deed.change.version
            ? { ...load, ...deed.change, version: load.version + 1 }
            : load,
        ),
      }));
    }
    return now;
  }, lots);
}

function changed(lots: readonly Lot[], lotId: string, change: (lot: Lot) => Lot): readonly Lot[] {
  return lots.some(({ id }) => id === lotId)
    ? lots.map((lot) => (lot.id === lotId ? change(lot) : lot))
    : lots;
}

/** Records with those that are still on their way. */
export function recordsWithErrands(
  records: readonly LotRecord[],
  errands: readonly Errand[],
): readonly LotRecord[] {
  const there = new Set(records.map(({ id }) => id));
  const onTheWay = errands.flatMap(({ personId, at, deed, refusal }): LotRecord[] =>
    deed.kind === 'record' && !refusal && !there.has(deed.start.id)
      ? [
          {
            id: deed.start.id,
            lotId: deed.lotId,
            at: deed.start.at ?? at,
            personId,
            correctsId: deed.start.correctsId ?? null,
            content: deed.start.content,
          },
        ]
      : [],
  );
  return onTheWay.length === 0 ? records : [...records, ...onTheWay];
}
