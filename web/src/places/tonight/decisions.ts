import type { LotHeld } from '@calm/contract';
import { MINUTE_MS, stageKey, type PlannedWork, type PullWave } from '@calm/core';
import { lotPositionOf, type BoardLot } from '@calm/domain';
import { coverOf, shiftTimes } from '../../state/board/crewCover';
import type { Board } from '../../state/board/useBoard';
import type { LotWindows } from '../../state/board/useLotWindows';
import type { ServiceBalls } from './serviceBalls';

/** Something that somebody has to decide. */
export type Decision = {
  /** Names it on the page. */
  readonly key: string;
  /** The sooner it bites the earlier it is told, epoch ms. */
  readonly byMs: number;
  readonly lot: BoardLot;
} & (
  | {
      readonly kind: 'pull-late';
      readonly balls: ServiceBalls;
      readonly wave: PullWave;
      readonly lateMin: number;
    }
  | { readonly kind: 'short'; readonly balls: ServiceBalls; readonly missing: number }
  | { readonly kind: 'past'; readonly balls: ServiceBalls }
  | { readonly kind: 'step-late'; readonly work: PlannedWork; readonly lateMin: number }
  | { readonly kind: 'nobody'; readonly work: PlannedWork }
  | { readonly kind: 'moved'; readonly shiftMin: number; readonly windows: LotWindows }
  | { readonly kind: 'too-few'; readonly missing: number }
  /** It has been warm for longer than something in it may be: whoever is responsible decides. */
  | { readonly kind: 'held'; readonly held: LotHeld }
);

/** What is known of a lot on Tonight. */
export interface LotTonight {
  readonly lot: BoardLot;
  readonly windows: LotWindows;
  readonly balls: readonly ServiceBalls[];
}

/** Less than this is no matter for anybody. */
const LATE_MIN = 10;
const MOVED_MIN = 20;
const SHORT_BALLS = 1;
/** Nor is so small a share of what is wanted: the odds beside it say as much. */
const SHORT_SHARE = 0.03;
/** Steps without hands are told this far ahead, ms. */
const AHEAD_MS = 4 * 3_600_000;
const MOST = 3;

/** The few things that need a decision at a moment, the most urgent first. */
export function decisionsOf(
  board: Board,
  tonight: readonly LotTonight[],
  atMs: number,
  nowMs: number,
): Decision[] {
  const shifts = shiftTimes(board);
  const found = tonight.flatMap(({ lot, windows, balls }): Decision[] => {
    const own = lot.code + lot.date;
    const made: Decision[] = balls.flatMap((each) => ofBalls(each, lot, own, atMs));
    const where = lotPositionOf(lot, atMs, nowMs);
    const next = 'next' in where ? where.next : null;
    const isPull = next?.key === 'pull';
    if (next && where.kind !== 'to-make' && !isPull && lateBy(next, atMs) >= LATE_MIN) {
      const lateMin = lateBy(next, atMs);
      made.push({
        kind: 'step-late',
        key: `${own}/late`,
        byMs: next.startMs,
        lot,
        work: next,
        lateMin,
      });
    }
    const isNear = next && next.startMs > atMs && next.startMs - atMs < AHEAD_MS;
    if (isNear && coverOf(board, shifts, next).coverage.kind !== 'covered') {
      made.push({
        kind: 'nobody',
        key: `${own}/${stageKey(next)}`,
        byMs: next.startMs,
        lot,
        work: next,
      });
    }
    const { planned, now } = windows;
    if (lot.lot && planned && now) {
      const shiftMin = Math.round((now.fromMs - planned.fromMs) / MINUTE_MS);
      if (Math.abs(shiftMin) >= MOVED_MIN && now.untilMs > atMs) {
        made.push({ kind: 'moved', key: `${own}/moved`, byMs: now.fromMs, lot, shiftMin, windows });
      }
    }
    const [held] = windows.held;
    if (lot.lot && held && held.minutes > held.mostMin) {
      made.push({ kind: 'held', key: `${own}/held`, byMs: -Infinity, lot, held });
    }
    const missing = lot.lot ? missingOf(lot) : 0;
    if (missing > 0) {
      made.push({ kind: 'too-few', key: `${own}/few`, byMs: lot.doorsMs, lot, missing });
    }
    return made;
  });
  return found.sort((a, b) => a.byMs - b.byMs).slice(0, MOST);
}

function ofBalls(balls: ServiceBalls, lot: BoardLot, own: string, atMs: number): Decision[] {
  const { doorsMs, waves, standing, quarters, product } = balls;
  const made: Decision[] = [];
  const key = `${own}/${product.id}`;
  const [wave] = waves;
  const lateMin = wave ? Math.round((atMs - doorsMs) / MINUTE_MS - wave.pullMin) : 0;
  if (wave && lateMin >= LATE_MIN && standing.cold > 0) {
    const byMs = doorsMs + wave.pullMin * MINUTE_MS;
    made.push({ kind: 'pull-late', key: `${key}/pull`, byMs, lot, balls, wave, lateMin });
  }
  const isOver = atMs > doorsMs + quarters.length * 15 * MINUTE_MS;
  const first = quarters.find(({ startMin, short }) => {
    return doorsMs + (startMin + 15) * MINUTE_MS > atMs && short >= SHORT_BALLS;
  });
  if (first && !isOver) {
    const missing = quarters
      .filter(({ startMin }) => startMin >= first.startMin)
      .reduce((sum, { short }) => sum + short, 0);
    const byMs = doorsMs + first.startMin * MINUTE_MS;
    if (missing >= SHORT_SHARE * balls.need) {
      made.push({
        kind: 'short',
        key: `${key}/short`,
        byMs,
        lot,
        balls,
        missing: Math.round(missing),
      });
    }
  }
  if (standing.past >= SHORT_BALLS && !isOver) {
    made.push({ kind: 'past', key: `${key}/past`, byMs: atMs, lot, balls });
  }
  return made;
}

const lateBy = (work: PlannedWork, atMs: number) => Math.round((atMs - work.endMs) / MINUTE_MS);

/** Balls that demand asks for beyond what the lot makes. */
function missingOf({ items, wanted }: BoardLot): number {
  return wanted.reduce((sum, { productId, count }) => {
    const made = items.find((item) => item.productId === productId)?.count ?? 0;
    return sum + Math.max(0, count - made);
  }, 0);
}
