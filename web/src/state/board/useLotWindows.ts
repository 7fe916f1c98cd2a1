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
import { useCursor } from '../time/useCursor';
import type { SimulationAnswer } from '../../workers/engine/engineAnswers';
import { engine } from '../../workers/engine/engine';
import { useLatest } from '../../workers/useLatest';

/** A lot's window as it was planned, and as it is by its record. */
export interface LotWindows {
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

const ask = (doughs: readonly DoughInProgress[]): Promise<SimulationAnswer[]> =>
  Promise.all(doughs.map(({ document }) => engine().way(document)));

const NO_PANTRY: Pantry = [];
const UNKNOWN: LotWindows = { planned: null, now: null, isNever: false, held: [] };

/**
 * Windows of some balls, by the engine in its worker, in their order.
 *
 * @param balls must be stable
 */
export function useLotWindows(board: Board | null, balls: readonly LotBalls[]): LotWindows[] {
  const { nowMs } = useCursor();
  const atMs = Math.floor(nowMs / EVERY_MS) * EVERY_MS;
  const pantry = board?.book.pantry ?? NO_PANTRY;
  const prefermentC = board?.book.house.settings.usualTempsC.preferment ?? 0;
  const doughs = useMemo(
    () =>
      balls.flatMap(({ lot, product }) => [
        doughAsPlanned(lot, product, prefermentC),
        doughInProgress(lot, product, prefermentC, atMs),
      ]),
    [balls, prefermentC, atMs],
  );
  const question = useMemo(() => doughs.filter((dough) => dough !== null), [doughs]);
  const latest = useLatest(ask, question.length > 0 ? question : null);
  const { cold } = useCold(useHouse());
  return useMemo(() => {
    const isFresh = cold !== null && Math.abs(Date.parse(cold.at) - nowMs) <= FRESH_MS;
    const ways = new Map(latest?.question.map((dough, i) => [dough, latest.answer[i]]));
    return balls.map(({ lot }, i): LotWindows => {
      const [planned = null, now = null] = [doughs[2 * i], doughs[2 * i + 1]];
      const plannedWay = planned && ways.get(planned);
      const nowWay = now && ways.get(now);
      if (!plannedWay || !nowWay) return UNKNOWN;
      const read = isFresh ? readIn(cold, balls[i]) : null;
      const limits = holdingLimitsOf(lot.recipe.formula, pantry);
      const held =
        read?.held ?? (nowWay.ok ? heldOf(limits, nowWay.value.course, now.mixedMs, atMs) : []);
      return { planned: windowOf(planned, plannedWay), ...asItIs(read, now, nowWay), held };
    });
  }, [balls, doughs, latest, cold, nowMs, atMs, pantry]);
}

/** What was read in the cold is older than this: it tells nothing of now, ms. */
const FRESH_MS = 15 * 60_000;

/** What the cold's readings make of some balls: those with the shortest window speak for all. */
function readIn({ lots }: ColdBoard, balls: LotBalls | undefined): ColdLot | null {
  const own = lots.filter(
    ({ key, productId }) => key === balls?.lot.lot?.id && productId === balls.product.id,
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
