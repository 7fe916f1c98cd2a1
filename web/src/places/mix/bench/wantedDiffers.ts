import type { Sheet } from '../sheet/useSheet';

/** True when demand has moved since the lot was started. */
export function wantedDiffers({ boardLot }: Sheet): boolean {
  if (!boardLot.lot) return false;
  return boardLot.wanted.some(
    (want) => (boardLot.items.find((i) => i.productId === want.productId)?.count ?? 0) < want.count,
  );
}
