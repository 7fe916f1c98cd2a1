import type { LotRecord, NarrowDocument } from '@calm/contract';
import { HOUR_MS, risenBy, type Look } from '@calm/core';
import { currentRecords } from '../lots/currentRecords';
import type { DoughInProgress } from '../lots/lotHistory';

/** What a finger in a ball tells: as a look does. */
const LOOK_OF_POKE: Readonly<Record<string, Look>> = {
  'springs-back': 'early',
  slowly: 'right',
  stays: 'late',
};

/** What was seen and measured of a lot, hours from the mixer. */
type Seen = Omit<NarrowDocument, 'dough' | 'constants'>;

/**
 * A lot's dough on its way with what somebody saw and measured of it, as the engine narrows its window by. A poke, and
 * dough that smells of alcohol, say of balls what a look says; of a tub they say nothing of when its balls open.
 *
 * @param records of that lot, corrected ones among them
 * @returns null where nothing that tells of its window was seen or measured yet
 */
export function observedOfLot(
  { document, mixedMs }: DoughInProgress,
  records: readonly LotRecord[],
): NarrowDocument | null {
  const seen = seenOf(records, mixedMs, shapedHour(document));
  const isAny = Object.values(seen).some((each) => !Array.isArray(each) || each.length > 0);
  return isAny ? { dough: document, ...seen } : null;
}

/** When its dough is first shaped, hours from the mixer. */
function shapedHour({ stages }: DoughInProgress['document']): number {
  const first = stages.findIndex(({ kind }) => kind === 'ball');
  return stages.slice(0, Math.max(0, first)).reduce((sum, { hours }) => sum + hours, 0);
}

function seenOf(records: readonly LotRecord[], mixedMs: number, ballsH: number): Seen {
  const hourOf = ({ at }: LotRecord) => (Date.parse(at) - mixedMs) / HOUR_MS;
  const looked = currentRecords(records, 'looked');
  const checked = currentRecords(records, 'checked').filter((each) => hourOf(each) >= ballsH);
  const opened = currentRecords(records, 'opened').at(-1);
  const looks = [
    ...looked.map((record) => ({ hour: hourOf(record), found: record.content.found })),
    ...checked.flatMap((record) => {
      const { check, answer } = record.content;
      const found =
        check === 'poke' ? LOOK_OF_POKE[answer] : answer === 'alcohol' ? 'late' : undefined;
      return found ? [{ hour: hourOf(record), found }] : [];
    }),
  ];
  return {
    looks,
    readings: [...looked, ...currentRecords(records, 'core')].flatMap((record) => {
      const { coreTempC } = record.content;
      return coreTempC === null ? [] : [{ hour: hourOf(record), coreTempC }];
    }),
    marks: currentRecords(records, 'risen').map((record) => {
      const { on, from, now } = record.content;
      return { hour: hourOf(record), rise: risenBy(on, from, now) };
    }),
    ...(opened && { opened: { hour: hourOf(opened), found: opened.content.found } }),
  };
}
