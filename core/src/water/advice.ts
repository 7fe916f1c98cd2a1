import { iceFor } from './ice';
import {
  baseSumOfC,
  factorCount,
  waterByBaseSumC,
  waterByFrictionC,
  waterByHeatBalance,
  type HeatBalance,
  type MixMasses,
  type MixTemperatures,
} from './temperature';

/** The three schools of calculation water. */
export type WaterMethod = 'base-sum' | 'friction' | 'heat-balance';

/** What is known at the mixer before a load. */
export interface WaterRequest extends MixTemperatures, MixMasses {
  /** Wanted off the mixer, °C. */
  readonly doughTempC: number;
  readonly tapTempC: number;
  /** This mixer's heating in degrees of the n-fold sum. */
  readonly frictionC: number;
  /** The house's own base sum; n · dough − friction when it has none. */
  readonly baseSumC?: number;
  /** The method whose water is poured; friction unless the house says otherwise. */
  readonly pourBy?: WaterMethod;
}

/** Hotter water harms yeast: never proposed. */
export const HOTTEST_WATER_C = 40;
/** From here on a warning. */
export const HOT_WATER_C = 35;
/** More ice than this share of the water seldom melts in a mix. Starting value, plausible 0.3–0.6. */
export const MUCH_ICE_SHARE = 0.4;

/** Something to know, or to do something about, before pouring. Temperatures in °C, masses in g. */
export type WaterWarning =
  | { readonly kind: 'water-too-hot'; readonly wantedTempC: number; readonly doughTempC: number }
  | { readonly kind: 'water-hot'; readonly wantedTempC: number }
  | { readonly kind: 'warm-the-tap'; readonly byC: number }
  | { readonly kind: 'ice-exceeds-water'; readonly iceG: number; readonly waterG: number }
  | { readonly kind: 'much-ice'; readonly sharePercent: number };

/** What to pour, with all three methods beside each other. */
export interface WaterAdvice {
  readonly factors: 3 | 4;
  readonly baseSum: { readonly waterTempC: number; readonly baseC: number };
  readonly friction: { readonly waterTempC: number };
  readonly heatBalance: HeatBalance;
  /** Largest disagreement between the three, °C. */
  readonly spreadC: number;
  /** Temperature to pour, °C; at most 40, and at least what ice can do. */
  readonly pourTempC: number;
  readonly pourBy: WaterMethod;
  readonly iceG: number;
  readonly tapWaterG: number;
  readonly warnings: readonly WaterWarning[];
}

/**
 * Water temperature by base sum, friction and heat balance, with ice for a warm tap
 * (docs/dough-science.md § 3).
 *
 * @param request temperatures °C, masses g, `waterG` > 0
 * @returns what to pour and what to watch; never water above 40 °C, never more ice than water
 */
export function adviseWater(request: WaterRequest): WaterAdvice {
  const { doughTempC, frictionC, waterG, tapTempC, pourBy = 'friction' } = request;
  const factors = factorCount(request);
  const baseC = request.baseSumC ?? baseSumOfC(doughTempC, frictionC, factors);
  const heatBalance = waterByHeatBalance(doughTempC, frictionC, request, request);
  const byMethod: Record<WaterMethod, number> = {
    'base-sum': waterByBaseSumC(baseC, request),
    friction: waterByFrictionC(doughTempC, frictionC, request),
    'heat-balance': heatBalance.waterTempC,
  };
  const wantedTempC = byMethod[pourBy];
  const cooled = iceFor(waterG, tapTempC, Math.min(wantedTempC, HOTTEST_WATER_C));
  const iceG = Math.min(cooled.iceG, waterG);

  return {
    factors,
    baseSum: { waterTempC: byMethod['base-sum'], baseC },
    friction: { waterTempC: byMethod.friction },
    heatBalance,
    spreadC: Math.max(...Object.values(byMethod)) - Math.min(...Object.values(byMethod)),
    pourTempC: Math.min(wantedTempC, HOTTEST_WATER_C),
    pourBy,
    iceG,
    tapWaterG: waterG - iceG,
    warnings: [
      ...hotWarnings(wantedTempC, doughTempC, factors),
      ...tapWarning(wantedTempC, tapTempC),
      ...iceWarnings(cooled.iceG, waterG),
    ],
  };
}

function hotWarnings(wantedTempC: number, doughTempC: number, factors: 3 | 4): WaterWarning[] {
  if (wantedTempC > HOTTEST_WATER_C) {
    const shortC = (wantedTempC - HOTTEST_WATER_C) / factors;
    return [{ kind: 'water-too-hot', wantedTempC, doughTempC: doughTempC - shortC }];
  }
  return wantedTempC > HOT_WATER_C ? [{ kind: 'water-hot', wantedTempC }] : [];
}

/** A tap colder than wanted by more than weighing error is warmed with hot water. */
function tapWarning(wantedTempC: number, tapTempC: number): WaterWarning[] {
  const byC = Math.min(wantedTempC, HOTTEST_WATER_C) - tapTempC;
  return byC > 0.5 ? [{ kind: 'warm-the-tap', byC }] : [];
}

function iceWarnings(iceG: number, waterG: number): WaterWarning[] {
  if (iceG > waterG) return [{ kind: 'ice-exceeds-water', iceG, waterG }];
  const share = iceG / waterG;
  return share > MUCH_ICE_SHARE ? [{ kind: 'much-ice', sharePercent: share * 100 }] : [];
}
