import { HOUR_MS, type NarrowedLot, type ReadyWindow } from '@calm/core';

/** When balls open well, epoch ms. */
export interface LotWindow {
  readonly fromMs: number;
  readonly peakMs: number;
  readonly untilMs: number;
  /** That they open well at the peak, 0–1. */
  readonly odds: number;
  /** While they do nine times in ten; null where that is never so. */
  readonly surest: { readonly fromMs: number; readonly untilMs: number } | null;
}

/** A window of the engine's on the clock; null for dough that never opens well. */
export function lotWindow(window: ReadyWindow, mixedMs: number): LotWindow | null {
  if (window.kind === 'never') return null;
  const { earliestHour, peakHour, latestHour, odds, odds90 } = window;
  const at = (hour: number) => mixedMs + hour * HOUR_MS;
  return {
    fromMs: at(earliestHour),
    peakMs: at(peakHour),
    untilMs: at(latestHour),
    odds,
    surest: odds90 && { fromMs: at(odds90.from), untilMs: at(odds90.to) },
  };
}

/** A window with what was seen of its lot: moved, and sure from its latest beginning to its earliest end. */
export function narrowedWindow(
  window: LotWindow,
  { after }: NarrowedLot,
  mixedMs: number,
): LotWindow | null {
  if (!after) return null;
  const at = (hour: number) => mixedMs + hour * HOUR_MS;
  const surest = { fromMs: at(after.first.p90), untilMs: at(after.last.p10) };
  return {
    fromMs: at(after.first.p50),
    peakMs: at(after.peak.p50),
    untilMs: at(after.last.p50),
    odds: window.odds,
    surest: surest.fromMs < surest.untilMs ? surest : null,
  };
}
