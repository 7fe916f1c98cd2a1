import { freeTrays, putAway, type TraysAt } from '@calm/core';
import type { HouseBook, Product, Place, LotRecord } from '@calm/contract';
import { lotPositionOf, type BoardLot } from '../lots/lotBoard';
import { stagesAsTheyAre } from '../lots/lotHistory';
import { currentRecords } from '../lots/currentRecords';
import { standingIn } from './moves';
import { discardedOf, stacksAt, traysOf, type Stack } from './stacks';

/** Trays as the rack shows them at a moment. */
export interface ShownStack {
  readonly lot: BoardLot;
  readonly product: Product;
  readonly stack: Stack;
  /** On record there; what is not is where it best goes. */
  readonly isOnRecord: boolean;
}

/** Trays for which there is no room. */
export interface WithoutRoom {
  readonly lot: BoardLot;
  readonly product: Product;
  readonly placeId: string;
  readonly trays: number;
}

/** Every rack at a moment. */
export interface Racks {
  readonly shown: readonly ShownStack[];
  readonly without: readonly WithoutRoom[];
}

/** A lot's stay in a cold place, epoch ms. */
interface Stay {
  readonly lot: BoardLot;
  readonly place: Place;
  readonly fromMs: number;
  readonly toMs: number;
}

/**
 * What stands where at a moment. What was put somewhere stands there until it is taken out; what nobody has
 * put anywhere yet, and what is still to come in, is shown where it best goes; what finds no room is named.
 *
 * @param atMs past or to come
 * @param nowMs parts record from plan
 */
export function racksAt(
  lots: readonly BoardLot[],
  { places, products }: Pick<HouseBook, 'places' | 'products'>,
  records: readonly LotRecord[],
  atMs: number,
  nowMs: number,
): Racks {
  const recorded = stacksAt(records, Math.min(atMs, nowMs));
  const stays = lots
    .filter((lot) => isThereOrToCome(lot, nowMs))
    .flatMap((lot) => staysOf(lot, places, nowMs))
    .filter(({ fromMs, toMs }) => fromMs <= atMs && atMs < toMs)
    .sort((a, b) => a.fromMs - b.fromMs);
  const shown: ShownStack[] = [];
  for (const stack of recorded) {
    const lot = lots.find((each) => each.lot?.id === stack.lotId);
    const product = products.find(({ id }) => id === stack.productId);
    if (!lot || !product || isGone(lot, atMs, nowMs)) continue;
    // By then it will have been pulled.
    if (atMs > nowMs && !stays.some((stay) => stay.lot === lot)) continue;
    shown.push({ lot, product, stack, isOnRecord: true });
  }
  const without: WithoutRoom[] = [];
  for (const { lot, place, fromMs } of stays) {
    for (const item of lot.items) {
      const product = products.find(({ id }) => id === item.productId);
      if (!product) continue;
      const missing = traysInCold(lot, product, records, atMs) - traysShown(shown, lot, product);
      if (missing <= 0) continue;
      const taken = standingIn(
        place,
        shown.map(({ stack }) => stack),
      );
      const { puts, without: left } = putAway(place, taken, missing, false);
      for (const put of puts) {
        shown.push({
          lot,
          product,
          stack: advisedStack(lot, product, place, put, item.count, fromMs),
          isOnRecord: false,
        });
      }
      if (left > 0) without.push({ lot, product, placeId: place.id, trays: left });
    }
  }
  return { shown, without };
}

/** Room that is left in a place, trays. */
export const roomIn = (place: Place, { shown }: Racks): number =>
  freeTrays(
    place,
    standingIn(
      place,
      shown.map(({ stack }) => stack),
    ),
  );

/** A lot that was to be in the cold by now and that nobody has mixed is nowhere. */
function isThereOrToCome({ lot, stages }: BoardLot, nowMs: number): boolean {
  if (lot) return true;
  const cold = stages.find(({ kind, key }) => kind === 'rest' && key === 'cold');
  return cold === undefined || cold.startMs > nowMs;
}

function staysOf(lot: BoardLot, places: readonly Place[], nowMs: number): Stay[] {
  const times = stagesAsTheyAre(lot, nowMs);
  return lot.stages.flatMap((stage, i): Stay[] => {
    const place =
      stage.kind === 'rest' && stage.key === 'cold'
        ? places.find(({ name, room }) => name === stage.place && room !== null)
        : undefined;
    const at = times[i];
    return place && at ? [{ lot, place, fromMs: at.startMs, toMs: at.endMs }] : [];
  });
}

/** Trays of a lot that are for the cold and have not left it at a moment. */
function traysInCold(
  lot: BoardLot,
  product: Product,
  records: readonly LotRecord[],
  atMs: number,
): number {
  const { lot: under } = lot;
  const isOurs = (record: LotRecord) => record.lotId === under?.id && Date.parse(record.at) <= atMs;
  const pulled = currentRecords(records.filter(isOurs), 'pulled')
    .filter(({ content }) => content.productId === product.id)
    .reduce((sum, { content }) => sum + content.trays, 0);
  const out = currentRecords(records.filter(isOurs), 'moved')
    .filter(({ content }) => content.productId === product.id && content.to === null)
    .reduce((sum, { content }) => sum + content.trays, 0);
  const gone = under
    ? Math.ceil(discardedOf(records.filter(isOurs), under.id, product.id) / product.ballsPerTray)
    : 0;
  return Math.max(0, traysOf(lot, product) - pulled - out - gone);
}

const traysShown = (shown: readonly ShownStack[], lot: BoardLot, product: Product): number =>
  shown
    .filter((each) => each.lot === lot && each.product === product)
    .reduce((sum, { stack }) => sum + stack.trays, 0);

function isGone(lot: BoardLot, atMs: number, nowMs: number): boolean {
  const { kind } = lotPositionOf(lot, atMs, nowMs);
  return kind === 'served';
}

function advisedStack(
  lot: BoardLot,
  product: Product,
  place: Place,
  { zone, position, trays }: TraysAt,
  count: number,
  fromMs: number,
): Stack {
  const spot = { placeId: place.id, zone, position };
  return {
    lotId: lot.lot?.id ?? `${lot.code}/${lot.date}`,
    productId: product.id,
    spot,
    trays,
    balls: Math.min(count, trays * product.ballsPerTray),
    legs: [{ spot, fromMs }],
  };
}
