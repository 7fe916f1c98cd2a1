import type {
  ColdBoard,
  ColdLot,
  LotHeld,
  LotRecord,
  NarrowDocument,
  Product,
} from '@calm/contract';
import { holdingLimitsOf, type Pantry } from '@calm/core';
import {
  asDecided,
  type BoardLot,
  doughAsPlanned,
  doughInProgress,
  heldOf,
  observedOfLot,
  type DoughInProgress,
} from '@calm/domain';
import { useMemo } from 'react';
import { useHouse, type Board } from './useBoard';
import { useCold } from './useCold';
import { lotWindow, narrowedWindow, type LotWindow } from './lotWindow';
import { useAppSelector } from '../store';
import { useCursor } from '../time/useCursor';
import type { NarrowAnswer, SimulationAnswer } from '../../workers/engine/engineAnswers';
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
  /** What was seen and measured of it; null where nothing was. */
  readonly observed: NarrowDocument | null;
}

type Ways = readonly [
  planned: SimulationAnswer,
  now: SimulationAnswer,
  /** Null where nothing was seen of it. */
  seen: NarrowAnswer | null,
];

const ask = (asked: readonly Asked[]): Promise<Ways[]> =>
  Promise.all(
    asked.map(({ planned, now, observed }) =>
      Promise.all([
        engine().way(planned.document),
        engine().way(now.document),
        observed && engine().narrow(observed),
      ]),
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
 * @param records of their lots; what was seen and measured narrows their windows
 */
export function useLotWindows(
  board: Board | null,
  balls: readonly LotBalls[],
  records: readonly LotRecord[],
): LotWindows[] {
  const { nowMs } = useCursor();
  const atMs = Math.floor(nowMs / EVERY_MS) * EVERY_MS;
  const pantry = board?.book.pantry ?? NO_PANTRY;
  const prefermentC = board?.book.house.settings.usualTempsC.preferment ?? 0;
  const question = useMemo(
    () =>
      balls.flatMap((each): Asked[] => {
        const planned = doughAsPlanned(each.lot, each.product, prefermentC);
        const going = doughInProgress(each.lot, each.product, prefermentC, atMs);
        if (!planned || !going) return [];
        const own = records.filter(({ lotId }) => lotId === each.lot.lot?.id);
        const now = asDecided(going, own);
        return [{ key: keyOf(each), planned, now, observed: observedOfLot(now, own) }];
      }),
    [balls, prefermentC, atMs, records],
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
      const [plannedWay, nowWay, seen] = ways;
      const read = isFresh ? readIn(cold, each) : null;
      const limits = holdingLimitsOf(each.lot.recipe.formula, pantry);
      const held =
        read?.held ?? (nowWay.ok ? heldOf(limits, nowWay.value.course, now.mixedMs, atMs) : []);
      const windows = {
        planned: windowOf(planned, plannedWay),
        ...asItIs(read, now, nowWay, seen),
      };
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

/**
 * A window by the record and by what was seen; by what was read in the cold where that is known, which the house has
 * narrowed by what was seen already.
 */
function asItIs(
  read: ColdLot | null,
  dough: DoughInProgress,
  way: SimulationAnswer,
  seen: NarrowAnswer | null,
): Pick<LotWindows, 'now' | 'isNever'> {
  if (read) return { now: lotWindow(read.now, read.mixedMs), isNever: read.now.kind === 'never' };
  const plain = windowOf(dough, way);
  return {
    now: plain && seen?.ok ? narrowedWindow(plain, seen.value, dough.mixedMs) : plain,
    isNever: way.ok && way.value.window.kind === 'never',
  };
}

function windowOf(dough: DoughInProgress, way: SimulationAnswer): LotWindow | null {
  return way.ok ? lotWindow(way.value.window, dough.mixedMs) : null;
}
