import type { DecidedRecord } from '@calm/contract';
import { coldStages, startOf } from './stagesAsDecided';

/** Somewhere that a lot is taken as was decided. */
export interface DecidedMove {
  readonly atMs: number;
  readonly place: string;
  readonly isBalledAgain: boolean;
}

/** Where a lot is still to be taken, as was decided; what was to be done at once is done. */
export const decidedMoves = (decided: DecidedRecord, nowMs: number): DecidedMove[] =>
  decided.content.stages.flatMap(({ place, isBalledAgain }, i): DecidedMove[] => {
    const atMs = startOf(decided, i);
    const isElsewhere = isBalledAgain || place !== decided.content.stages[i - 1]?.place;
    return i > 0 && atMs > nowMs && isElsewhere ? [{ atMs, place, isBalledAgain }] : [];
  });

/** When dough is taken out of the cold for the last time, as was decided, ms; null where it is not. */
export function decidedPullMs(decided: DecidedRecord): number | null {
  const isCold = coldStages(decided);
  const pulled = isCold.lastIndexOf(true) + 1;
  return pulled < isCold.length ? startOf(decided, pulled) : null;
}
