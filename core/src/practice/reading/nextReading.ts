import { settledRandomOf } from '../../numerics';
import { isContrary, WARMTHS, type ReadingKind } from './readingCase';
import { LOOKS } from '../../learn';
import { DOUGH_FORMS } from './seen';

/** A reading that somebody has done. */
export interface PastReading {
  readonly kind: ReadingKind;
  readonly atMs: number;
  /** 0–1 */
  readonly score: number;
}

/** From so good on it counts as right. */
export const RIGHT_FROM = 0.7;
/** What was wrong comes back after this; each time it is right in a row it stays away three times as long, ms. */
const AGAIN_MS = 60_000;
const LONGER = 3;
/** What has never been asked is as urgent as what was wrong so long ago, ms. */
const NEW_MS = 2 * AGAIN_MS;
/** As hard as the last of these went, and no harder than one right answer after the other. */
const LAST = 8;
const HARD_FROM = 0.6;

/** Every kind that there is. */
export const READING_KINDS: readonly ReadingKind[] = DOUGH_FORMS.flatMap((form) =>
  LOOKS.flatMap((found) => WARMTHS.map((warmth) => ({ form, found, warmth }))),
);

/** Dough against its room is asked about from so hard on. */
const CONTRARY_FROM = 0.5;

/**
 * What to ask somebody next: by spaced repetition, what was wrong comes back soon, what was right ever later (Leitner
 * 1972); as hard as the last went well.
 *
 * @param past in time's order
 * @param seed which of those that are as urgent
 * @param without kinds that none of the house's doughs can be
 * @returns null where all are left out
 */
export function nextReading(
  past: readonly PastReading[],
  nowMs: number,
  seed: number,
  without: readonly ReadingKind[] = [],
): { readonly kind: ReadingKind; readonly hardness: number } | null {
  const { uniform } = settledRandomOf(seed);
  const last = past.slice(-LAST);
  const mean = last.reduce((sum, { score }) => sum + score, 0) / Math.max(LAST, last.length);
  const hardness = Math.max(0, (mean - HARD_FROM) / (1 - HARD_FROM));
  const [urgent] = READING_KINDS.filter(
    (kind) =>
      (hardness >= CONTRARY_FROM || !isContrary(kind)) &&
      !without.some((each) => isSame(each, kind)),
  )
    .map((kind) => ({
      kind,
      overdue: overdueOf(
        past.filter((each) => isSame(each.kind, kind)),
        nowMs,
      ),
      chance: uniform(),
    }))
    .sort((a, b) => b.overdue - a.overdue || a.chance - b.chance);
  return urgent ? { kind: urgent.kind, hardness } : null;
}

const isSame = (a: ReadingKind, b: ReadingKind): boolean =>
  a.form === b.form && a.found === b.found && a.warmth === b.warmth;

/** How long ago a kind should have come back, in times that it was to stay away. */
function overdueOf(past: readonly PastReading[], nowMs: number): number {
  const last = past.at(-1);
  if (!last) return NEW_MS / AGAIN_MS;
  const wrong = past.findLastIndex(({ score }) => score < RIGHT_FROM);
  const inARow = past.length - 1 - wrong;
  return (nowMs - last.atMs) / (AGAIN_MS * LONGER ** inARow);
}
