import type { LotRecord, Service } from '@calm/contract';
import { dateOfService, serviceIdOf } from '../week/weekIds';
import { discardedOf } from '../cold/stacks';
import { ballsToMake } from '../demand/ballsToMake';
import { currentRecords } from '../lots/currentRecords';
import type { BoardLot } from '../lots/lotBoard';

/** Balls that a service waits for. */
export interface WaitedFor {
  readonly service: Service;
  readonly balls: number;
}

/** A lot that is mixed, and whom its balls of one product are for. */
export interface BallSource {
  readonly lot: BoardLot;
  /** Balls that nobody has pulled yet … */
  readonly standing: number;
  /** … those of them that nobody waits for … */
  readonly spare: number;
  /** … and those that services after the one in hand wait for, the next one first. */
  readonly later: readonly WaitedFor[];
}

/** Balls of a lot, lent to another service than theirs. */
export interface Taken {
  readonly lot: BoardLot;
  readonly balls: number;
  /** Those of them that nobody waited for. */
  readonly spare: number;
  /** What other services lack by it. */
  readonly lacks: readonly WaitedFor[];
}

/** Balls of a lot that were pulled for services of other days. */
export const lentOf = (
  records: readonly LotRecord[],
  { id, serviceDate }: { readonly id: string; readonly serviceDate: string },
  productId: string,
): number =>
  currentRecords(records, 'pulled')
    .filter(
      ({ lotId, content }) =>
        lotId === id &&
        content.productId === productId &&
        dateOfService(content.serviceId) !== serviceDate,
    )
    .reduce((sum, { content }) => sum + content.balls, 0);

/**
 * Where balls of a product stand that a service could have, the oldest dough first.
 *
 * @param records of these lots
 * @returns only lots that have some to spare, or to lend
 */
export function ballSources(
  lots: readonly BoardLot[],
  services: readonly Service[],
  records: readonly LotRecord[],
  productId: string,
  service: Service,
  nowMs: number,
): BallSource[] {
  return lots
    .filter(({ lot, date, closeMs }) => lot && date >= service.date && closeMs > nowMs)
    .sort((a, b) => (a.date < b.date ? -1 : 1))
    .flatMap((lot): BallSource[] => {
      const source = sourceOf(lot, services, records, productId, service, nowMs);
      return source && (source.spare > 0 || source.later.length > 0) ? [source] : [];
    });
}

/** Balls of a lot that nobody has pulled yet, and what was pulled of them. */
function standingOf(lot: BoardLot, records: readonly LotRecord[], productId: string) {
  const made = lot.items.find((item) => item.productId === productId)?.count ?? 0;
  const id = lot.lot?.id ?? '';
  const pulled = currentRecords(records, 'pulled').filter(
    ({ lotId, content }) => lotId === id && content.productId === productId,
  );
  const out = pulled.reduce((sum, { content }) => sum + content.balls, 0);
  const standing = Math.max(0, made - discardedOf(records, id, productId) - out);
  return { standing, pulled };
}

/** Balls made for a service that nobody comes for: as many as there are, at most. */
export function surplusOf(
  lots: readonly BoardLot[],
  records: readonly LotRecord[],
  productId: string,
  service: Service,
  balls: number,
  nowMs: number,
): Taken[] {
  return lots
    .filter(({ lot, date, closeMs }) => lot && date === service.date && closeMs > nowMs)
    .flatMap((lot): Taken[] => {
      const some = Math.min(balls, standingOf(lot, records, productId).standing);
      return some > 0 ? [{ lot, balls: some, spare: some, lacks: [] }] : [];
    });
}

function sourceOf(
  lot: BoardLot,
  services: readonly Service[],
  records: readonly LotRecord[],
  productId: string,
  service: Service,
  nowMs: number,
): BallSource | null {
  const { standing, pulled } = standingOf(lot, records, productId);
  if (standing === 0) return null;
  let left = standing;
  const waiting = services
    .filter(({ date, endsAt }) => date === lot.date && Date.parse(endsAt) > nowMs)
    .sort((a, b) => (a.startsAt < b.startsAt ? -1 : 1))
    .flatMap((each): WaitedFor[] => {
      const count = each.counts.find((of) => of.productId === productId);
      const has = pulled
        .filter(({ content }) => content.serviceId === serviceIdOf(each))
        .reduce((sum, { content }) => sum + content.balls, 0);
      const balls = Math.min(left, Math.max(0, (count ? ballsToMake(count) : 0) - has));
      left -= balls;
      return balls > 0 ? [{ service: each, balls }] : [];
    });
  const later = waiting.filter((each) => each.service.startsAt > service.startsAt);
  return { lot, standing, spare: left, later };
}

/**
 * So many balls from where they stand: what nobody waits for first, then what the latest service of the oldest dough waits for.
 *
 * @returns what is taken from each, and how many nobody has
 */
export function takenFrom(
  sources: readonly BallSource[],
  balls: number,
): { readonly taken: readonly Taken[]; readonly missing: number } {
  let missing = balls;
  const take = (most: number) => {
    const some = Math.min(missing, most);
    missing -= some;
    return some;
  };
  const spares = sources.map(({ spare }) => take(spare));
  const taken = sources.map(({ lot, later }, i): Taken => {
    const spare = spares[i] ?? 0;
    const lacks = [...later].reverse().flatMap((each): WaitedFor[] => {
      const some = take(each.balls);
      return some > 0 ? [{ ...each, balls: some }] : [];
    });
    return { lot, spare, balls: lacks.reduce((sum, each) => sum + each.balls, spare), lacks };
  });
  return { taken: taken.filter((each) => each.balls > 0), missing };
}
