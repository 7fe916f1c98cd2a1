import type { LotRecord, NarrowDocument } from '@calm/contract';
import { HOUR_MS } from '@calm/core';
import { currentRecords } from '../lots/currentRecords';
import type { DoughInProgress } from '../lots/lotHistory';

/**
 * A lot's dough on its way with what somebody saw and measured of it, as the engine narrows its window by.
 *
 * @param records of that lot, corrected ones among them
 * @returns null where nothing was seen or measured of it yet
 */
export function observedOfLot(
  { document, mixedMs }: DoughInProgress,
  records: readonly LotRecord[],
): NarrowDocument | null {
  const hourOf = ({ at }: LotRecord) => (Date.parse(at) - mixedMs) / HOUR_MS;
  const looked = currentRecords(records, 'looked');
  const opened = currentRecords(records, 'opened').at(-1);
  if (looked.length === 0 && !opened) return null;
  return {
    dough: document,
    looks: looked.map((record) => ({ hour: hourOf(record), found: record.content.found })),
    readings: looked.flatMap((record) => {
      const { coreTempC } = record.content;
      return coreTempC === null ? [] : [{ hour: hourOf(record), coreTempC }];
    }),
    ...(opened && { opened: { hour: hourOf(opened), found: opened.content.found } }),
  };
}
