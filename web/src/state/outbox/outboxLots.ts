import { emptyMark, markAfter, PART_OF_LOT, partOfLot } from '@calm/domain';
import type { Lot, LotRecord, Mark, RecordContent } from '@calm/contract';
import type { OutboxItem } from './outbox';

/** A mark of a lot, as never touched when there is none. */
export const markOf = (lot: Lot | null, loadNumber: number, stepKey: string): Mark =>
  lot?.marks.find((mark) => mark.loadNumber === loadNumber && mark.stepKey === stepKey) ??
  emptyMark(loadNumber, stepKey);

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
export function lotsWithOutboxItems(
  lots: readonly Lot[],
  items: readonly OutboxItem[],
): readonly Lot[] {
  return items.reduce<readonly Lot[]>((now, item) => {
    const { command, at, refusal } = item;
    if (refusal) return now;
    if (command.kind === 'mark') {
      return changed(now, command.lotId, (lot) => {
        const mark = markOf(lot, command.loadNumber, command.stepKey);
        return mark.version === command.change.version
          ? withMark(lot, markAfter(mark, command.change, at))
          : lot;
      });
    }
    if (command.kind === 'load') {
      return changed(now, command.lotId, (lot) => ({
        ...lot,
        loads: lot.loads.map((load) =>
          load.number === command.number && load.version === command.change.version
            ? { ...load, ...command.change, version: load.version + 1 }
            : load,
        ),
      }));
    }
    if (command.kind === 'record' && isPartOfLot(command.start.content)) {
      const [record] = recordsWithOutboxItems([], [item]);
      return record ? changed(now, command.lotId, (lot) => withRecords(lot, [record])) : now;
    }
    return now;
  }, lots);
}

/** Whether a record is part of its lot, or takes back what is. */
export const isPartOfLot = ({ kind }: RecordContent): boolean => PART_OF_LOT.includes(kind);

/** A lot with more that was put on the scale, told of its yeast or decided; what is there already counts once. */
export function withRecords(lot: Lot, records: readonly LotRecord[]): Lot {
  const { weighed, yeastPack, decided, ...others } = lot;
  const own = [...weighed, ...[yeastPack, decided].filter((each) => each !== undefined)];
  const there = new Set(own.map(({ id }) => id));
  const more = records.filter(({ id, lotId }) => lotId === lot.id && !there.has(id));
  return { ...others, ...partOfLot([...own, ...more]) };
}

function changed(lots: readonly Lot[], lotId: string, change: (lot: Lot) => Lot): readonly Lot[] {
  return lots.some(({ id }) => id === lotId)
    ? lots.map((lot) => (lot.id === lotId ? change(lot) : lot))
    : lots;
}

/** Records with those that are still on their way. */
export function recordsWithOutboxItems(
  records: readonly LotRecord[],
  items: readonly OutboxItem[],
): readonly LotRecord[] {
  const there = new Set(records.map(({ id }) => id));
  const onTheWay = items.flatMap(({ personId, at, command, refusal }): LotRecord[] =>
    command.kind === 'record' && !refusal && !there.has(command.start.id)
      ? [
          {
            id: command.start.id,
            lotId: command.lotId,
            at: command.start.at ?? at,
            receivedAt: null,
            personId,
            correctsId: command.start.correctsId ?? null,
            content: command.start.content,
          },
        ]
      : [],
  );
  return onTheWay.length === 0 ? records : [...records, ...onTheWay];
}
