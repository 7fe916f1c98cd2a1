import { oddsOfEnough, pullWaves, QUARTER_MIN, usageCurve, type PlannedLot } from '@calm/core';
import type { WeekDocument } from '@calm/contract';
import { instantOfMinute } from './weekProblem';
import type { ServiceWindow } from './weekDoses';

/** Waves are out early enough for this share of evenings at any one minute. */
export const AT_ANY_MINUTE = 0.95;

/** When to pull how many trays of one product for one service. */
export interface ServiceWaves {
  readonly serviceId: string;
  readonly productId: string;
  readonly waves: readonly {
    readonly pullAt: string;
    readonly readyAt: string;
    readonly goodUntil: string;
    readonly trays: number;
    readonly balls: number;
  }[];
}

/** Waves with the odds that their balls are enough at every minute, 0–1; null where nothing is expected. */
export interface WavesWithOdds extends ServiceWaves {
  readonly odds: number | null;
}

/** Waves and what their odds are drawn from. */
interface PlannedWaves {
  readonly told: ServiceWaves;
  readonly mean: number;
  readonly drawnFrom: Parameters<typeof oddsOfEnough>;
}

/**
 * A lot's waves of pulling: its balls warm as long as the plan gives them until their window opens, and keep
 * as long as it lasts.
 *
 * @param windows when its balls open well, service by service
 */
export function wavesOfLot(
  document: WeekDocument,
  lot: PlannedLot,
  windows: readonly ServiceWindow[],
): ServiceWaves[] {
  return plannedWaves(document, lot, windows).map(({ told }) => told);
}

/** A lot's waves with their odds, which take some time to draw. @see wavesOfLot */
export function wavesWithOdds(...of: Parameters<typeof wavesOfLot>): WavesWithOdds[] {
  return plannedWaves(...of).map(({ told, mean, drawnFrom }) => ({
    ...told,
    odds: mean > 0 ? oddsOfEnough(...drawnFrom) : null,
  }));
}

function plannedWaves(
  document: WeekDocument,
  lot: PlannedLot,
  windows: readonly ServiceWindow[],
): PlannedWaves[] {
  return windows.flatMap(({ serviceId, window }) => {
    const service = document.services.find(({ id }) => id === serviceId);
    const pull = lot.steps.find((step) => step.key === 'pull' && step.serviceId === serviceId);
    if (!service || !pull || !window) return [];
    const minute = (iso: string) => Date.parse(iso) / 60_000;
    const [startMin, endMin] = [minute(service.startsAt), minute(service.endsAt)];
    const temperMin = Math.max(0, Math.min(startMin, minute(window.from)) - pull.endMin);
    const keepMin = minute(window.until) - minute(window.from);
    if (keepMin < QUARTER_MIN) return [];
    return document.wanted
      .filter((each) => each.serviceId === serviceId && each.count > 0)
      .flatMap(({ productId, count }): PlannedWaves[] => {
        const product = document.products.find(({ id }) => id === productId);
        if (product?.doughId !== lot.doughId) return [];
        const known = document.usage.find(
          (each) => each.serviceId === serviceId && each.productId === productId,
        );
        const curve = known?.curve ?? usageCurve([], endMin - startMin);
        const sum = curve.reduce((a, b) => a + b, 0);
        const shares =
          sum > 0 ? curve.map((share) => share / sum) : usageCurve([], endMin - startMin);
        const { mean = 0, cv = 0, carried = 0 } = known?.expected ?? {};
        const waves = pullWaves({
          curve: shares,
          balls: count,
          carried,
          ballsPerTray: product.ballsPerTray,
          temperMin,
          keepMin,
          ...(mean > 0 && { need: mean, spread: { cv, cover: AT_ANY_MINUTE } }),
        });
        const batches = [
          { balls: carried, readyMin: 0, lastMin: Infinity },
          ...waves.map(({ balls, readyMin, goodUntilMin }) => ({
            balls,
            readyMin,
            lastMin: goodUntilMin,
          })),
        ];
        const perQuarter = shares.map((share) => share * mean);
        const at = (min: number) => instantOfMinute(Math.round(startMin + min));
        return [
          {
            told: {
              serviceId,
              productId,
              waves: waves.map(({ pullMin, readyMin, goodUntilMin, trays, balls }) => ({
                pullAt: at(pullMin),
                readyAt: at(readyMin),
                goodUntil: at(goodUntilMin),
                trays,
                balls,
              })),
            },
            mean,
            drawnFrom: [perQuarter, cv, batches],
          },
        ];
      });
  });
}
