import type { ColdLot } from '@calm/contract';
import type { TFunction } from 'i18next';
import type { Silhouette } from '../../parts/lots/Ball';
import type { Formats } from '@calm/domain';
import { lotWindow } from '../../state/board/lotWindow';

interface Ends {
  readonly fromMs: number;
  readonly untilMs: number;
}

/** Whether a window is no longer where it was, as far as that is worth telling. */
export const isMoved = (now: Ends, was: Ends, byMs: number = MOVED_MS): boolean =>
  Math.abs(now.fromMs - was.fromMs) >= byMs || Math.abs(now.untilMs - was.untilMs) >= byMs;

/** How balls stand against their window at a moment. */
export type Keeping = 'unknown' | 'waiting' | 'open' | 'over' | 'never';

/** Windows are known to quarter hours: smaller moves are not told. */
export const MOVED_MS = 15 * 60_000;

export function keepingAt(lot: ColdLot | null, atMs: number): Keeping {
  if (!lot) return 'unknown';
  const window = lotWindow(lot.now, lot.mixedMs);
  if (!window) return 'never';
  return atMs < window.fromMs ? 'waiting' : atMs <= window.untilMs ? 'open' : 'over';
}

/** How it looks: always beside its word. */
export const SHAPES: Readonly<Record<Keeping, Silhouette>> = {
  unknown: 'low',
  waiting: 'low',
  open: 'full',
  over: 'slumped',
  never: 'slumped',
};

/** Hours to a window and in it, in a few letters. */
export function keepingWords(t: TFunction, f: Formats, lot: ColdLot | null, atMs: number): string {
  const keeping = keepingAt(lot, atMs);
  const window = lot && lotWindow(lot.now, lot.mixedMs);
  if (!window) return keeping === 'never' ? t('walkIn.keeping.never') : '';
  const hours = (ms: number) => f.hours(Math.max(0, ms) / 3_600_000, 0);
  if (keeping === 'waiting')
    return t('walkIn.keeping.waiting', { in: hours(window.fromMs - atMs) });
  if (keeping === 'open') return t('walkIn.keeping.open', { left: hours(window.untilMs - atMs) });
  return t('walkIn.keeping.over');
}

/** When balls open well, and what that was before anything was read. */
export function windowWords(
  t: TFunction,
  f: Formats,
  lot: ColdLot,
  toldFromMs: number = MOVED_MS,
): string {
  const [now, was] = [lotWindow(lot.now, lot.mixedMs), lotWindow(lot.asSet, lot.mixedMs)];
  if (!now) return t('walkIn.window.never');
  const words = t('walkIn.window.is', { from: f.moment(now.fromMs), until: f.time(now.untilMs) });
  if (!was || !isMoved(now, was, toldFromMs)) return words;
  const before = { from: f.moment(was.fromMs), until: f.time(was.untilMs) };
  return `${words} ${t('walkIn.window.was', before)}`;
}

/** A day begins and ends between two readings: that much is not known of any day, min. */
const EDGES_MIN = 15;

/** How long nobody knows how cold it was, where that is worth telling. */
export const unknownWords = (f: Formats, minutes: number): string =>
  minutes < EDGES_MIN ? '–' : f.duration(Math.round(minutes));
