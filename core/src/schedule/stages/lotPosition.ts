import { stageKey, workOf, type PlannedStage, type PlannedWork } from './countBack';
import type { RestKey, WorkKey } from '../../formula/route';

/** A piece of work recorded as done. */
export interface DoneWork {
  readonly stageKey: string;
  /** Epoch ms. */
  readonly doneMs: number;
}

/** Where a lot is in its route at one moment. */
export type LotPosition =
  /** Nothing has been done yet. */
  | { readonly kind: 'to-make'; readonly next: PlannedWork; readonly lateMin: number }
  /** By itself, in a stage that takes time. */
  | {
      readonly kind: 'resting';
      readonly stage: RestKey;
      readonly sinceMs: number;
      readonly next: PlannedWork | null;
      readonly lateMin: number;
    }
  /** Between two pieces of work. */
  | {
      readonly kind: 'at-work';
      readonly stage: WorkKey;
      readonly sinceMs: number;
      readonly next: PlannedWork;
      readonly lateMin: number;
    }
  /** All work is done and the doors are open. */
  | { readonly kind: 'serving'; readonly sinceMs: number }
  | { readonly kind: 'served'; readonly sinceMs: number };

/**
 * Where a lot is at a moment. What was recorded by then wins over the plan; work still to come is
 * taken to happen when planned, and work overdue now to be still waiting.
 *
 * @param stages the lot's planned stages, at least one of them work
 * @param done recorded work, in any order
 * @param atMs the moment asked about
 * @param nowMs the present, which parts record from forecast
 * @param closeMs when the last service that the lot is for ends
 */
export function lotPosition(
  stages: readonly PlannedStage[],
  done: readonly DoneWork[],
  atMs: number,
  nowMs: number,
  closeMs: number,
): LotPosition {
  if (atMs >= closeMs && isAllDone(stages, done, atMs, nowMs)) {
    return { kind: 'served', sinceMs: closeMs };
  }
  const work = workOf(stages);
  const doneAtMs = doneTimes(work, done, atMs, nowMs);
  const last = work.findLastIndex((w) => doneAtMs.has(stageKey(w)));
  const next = work[last + 1] ?? null;
  const lateMin = next ? Math.max(0, Math.round((atMs - next.startMs) / 60_000)) : 0;
  const lastWork = work[last];
  if (!lastWork) {
    if (!next) throw new RangeError('a route needs at least one stage of work');
    return { kind: 'to-make', next, lateMin };
  }
  const doorsMs = stages.at(-1)?.endMs ?? Infinity;
  if (!next && atMs >= doorsMs) return { kind: 'serving', sinceMs: doorsMs };
  const sinceMs = doneAtMs.get(stageKey(lastWork)) ?? lastWork.endMs;
  const following = stages.find((stage) => stage.index === lastWork.index + 1);
  if (following?.kind === 'rest' || !next) {
    const stage = following?.kind === 'rest' ? following.key : 'temper';
    return { kind: 'resting', stage, sinceMs, next, lateMin };
  }
  return { kind: 'at-work', stage: next.key, sinceMs, next, lateMin };
}

/** Work done by `atMs`: recorded, or after the present planned. */
function doneTimes(
  work: readonly PlannedWork[],
  done: readonly DoneWork[],
  atMs: number,
  nowMs: number,
): Map<string, number> {
  const times = new Map<string, number>();
  for (const { stageKey: key, doneMs } of done) if (doneMs <= atMs) times.set(key, doneMs);
  for (const w of work) {
    const isForecast = w.endMs > nowMs && w.endMs <= atMs;
    if (isForecast && !times.has(stageKey(w))) times.set(stageKey(w), w.endMs);
  }
  return times;
}

function isAllDone(
  stages: readonly PlannedStage[],
  done: readonly DoneWork[],
  atMs: number,
  nowMs: number,
): boolean {
  const work = workOf(stages);
  return doneTimes(work, done, atMs, nowMs).has(stageKey(work[work.length - 1] as PlannedWork));
}
