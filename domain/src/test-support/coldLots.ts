import { HOUR_MS, stageKey, workOf } from '@calm/core';
import { exampleBook, exampleLot, exampleServices } from '@calm/demo';
import type { Lot, LotRecord, RecordContent, Spot } from '@calm/contract';
import { emptyMark } from '../lots/marks';
import { boardLots, leadProducts, type BoardLot } from '../lots/lotBoard';

/** A lot of the demo's round that stands in the walk-in, with what tests of the cold need beside it. */
export const book = exampleBook();
/** Of the demo's things, the one that tests stand on. */
function known<Thing>(thing: Thing | undefined): Thing {
  if (!thing) throw new Error('the demo has a round, a walk-in and an under-counter');
  return thing;
}
export const product = known(leadProducts(book).find(({ slug }) => slug === 'yard-round'));
export const place = known(book.places.find(({ name }) => name === 'Walk-in'));
export const under = known(book.places.find(({ name }) => name === 'Under-counter'));
export const services = exampleServices(product);
export const plain = exampleLot(book, product);
export const board = (lot: Lot): BoardLot => {
  const [only] = boardLots(book, services, [lot]);
  if (!only) throw new Error('a lot that is under way is on the board');
  return only;
};
const stages = board(plain).stages;
const cold = stages.find(({ kind, key }) => kind === 'rest' && key === 'cold');
if (!cold) throw new Error('the round is held cold');
export const [COLD_MS, PULL_MS] = [cold.startMs, cold.endMs];
/** The lot as it is once it has been put in the cold. */
export const chilled: Lot = {
  ...plain,
  marks: workOf(stages)
    .filter(({ endMs }) => endMs <= COLD_MS)
    .map((work) => ({
      ...emptyMark(0, stageKey(work)),
      doneAt: new Date(work.endMs).toISOString(),
      version: 1,
    })),
};
export const NOW_MS = COLD_MS + 20 * HOUR_MS;

export const spot = (zone: string, position: number, placeId = place.id): Spot => ({
  placeId,
  zone,
  position,
});
let made = 0;
export const record = (
  ms: number,
  content: RecordContent,
  correctsId: string | null = null,
): LotRecord => {
  made += 1;
  return {
    id: `r${made}`,
    lotId: plain.id,
    at: new Date(ms).toISOString(),
    receivedAt: null,
    personId: null,
    correctsId,
    content,
  };
};
export const moved = (ms: number, from: Spot | null, to: Spot | null, trays: number) =>
  record(ms, { kind: 'moved', productId: product.id, from, to, trays, balls: trays * 12 });
