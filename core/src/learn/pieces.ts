/** How a run of weighed pieces stands against its target. */
export interface PieceRun {
  readonly pieces: number;
  readonly meanG: number;
  /** Mean less target, g. */
  readonly offG: number;
  /** Scatter of single pieces (standard deviation), g; 0 for one piece. */
  readonly scatterG: number;
  /** Pieces beyond the tolerance. */
  readonly outside: number;
  readonly verdict: 'few' | 'good' | 'heavy' | 'light' | 'scattered';
}

/** Pieces that a run looks back over. */
const RUN = 10;
/** Fewer pieces say nothing. */
const FEW = 5;
/** A mean this many of its own standard errors off is no accident. */
const SURE = 2;
/** More than this share beyond the tolerance is scatter, not slips. */
const SCATTERED_SHARE = 0.2;

/**
 * What the last pieces say about the hand or machine that made them: heavy or light when their mean is off
 * by more than chance would have it and by more than a quarter of the tolerance, scattered when too many are
 * beyond the tolerance.
 *
 * @param grams weights in the order they were weighed
 * @param targetG what a piece should weigh
 * @param tolerancePercent how far one may be off
 * @returns null without a piece
 * @throws RangeError when the target is nothing
 * @example pieceRun([281, 282, 280, 281, 283], 275, 2)?.verdict // 'heavy'
 */
export function pieceRun(
  grams: readonly number[],
  targetG: number,
  tolerancePercent: number,
): PieceRun | null {
  if (!(targetG > 0)) throw new RangeError('a piece weighs something');
  const run = grams.slice(-RUN);
  const pieces = run.length;
  if (pieces === 0) return null;
  // About the target rather than about zero: what is summed stays small.
  const offG = run.reduce((sum, g) => sum + (g - targetG), 0) / pieces;
  const squares = run.reduce((sum, g) => sum + (g - targetG - offG) ** 2, 0);
  const scatterG = pieces > 1 ? Math.sqrt(squares / (pieces - 1)) : 0;
  const limitG = (targetG * tolerancePercent) / 100;
  const outside = run.filter((g) => Math.abs(g - targetG) > limitG).length;
  const verdict = () => {
    if (pieces < FEW) return 'few';
    const isSure = Math.abs(offG) > (SURE * scatterG) / Math.sqrt(pieces);
    if (isSure && Math.abs(offG) > limitG / 4) return offG > 0 ? 'heavy' : 'light';
    return outside / pieces > SCATTERED_SHARE ? 'scattered' : 'good';
  };
  return { pieces, meanG: targetG + offG, offG, scatterG, outside, verdict: verdict() };
}
