/** What is left of a dough after its whole balls, and the use for it that is not the bin. */
export type Remainder =
  | { readonly kind: 'none' }
  /** A few grams more (or fewer) in every ball, inside the tolerance. */
  | { readonly kind: 'shared'; readonly extraPerBallG: number }
  /** Whole balls of a smaller product, and what is left even then. */
  | {
      readonly kind: 'smaller';
      readonly count: number;
      readonly ballWeightG: number;
      readonly leftG: number;
    }
  /** Too little for a smaller ball and too much to share: old dough for the next mix. */
  | { readonly kind: 'old-dough'; readonly leftG: number }
  /** The dough is short by more than the tolerance can hide: one ball fewer, or make more. */
  | { readonly kind: 'short'; readonly missingG: number };

/**
 * What becomes of a remainder.
 *
 * @param remainderG grams left after the whole balls; negative when rounding came out short
 * @param balls number of whole balls
 * @param ballWeightG weight of one, g
 * @param tolerancePercent how far a ball may be off, percent of its weight (the trade's ±2–3 %)
 * @param smallerBallG weight of the product made from remainders, if the house has one
 */
export function useRemainder(
  remainderG: number,
  balls: number,
  ballWeightG: number,
  tolerancePercent = 2,
  smallerBallG?: number,
): Remainder {
  if (Math.abs(remainderG) < 0.5) return { kind: 'none' };
  const extraPerBallG = balls > 0 ? remainderG / balls : Infinity;
  const canShare = Math.abs(extraPerBallG) <= (tolerancePercent / 100) * ballWeightG;
  if (smallerBallG && remainderG >= smallerBallG) {
    const count = Math.floor(remainderG / smallerBallG);
    return {
      kind: 'smaller',
      count,
      ballWeightG: smallerBallG,
      leftG: remainderG - count * smallerBallG,
    };
  }
  if (canShare) return { kind: 'shared', extraPerBallG };
  if (remainderG < 0) return { kind: 'short', missingG: -remainderG };
  return { kind: 'old-dough', leftG: remainderG };
}
