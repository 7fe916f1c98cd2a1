import type { BoardLot } from '../lots/lotBoard';
import type { Product, LotRecord, RecordOf, Spot } from '@calm/contract';
import { currentRecords } from '../lots/currentRecords';

/** Where trays stood from some moment on. */
export interface Leg {
  readonly spot: Spot;
  readonly fromMs: number;
}

/** Trays of one product of a lot at one position. */
export interface Stack {
  readonly lotId: string;
  readonly productId: string;
  readonly spot: Spot;
  readonly trays: number;
  readonly balls: number;
  /** Where they have stood, the first place first. */
  readonly legs: readonly Leg[];
}

/** Whether two spots are one. */
export const isSameSpot = (a: Spot, b: Spot): boolean =>
  a.placeId === b.placeId && a.zone === b.zone && a.position === b.position;

/** What changes where trays stand. */
const MOVING = ['moved', 'pulled', 'discarded'] as const;

type MovingRecord = RecordOf<(typeof MOVING)[number]>;

/**
 * Where every tray stands at a moment, by what is on record: put in, moved, pulled and thrown away. A record
 * of more trays than are there takes those that are: two people may have moved the same ones.
 *
 * @param records of any lots, in any order
 */
export function stacksAt(records: readonly LotRecord[], atMs: number): Stack[] {
  const moves = MOVING.flatMap((kind): MovingRecord[] => currentRecords(records, kind))
    .filter(({ at }) => Date.parse(at) <= atMs)
    .sort((a, b) => (a.at < b.at ? -1 : a.at > b.at ? 1 : 0));
  const byLot = new Map<string, readonly Stack[]>();
  for (const move of moves) {
    const { lotId } = move;
    byLot.set(lotId, stacksAfter(byLot.get(lotId) ?? [], lotId, move));
  }
  return [...byLot.values()].flat();
}

function stacksAfter(
  stacks: readonly Stack[],
  lotId: string,
  { at, content }: MovingRecord,
): readonly Stack[] {
  if (content.trays === 0) return stacks;
  const { productId, trays, balls } = content;
  const from = 'from' in content ? content.from : null;
  const isIn = content.kind === 'moved' && from === null;
  const taken = isIn ? [] : takenFrom(stacks, productId, from, trays);
  const left = stacks.flatMap((stack) => {
    const gone = taken.find((each) => each.stack === stack)?.trays ?? 0;
    return gone === 0 ? [stack] : gone < stack.trays ? [withTrays(stack, stack.trays - gone)] : [];
  });
  if (content.kind !== 'moved' || content.to === null) return left;
  const { to } = content;
  const leg: Leg = { spot: to, fromMs: Date.parse(at) };
  const arriving: Stack[] = isIn
    ? [{ lotId, productId, spot: to, trays, balls, legs: [leg] }]
    : taken.map(({ stack, trays: some }) => ({
        ...withTrays(stack, some),
        spot: to,
        legs: [...stack.legs, leg],
      }));
  return arriving.reduce(joined, left);
}

/** Which stacks some trays come from: of the position that is named, or of the lot's own, first in first out. */
function takenFrom(
  stacks: readonly Stack[],
  productId: string,
  from: Spot | null,
  trays: number,
): { readonly stack: Stack; readonly trays: number }[] {
  let wanted = trays;
  return stacks
    .filter((stack) => stack.productId === productId && (!from || isSameSpot(stack.spot, from)))
    .flatMap((stack) => {
      const some = Math.min(wanted, stack.trays);
      wanted -= some;
      return some > 0 ? [{ stack, trays: some }] : [];
    });
}

const withTrays = (stack: Stack, trays: number): Stack => ({
  ...stack,
  trays,
  balls: Math.round((stack.balls * trays) / stack.trays),
});

/** Trays that come to others of their own at a position stand with them, and have been where most of them were. */
function joined(stacks: readonly Stack[], arriving: Stack): readonly Stack[] {
  const there = stacks.find(
    (stack) => stack.productId === arriving.productId && isSameSpot(stack.spot, arriving.spot),
  );
  if (!there) return [...stacks, arriving];
  const both: Stack = {
    ...there,
    trays: there.trays + arriving.trays,
    balls: there.balls + arriving.balls,
    legs: there.trays >= arriving.trays ? there.legs : arriving.legs,
  };
  return stacks.map((stack) => (stack === there ? both : stack));
}

/** Trays that a lot's balls of a product fill. */
export const traysOf = ({ items }: Pick<BoardLot, 'items'>, product: Product): number =>
  Math.ceil(
    (items.find(({ productId }) => productId === product.id)?.count ?? 0) / product.ballsPerTray,
  );

/** Balls of a product that are gone from a lot by a decision, not by being used. */
export const discardedOf = (records: readonly LotRecord[], lotId: string, productId: string) =>
  currentRecords(records, 'discarded')
    .filter((each) => each.lotId === lotId && each.content.productId === productId)
    .reduce((sum, { content }) => sum + content.balls, 0);

/** Lots that somebody has put before the others. */
export function lotsPutFirst(records: readonly LotRecord[]): ReadonlySet<string> {
  const first = new Set<string>();
  for (const { lotId, content } of currentRecords(records, 'first')) {
    if (content.isFirst) first.add(lotId);
    else first.delete(lotId);
  }
  return first;
}
