import { HOUR_MS, type ReadyWindow } from '@calm/core';

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
