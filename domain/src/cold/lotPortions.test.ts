import { HOUR_MS, stageKey, workOf } from '@calm/core';
import { describe, expect, it } from '@jest/globals';
import type { Lot, LotRecord } from '@calm/contract';
import { emptyMark } from '../lots/marks';
import {
  board,
  book,
  chilled,
  COLD_MS,
  moved,
  place,
  product,
  PULL_MS,
  record,
  spot,
} from '../test-support/coldLots';
import { isCold } from './coldQuestion';
import { lotPortions } from './lotPortions';
import { stacksAt } from './stacks';

/** An hour after the lot's pull: half of its trays are out, the others stand where they stood. */
const NOW_MS = PULL_MS + HOUR_MS;
const pulled: Lot = {
  ...chilled,
  marks: workOf(board(chilled).stages)
    .filter(({ startMs }) => startMs <= PULL_MS)
    .map((work) => ({
      ...emptyMark(0, stageKey(work)),
      doneAt: new Date(work.endMs).toISOString(),
      version: 1,
    })),
};
const before: readonly LotRecord[] = [
  moved(COLD_MS, null, spot('back', 1), 4),
  record(PULL_MS, {
    kind: 'pulled',
    productId: product.id,
    serviceId: 'dinner',
    trays: 2,
    balls: 24,
  }),
];
const OUT_MS = NOW_MS + 3 * HOUR_MS;
const decided = record(NOW_MS - HOUR_MS / 2, {
  kind: 'decided',
  do: 'pull-later',
  where: null,
  fromAt: new Date(OUT_MS).toISOString(),
  stages: [
    {
      kind: 'ball',
      place: place.name,
      airTempC: 4,
      container: 'lidded-tray',
      isBalledAgain: false,
      untilAt: new Date(OUT_MS).toISOString(),
    },
    {
      kind: 'ball',
      place: 'Line',
      airTempC: 24,
      container: 'lidded-tray',
      isBalledAgain: false,
      untilAt: new Date(OUT_MS + 6 * HOUR_MS).toISOString(),
    },
  ],
  meant: { opensAt: null, endsAt: null, balls: 24, odds: 0.9 },
  note: '',
});

/** When trays that stand in the cold leave it, and how long they have been warm by then, h. */
function standing(records: readonly LotRecord[]) {
  const [portion] = lotPortions(
    board(pulled),
    book,
    stacksAt(records, NOW_MS),
    book.places.filter(isCold),
    { nowMs: NOW_MS, doorsMs: null, isAsSet: false, records, airRead: () => null },
    18,
  ).filter(({ part }) => part.product.id === product.id && part.zone !== null);
  if (!portion) throw new Error('two trays stand in the cold');
  let hour = 0;
  const stages = portion.route.stages.map(({ hours, airTempC, kind }) => {
    hour += hours;
    return { kind, airTempC, endMs: portion.part.mixedMs + hour * HOUR_MS };
  });
  const last = stages.findLast(({ airTempC }) => airTempC < 10);
  return { outMs: last?.endMs ?? 0, stages };
}

describe('trays that stayed in the cold when others of their lot were pulled', () => {
  it('leave it when it was decided, and have not been out before', () => {
    const { outMs, stages } = standing([...before, decided]);
    expect(Math.abs(outMs - OUT_MS)).toBeLessThan(2 * 60_000);
    const warm = stages.filter(
      ({ endMs, airTempC, kind }) => kind === 'ball' && airTempC > 15 && endMs > COLD_MS + HOUR_MS,
    );
    expect(warm).toHaveLength(1);
  });

  it('stand there still while nothing was decided', () => {
    expect(standing(before).outMs).toBeGreaterThanOrEqual(NOW_MS);
  });
});
