import type { HouseBook } from '@calm/contract';
import type { Random } from '@calm/core';
import { eveningDoughs } from '../readingDoughs';
import type { CutQuestion } from './question';

const SLICES = 40;
/** Pieces that are in the dough on the bench. */
const PIECES = { least: 3, most: 8 } as const;
/** How uneven it lies: the height of its humps. */
const HUMPS = 0.35;

/** A piece is cut by eye from dough that lies unevenly on the bench. */
export function dividingQuestion(book: HouseBook, { uniform }: Random): CutQuestion | null {
  const doughs = eveningDoughs(book);
  const dough = doughs[Math.floor(uniform() * doughs.length)];
  if (!dough) return null;
  const { ballWeightG } = dough.product;
  const pieces = PIECES.least + (PIECES.most - PIECES.least) * uniform();
  const [first, second] = [2 * Math.PI * uniform(), 2 * Math.PI * uniform()];
  const thickness = Array.from({ length: SLICES }, (_, i) => {
    const x = i / (SLICES - 1);
    const round = Math.sqrt(Math.max(0.05, 1 - (2 * x - 1) ** 2));
    return (
      round * (1 + HUMPS * Math.sin(first + 7 * x) * 0.5 + HUMPS * Math.sin(second + 13 * x) * 0.3)
    );
  });
  return {
    kind: 'cut',
    skill: 'dividing',
    wholeG: Math.round(ballWeightG * pieces),
    wantedG: ballWeightG,
    thickness,
    tolerancePercent: book.house.settings.ballTolerancePercent,
  };
}
