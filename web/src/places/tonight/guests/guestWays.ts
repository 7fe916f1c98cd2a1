import type { ColdBoard, LotRecord, Product, Service } from '@calm/contract';
import {
  ballSources,
  sameDayDough,
  soonestMs,
  surplusOf,
  takenFrom,
  type BallSource,
  type SameDayDough,
  type Taken,
  type WaitingLot,
} from '@calm/domain';
import type { Board } from '../../../state/board/useBoard';
import { waitingLot } from '../../../state/advice/waitingLot';

/** More guests than were counted on, or fewer, as balls of one product at one service. */
export interface Guests {
  readonly product: Product;
  readonly service: Service;
  /** Below zero is fewer. */
  readonly more: number;
}

/** Balls of a lot and what the engine is asked about them. */
export interface GuestWay {
  readonly taken: Taken;
  /** Whom they would be for; null where no later service wants any. */
  readonly service: Service | null;
  readonly waiting: WaitingLot;
}

/** What can be done about it, before the engine has said what comes of it. */
export interface GuestWays {
  readonly guests: Guests;
  readonly ways: readonly GuestWay[];
  /** Balls that nobody has mixed, and that nobody could take from elsewhere. */
  readonly missing: number;
  readonly sameDay: SameDayDough | null;
  /** When dough begun now is opened at the earliest by its own route, ms; null where nobody makes it. */
  readonly soonestMs: number | null;
  /** Balls of other products that nobody waits for. */
  readonly others: readonly { readonly product: Product; readonly balls: number }[];
}

/** What is known beside the board. */
interface Known {
  readonly cold: ColdBoard | null;
  readonly records: readonly LotRecord[];
  readonly atMs: number;
}

/** Where more balls could come from, or where those that nobody comes for could go. */
export function guestWays(board: Board, guests: Guests, known: Known): GuestWays {
  const { product, service, more } = guests;
  const { records, atMs } = known;
  const of = (id: string) => ballSources(board.lots, board.services, records, id, service, atMs);
  const { taken, missing } =
    more > 0
      ? takenFrom(of(product.id), more)
      : {
          taken: surplusOf(board.lots, records, product.id, service, -more, atMs),
          missing: 0,
        };
  const to = more > 0 ? service : nextAfter(board.services, guests);
  const ways = taken.flatMap((each): GuestWay[] => {
    const services = to ? [spanOf(to, each.balls, atMs)] : [];
    const own = records.filter(({ lotId }) => lotId === each.lot.lot?.id);
    const waiting = waitingLot(board, each.lot, product, { ...known, records: own }, services);
    return waiting ? [{ taken: each, service: to, waiting }] : [];
  });
  const made = board.lots.find(({ items }) => items.some((i) => i.productId === product.id));
  const prefermentC = board.book.house.settings.usualTempsC.preferment;
  const isShort = more > 0 && made !== undefined;
  return {
    guests,
    ways,
    missing,
    sameDay: isShort
      ? sameDayDough(made, product, more, prefermentC, atMs, middleMs(service, atMs))
      : null,
    soonestMs: isShort ? soonestMs(made, more, atMs) : null,
    others:
      more > 0
        ? board.book.products
            .filter(({ id }) => id !== product.id)
            .map((other) => ({ product: other, balls: spareIn(of(other.id)) }))
            .filter(({ balls }) => balls > 0)
        : [],
  };
}

const spareIn = (sources: readonly BallSource[]): number =>
  sources.reduce((sum, { spare }) => sum + spare, 0);

/** The middle of what is left of a service, ms. */
function middleMs({ startsAt, endsAt }: Service, nowMs: number): number {
  const [startMs, endMs] = [Date.parse(startsAt), Date.parse(endsAt)];
  return (Math.max(startMs, nowMs) + endMs) / 2;
}

/** The next service after one that wants its product; null where none does. */
const nextAfter = (services: readonly Service[], { product, service }: Guests): Service | null =>
  [...services]
    .sort((a, b) => (a.startsAt < b.startsAt ? -1 : 1))
    .find(
      ({ startsAt, counts }) =>
        startsAt > service.startsAt &&
        counts.some(({ productId, count }) => productId === product.id && count > 0),
    ) ?? null;

/** What is left of a service, for so many balls. */
const spanOf = ({ startsAt, endsAt }: Service, balls: number, nowMs: number) => ({
  startMs: Math.max(Date.parse(startsAt), nowMs),
  endMs: Date.parse(endsAt),
  balls,
});

/** When a product is sold out with so many guests more, ms; null where it is not. */
export function soldOutMs(
  curve: readonly number[],
  { startsAt, endsAt }: Service,
  count: number,
  more: number,
): number | null {
  const [startMs, endMs] = [Date.parse(startsAt), Date.parse(endsAt)];
  const quarterMs = (endMs - startMs) / Math.max(1, curve.length);
  let gone = 0;
  for (const [i, share] of curve.entries()) {
    const next = gone + share * (count + more);
    if (next > count)
      return startMs + (i + (share > 0 ? (count - gone) / (next - gone) : 0)) * quarterMs;
    gone = next;
  }
  return null;
}
