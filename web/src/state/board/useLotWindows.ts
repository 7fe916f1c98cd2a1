import type { ColdBoard, ColdLot, LotHeld, Product } from '@calm/contract';
import { holdingLimitsOf, type Pantry } from '@calm/core';
import {
  type BoardLot,
  doughAsPlanned,
  doughInProgress,
  heldOf,
  type DoughInProgress,
} from '@calm/domain';
import { useMemo } from 'react';
import { useHouse, type Board } from './useBoard';
import { useCold } from './useCold';
import { lotWindow, type LotWindow } from './lotWindow';
import { useAppSelector } from '../store';
import { useCursor } from '../time/useCursor';
import type { SimulationAnswer } from '../../workers/engine/engineAnswers';
import { engine } from '../../workers/engine/engine';
import { useLatest } from '../../workers/useLatest';

/** A lot's window as it was planned, and as it is by its record. */
export interface LotWindows {
  /** False while they are being calculated. */
  readonly isKnown: boolean;
  /** Null while they are being calculated, or when the balls never open well. */
  readonly planned: LotWindow | null;
  readonly now: LotWindow | null;
  /** Calculated, and they never open well. */
  readonly isNever: boolean;
  /** How long the dough has been warm, for what in it the house limits; the first to be over first. */
  readonly held: readonly LotHeld[];
}

/** Steps of the present at which what is still to come is calculated again, ms. */
const EVERY_MS = 5 * 60_000;

/** Balls of one product in a lot. */
export interface LotBalls {
  readonly lot: BoardLot;
  readonly product: Product;
}

/** A dough of some balls, as it was planned and as it is, by which its way is found again. */
interface Asked {
  readonly key: string;
  readonly planned: DoughInProgress;
  readonly now: DoughInProgress;
}

type Ways = readonly [planned: SimulationAnswer, now: SimulationAnswer];

const ask = (asked: readonly Asked[]): Promise<Ways[]> =>
  Promise.all(
    asked.map(({ planned, now }) =>
      Promise.all([engine().way(planned.document), engine().way(now.document)]),
    ),
  );

const keyOf = ({ lot, product }: LotBalls): string => `${lot.date}/${lot.product.id}/${product.id}`;

const NO_PANTRY: Pantry = [];
/** What is known of balls before the engine has answered. */
export const UNKNOWN: LotWindows = {
  isKnown: false,
  planned: null,
  now: null,
  isNever: false,
  held: [],
};

/**
 * Windows of some balls, by the engine in its worker, in their order. While they are calculated again those from
 * before stand: nothing is asked of anybody by half of what is known.
 *
 * @param balls must be stable
 */
export function useLotWindows(board: Board | null, balls: readonly LotBalls[]): LotWindows[] {
  const { nowMs } = useCursor();
  const atMs = Math.floor(nowMs / EVERY_MS) * EVERY_MS;
  const pantry = board?.book.pantry ?? NO_PANTRY;
  const prefermentC = board?.book.house.settings.usualTempsC.preferment ?? 0;
  const question = useMemo(
    () =>
      balls.flatMap((each): Asked[] => {
        const planned = doughAsPlanned(each.lot, each.product, prefermentC);
        const now = doughInProgress(each.lot, each.product, prefermentC, atMs);
        return planned && now ? [{ key: keyOf(each), planned, now }] : [];
      }),
    [balls, prefermentC, atMs],
  );
  const latest = useLatest(ask, question.length > 0 ? question : null);
  const { cold, error } = useCold(useHouse());
  const isCutOff = useAppSelector(({ connection }) => connection.isLost);
  // What was read in the cold moves windows: until it is here, or cannot be had, nothing is said.
  const isColdDue = cold === null && !error && !isCutOff;
  return useMemo(() => {
    const isFresh = cold !== null && Math.abs(Date.parse(cold.at) - nowMs) <= FRESH_MS;
    const asked = new Set(question.map(({ key }) => key));
    const answers = new Map(
      latest?.question.map((dough, i) => [dough.key, { dough, ways: latest.answer[i] }]),
    );
    return balls.map((each): LotWindows => {
      const { dough, ways } = answers.get(keyOf(each)) ?? {};
      // What the engine cannot be asked about has no windows, and that is known.
      if (isColdDue) return UNKNOWN;
      if (!dough || !ways) return { ...UNKNOWN, isKnown: !asked.has(keyOf(each)) };
      const { planned, now } = dough;
      const [plannedWay, nowWay] = ways;
      const read = isFresh ? readIn(cold, each) : null;
      const limits = holdingLimitsOf(each.lot.recipe.formula, pantry);
      const held =
        read?.held ?? (nowWay.ok ? heldOf(limits, nowWay.value.course, now.mixedMs, atMs) : []);
      const windows = { planned: windowOf(planned, plannedWay), ...asItIs(read, now, nowWay) };
      return { isKnown: true, ...windows, held };
    });
  }, [balls, question, latest, cold, isColdDue, nowMs, atMs, pantry]);
}

/** What was read in the cold is older than this: it tells nothing of now, ms. */
const FRESH_MS = 15 * 60_000;

/** What the cold's readings make of some balls: those with the shortest window speak for all. */
function readIn({ lots }: ColdBoard, balls: LotBalls): ColdLot | null {
  const own = lots.filter(
    ({ key, productId }) => key === balls.lot.lot?.id && productId === balls.product.id,
  );
  const until = ({ now }: ColdLot) => (now.kind === 'ready' ? now.latestHour : -Infinity);
  return own.reduce<ColdLot | null>(
    (least, each) => (least === null || until(each) < until(least) ? each : least),
    null,
  );
}

/** A window by the record, and by what was read in the cold where that is known. */
function asItIs(
  read: ColdLot | null,
  dough: DoughInProgress,
  way: SimulationAnswer,
): Pick<LotWindows, 'now' | 'isNever'> {
  if (read) return { now: lotWindow(read.now, read.mixedMs), isNever: read.now.kind === 'never' };
  return {
    now: windowOf(dough, way),
    isNever: way.ok && way.value.window.kind === 'never',
  };
}

function windowOf(dough: DoughInProgress, way: SimulationAnswer): LotWindow | null {
  return way.ok ? lotWindow(way.value.window, dough.mixedMs) : null;
}
