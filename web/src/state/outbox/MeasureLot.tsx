import type { Lot, LotRecord } from '@calm/contract';
import { MeasureDough } from '../../parts/measures/MeasureDough';
import { useKeepPhoto } from './useKeepPhoto';
import { useRecordOutcome } from './useRecordOutcome';

/** Measures of a lot, on record at once, also without a network. */
export function MeasureLot({
  house,
  lot,
  records,
}: {
  readonly house: string;
  readonly lot: Lot;
  readonly records: readonly LotRecord[];
}) {
  const put = useRecordOutcome(house, lot);
  const { keep } = useKeepPhoto(house, lot.id);
  return (
    <MeasureDough
      records={records}
      onPut={(content, words) => put(content, words)}
      onPhoto={(photo) => void keep(photo)}
    />
  );
}
