import { countBack, HOUR_MS, workOf, type Route } from '@calm/core';
import type { DoseDocument, Product } from '@calm/contract';
import { documentOfLot } from '../lots/lotHistory';
import type { BoardLot } from '../lots/lotBoard';

/** Dough that is begun now and goes warm all the way, for a service. */
export interface SameDayDough {
  /** What the engine is asked: the formula with the yeast that has it open well then. */
  readonly document: DoseDocument;
  readonly mixedMs: number;
  /** Of weighing, mixing, dividing and balling, min. */
  readonly workMin: number;
}

/** Under so many hours from the mixer no dough is relaxed, risen and warm alike. */
const LEAST_H = 2.5;
/** Balls are followed so long past the hour they are wanted, h. */
const PAST_H = 3;
/** It stands in one piece for so much of its time, at most an hour and a half. */
const BULK = { share: 0.25, mostH: 1.5 };
/** Where a route has no warm place, °C. */
const USUAL_C = 22;
/** Under this a place is cold, °C. */
const WARM_C = 15;

/** Work before the dough is balled, with the route's own rates. */
const isBefore = (key: string) => key !== 'chill' && key !== 'pull' && key !== 'preferment-mix';

/**
 * A dough of a lot's formula that is begun now for a moment later the same day.
 *
 * @returns null where there is too little time, or its formula wants a pre-ferment that nobody has set
 */
export function sameDayDough(
  lot: BoardLot,
  product: Product,
  balls: number,
  prefermentTempC: number,
  nowMs: number,
  wantMs: number,
): SameDayDough | null {
  const usual = documentOfLot(lot, product, prefermentTempC);
  if (!usual || Object.keys(usual.histories ?? {}).length > 0) return null;
  const { recipe } = lot;
  const works = workOf(countBack(recipe.route, nowMs, { loads: 1, balls })).filter(({ key }) =>
    isBefore(key),
  );
  const minutesOf = (keys: readonly string[]) =>
    works
      .filter(({ key }) => keys.includes(key))
      .reduce((sum, { startMs, endMs }) => sum + (endMs - startMs) / 60_000, 0);
  const mixedMs = nowMs + minutesOf(['weigh', 'mix']) * 60_000;
  const peakHour = (wantMs - mixedMs) / HOUR_MS;
  if (peakHour < LEAST_H) return null;
  const airTempC = warmthOf(recipe.route);
  const bulkH = Math.min(BULK.mostH, BULK.share * peakHour);
  const kg = (balls * product.ballWeightG) / 1000;
  return {
    document: {
      ...usual,
      stages: [
        { kind: 'bulk', hours: bulkH, airTempC, container: 'tub', massKg: Math.max(0.5, kg) },
        { kind: 'ball', hours: peakHour - bulkH + PAST_H, airTempC, container: 'lidded-tray' },
      ],
      peakHour,
    },
    mixedMs,
    workMin: works.reduce((sum, { startMs, endMs }) => sum + (endMs - startMs) / 60_000, 0),
  };
}

/** How warm it is where a route's dough stands last outside the cold, °C. */
function warmthOf(route: Route): number {
  const rests = route.flatMap((stage) => (stage.kind === 'rest' ? [stage.airTempC] : []));
  return rests.findLast((airTempC) => airTempC >= WARM_C) ?? USUAL_C;
}

/** When dough that is begun now could be opened at the earliest by its own route, ms. */
export function soonestMs(lot: BoardLot, balls: number, nowMs: number): number {
  const hurried = lot.recipe.route.map((stage) =>
    stage.kind === 'rest'
      ? { ...stage, hours: { ...stage.hours, preferred: stage.hours.least } }
      : stage,
  );
  const [first] = countBack(hurried, 0, { loads: 1, balls });
  return nowMs - (first?.startMs ?? 0);
}
