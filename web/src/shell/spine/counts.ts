import { lotPositionOf } from '@calm/domain';
import type { Silhouette } from '../../parts/lots/Ball';
import { dateAt } from '../../state/time/localDate';
import { useBoard } from '../../state/board/useBoard';
import { useCursor } from '../../state/time/useCursor';
import { stopOf } from '../../state/board/lotStop';

/** How dough looks at each stop that can hold some. */
export const SHAPE_AT_STOP: Readonly<
  Record<string, { shape: Silhouette; tone: 'oat' | 'cold' | 'quiet' }>
> = {
  plan: { shape: 'low', tone: 'quiet' },
  mix: { shape: 'dome', tone: 'oat' },
  'walk-in': { shape: 'low', tone: 'cold' },
  tonight: { shape: 'full', tone: 'oat' },
  log: { shape: 'slumped', tone: 'quiet' },
};

/** Lots to be made are counted this far ahead. */
const AHEAD_MS = 24 * 3_600_000;

/** How many lots are at each stop at the cursor. */
export function useCounts(): Readonly<Record<string, number>> {
  const { board } = useBoard();
  const { atMs, nowMs } = useCursor();
  if (!board) return {};
  const today = dateAt(atMs, board.book.house.timeZone);
  const counts: Record<string, number> = {};
  for (const lot of board.lots) {
    const where = lotPositionOf(lot, atMs, nowMs);
    const isSoon = where.kind === 'to-make' && where.next.startMs - atMs < AHEAD_MS;
    const isRecent = where.kind === 'served' && lot.date === today;
    const isPast = lot.closeMs < atMs && where.kind !== 'served';
    if (isPast || (where.kind === 'to-make' && !isSoon)) continue;
    if (where.kind === 'served' && !isRecent) continue;
    const stop = stopOf(where);
    counts[stop] = (counts[stop] ?? 0) + 1;
  }
  return counts;
}
