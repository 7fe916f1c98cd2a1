import type { LotRecord, Product, Service } from '@calm/contract';
import { currentRecords, decidedPullMs, type BoardLot } from '@calm/domain';

/** When what stands in the cold is pulled, as was decided, and from when to when it was meant to open well, epoch ms. */
export interface DecidedPull {
  readonly pullMs: number;
  readonly opensMs: number;
  readonly endsMs: number;
}

/**
 * The pull that was decided of what a lot still has in the cold for a service.
 *
 * @param services of the board
 * @param records of the lot
 * @returns null where nothing was decided for that service, or where it has been pulled since
 */
export function decidedPullOf(
  { lot, date }: BoardLot,
  { id }: Product,
  service: Service,
  services: readonly Service[],
  records: readonly LotRecord[],
): DecidedPull | null {
  const decided = lot?.decided;
  if (!lot || decided?.content.of !== 'cold') return null;
  const pullMs = decidedPullMs(decided);
  const { opensAt, endsAt } = decided.content.meant;
  // It was asked about for the first service that was still to be served.
  const first = services
    .filter((each) => each.date === date && each.endsAt > decided.at)
    .filter(({ counts }) => counts.some(({ productId, count }) => productId === id && count > 0))
    .sort((a, b) => (a.startsAt < b.startsAt ? -1 : 1))[0];
  const isPulled = currentRecords(records, 'pulled').some(
    ({ lotId, at, content }) =>
      lotId === lot.id && content.productId === id && content.balls > 0 && at > decided.at,
  );
  if (isPulled || first?.startsAt !== service.startsAt) return null;
  if (pullMs === null || opensAt === null || endsAt === null) return null;
  return { pullMs, opensMs: Date.parse(opensAt), endsMs: Date.parse(endsAt) };
}
