import type { YeastForm } from '../formula';
import { iceFor, USUAL_ICE_C } from './ice';
import { priorLine, waterByLineC, type MixerLine } from './mixerLine';
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

/** The schools of calculating water, and the mixer's own line. */
export type WaterMethod = 'base-sum' | 'friction' | 'heat-balance' | 'learned';

/** What is known at the mixer before a load. */
export interface WaterRequest extends MixTemperatures, MixMasses {
  /** Wanted off the mixer, °C. */
  readonly doughTempC: number;
  readonly tapTempC: number;
  /** This mixer's heating in degrees of the n-fold sum. */
  readonly frictionC: number;
  /** The house's own base sum; n · dough − friction when it has none. */
  readonly baseSumC?: number;
  /** The method whose water is poured: the mixer's line where it is known, else the heat balance. */
  readonly pourBy?: WaterMethod;
  /** The mixer's own line, once its log has told it. */
  readonly mixer?: MixerLine;
  /** Of the ice, °C. */
  readonly iceTempC?: number;
  /** What goes into the bowl: dry yeast does not like cold water. */
  readonly yeastForm?: YeastForm;
}

/** Hotter water harms yeast: never proposed. */
export const HOTTEST_WATER_C = 40;
/** From here on a warning. */
export const HOT_WATER_C = 35;
/** More ice than this share of the water seldom melts in a mix. Starting value, plausible 0.3–0.6. */
export const MUCH_ICE_SHARE = 0.4;
/** Methods that are further apart than this are worth a word, °C. */
export const METHODS_PART_C = 4;
/** Dry yeast straight into colder water loses part of its strength (× 0.8, 0.6–0.95). */
export const COLD_FOR_DRY_YEAST_C = 15;

/** Something to know, or to do something about, before pouring. Temperatures in °C, masses in g. */
export type WaterWarning =
  | {
      readonly kind: 'water-too-hot';
      readonly wantedTempC: number;
      readonly mostTempC: number;
      readonly doughTempC: number;
    }
  | { readonly kind: 'water-hot'; readonly wantedTempC: number }
  | { readonly kind: 'warm-the-tap'; readonly byC: number }
  | { readonly kind: 'ice-exceeds-water'; readonly iceG: number; readonly waterG: number }
  | { readonly kind: 'much-ice'; readonly sharePercent: number }
  /** Flour or room are far from the dough: the mean of the temperatures no longer holds. */
  | { readonly kind: 'methods-part'; readonly spreadC: number }
  | { readonly kind: 'cold-for-dry-yeast'; readonly waterTempC: number };

/** What to pour, with all methods beside each other. Water below 0 °C is never said: that is ice. */
export interface WaterAdvice {
  readonly factors: 3 | 4;
  readonly baseSum: { readonly waterTempC: number; readonly baseC: number };
  readonly friction: { readonly waterTempC: number };
  readonly heatBalance: HeatBalance;
  /** By the mixer's line; by the one every mixer begins with while its own is not known. */
  readonly learned: { readonly waterTempC: number };
  /** Largest disagreement between base sum, friction and balance, °C. */
  readonly spreadC: number;
  /** Temperature to pour, °C, 0 to 40. */
  readonly pourTempC: number;
  readonly pourBy: WaterMethod;
  readonly iceG: number;
  readonly tapWaterG: number;
  readonly warnings: readonly WaterWarning[];
}

/**
 * Water temperature by base sum, friction, heat balance and the mixer's own line, with ice for a warm tap
 * (docs/dough-science.md § 3).
 *
 * @param request temperatures °C, masses g, `waterG` > 0
 * @returns what to pour and what to watch; never water above 40 °C or below 0, never more ice than water
 */
export function adviseWater(request: WaterRequest): WaterAdvice {
  const { doughTempC, frictionC, waterG, tapTempC, iceTempC = USUAL_ICE_C, mixer } = request;
  const pourBy = request.pourBy ?? (mixer ? 'learned' : 'heat-balance');
  const factors = factorCount(request);
  const baseC = request.baseSumC ?? baseSumOfC(doughTempC, frictionC, factors);
  const heatBalance = waterByHeatBalance(doughTempC, frictionC, request, request);
  const line = mixer ?? priorLine((frictionC * 3) / factors);
  const byMethod: Record<WaterMethod, number> = {
    'base-sum': waterByBaseSumC(baseC, request),
    friction: waterByFrictionC(doughTempC, frictionC, request),
    'heat-balance': heatBalance.waterTempC,
    learned: waterByLineC(doughTempC, line, request, request),
  };
  const wantedTempC = byMethod[pourBy];
  const cooled = iceFor(waterG, tapTempC, Math.min(wantedTempC, HOTTEST_WATER_C), iceTempC);
  const iceG = Math.min(cooled.iceG, waterG);
  const schools = [byMethod['base-sum'], byMethod.friction, byMethod['heat-balance']];
  const spreadC = Math.max(...schools) - Math.min(...schools);
  const pourTempC = Math.min(HOTTEST_WATER_C, Math.max(0, wantedTempC));
  const said = (method: WaterMethod) => ({ waterTempC: Math.max(0, byMethod[method]) });
  return {
    factors,
    baseSum: { ...said('base-sum'), baseC },
    friction: said('friction'),
    heatBalance: { ...heatBalance, ...said('heat-balance') },
    learned: said('learned'),
    spreadC,
    pourTempC,
    pourBy,
    iceG,
    tapWaterG: waterG - iceG,
    warnings: [
      ...hotWarnings(wantedTempC, doughTempC, factors),
      ...tapWarning(wantedTempC, tapTempC),
      ...iceWarnings(cooled.iceG, waterG),
      ...(spreadC > METHODS_PART_C ? [{ kind: 'methods-part', spreadC } as const] : []),
      ...dryYeastWarning(pourTempC, request.yeastForm),
    ],
  };
}

function dryYeastWarning(waterTempC: number, form?: YeastForm): WaterWarning[] {
  const isDry = form === 'active-dry' || form === 'instant';
  return isDry && waterTempC < COLD_FOR_DRY_YEAST_C
    ? [{ kind: 'cold-for-dry-yeast', waterTempC }]
    : [];
}

function hotWarnings(wantedTempC: number, doughTempC: number, factors: 3 | 4): WaterWarning[] {
  if (wantedTempC > HOTTEST_WATER_C) {
    const shortC = (wantedTempC - HOTTEST_WATER_C) / factors;
    return [
      {
        kind: 'water-too-hot',
        wantedTempC,
        mostTempC: HOTTEST_WATER_C,
        doughTempC: doughTempC - shortC,
      },
    ];
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
