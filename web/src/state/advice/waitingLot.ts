import type { ColdBoard, LotRecord, Product, Usage } from '@calm/contract';
import {
  airOfPlaces,
  asDecided,
  currentRecords,
  doughInProgress,
  keptCold,
  nextDoors,
  type BoardLot,
  type DoughInProgress,
  type WaitingLot,
} from '@calm/domain';
import type { Board } from '../board/useBoard';
import { servicesFor, spotsOf } from './spots';

/** What is known of a house at a moment, beside its board. */
export interface KnownNow {
  /** Null where nothing is known of its cold. */
  readonly cold: ColdBoard | null;
  /** Of the lot. */
  readonly records: readonly LotRecord[];
  /** How balls usually go over a service; in even numbers where nobody knows. */
  readonly usage?: readonly Usage[];
  readonly atMs: number;
}

/**
 * A lot's balls of one product as the engine is asked about them.
 *
 * @param services whom they are for; those of their plan when absent
 * @returns null of a lot that is not mixed yet
 */
export function waitingLot(
  board: Board,
  lot: BoardLot,
  product: Product,
  { cold, records, usage = [], atMs }: KnownNow,
  services?: WaitingLot['services'],
): WaitingLot | null {
  const { book } = board;
  const going = doughInProgress(lot, product, book.house.settings.usualTempsC.preferment, atMs);
  if (!going || going.mixedMs > atMs) return null;
  const air = cold ? airOfPlaces(book.places, cold.probes, cold.air, cold.notes) : [];
  const wanting = services ?? servicesFor(board.services, lot, records, atMs, product, usage);
  const kept = stillCold(going, lot, product, board, cold, atMs, wanting[0]?.startMs ?? null);
  const isPartOut = currentRecords(records, 'pulled').some(
    ({ lotId, content }) => lotId === lot.lot?.id && content.balls > 0,
  );
  const trays = kept && isPartOut ? 'cold' : 'all';
  return {
    way: asDecided(kept ?? going, records, trays),
    trays,
    records,
    places: book.places,
    air,
    nowMs: atMs,
    // What stands in the cold is pulled for one service; for the later ones it stays there.
    services: kept && !services ? firstOf(wanting) : wanting,
    spots: spotsOf(book, air, lot, atMs),
  };
}

/** The hours of the first service: they follow one another without a gap. */
function firstOf(hours: WaitingLot['services']): WaitingLot['services'] {
  const end = hours.findIndex(({ endMs }, i) => hours[i + 1]?.startMs !== endMs);
  return hours.slice(0, end + 1);
}

/**
 * The way of a lot's trays that stand in the cold, though others of it have been pulled: until they have to warm for
 * the first guests who want them. Null of one that has none.
 */
function stillCold(
  way: DoughInProgress,
  lot: BoardLot,
  product: Product,
  { book: { places }, services }: Board,
  cold: ColdBoard | null,
  nowMs: number,
  wantedMs: number | null,
): DoughInProgress | null {
  const isStanding = cold?.lots.some(
    ({ key, productId, zone }) => key === lot.lot?.id && productId === product.id && zone !== null,
  );
  if (!isStanding) return null;
  const inCold = way.places.map(
    (name) => places.find((place) => place.name === name && place.room !== null) ?? null,
  );
  const doors = wantedMs ?? nextDoors(lot, services, nowMs);
  const stages = keptCold(way.document.stages, inCold, way.mixedMs, nowMs, doors);
  return stages ? { ...way, document: { ...way.document, stages } } : way;
}
