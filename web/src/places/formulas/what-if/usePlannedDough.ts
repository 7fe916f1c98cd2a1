import { HOUR_MS, doughStagesOfRoute } from '@calm/core';
import { useMemo } from 'react';
import { useBoard } from '../../../state/board/useBoard';
import { useCursor } from '../../../state/time/useCursor';
import type { PlannedDough } from './whatIf';

/** A usual lot, where no service ahead wants the product. */
const USUAL_SIZE = { loads: 1, balls: 100 };
const USUAL_SERVICE_H = 5;

/**
 * A product's dough for the next service that wants it.
 *
 * @returns null while it is on its way, undefined when the house has no such product
 */
export function usePlannedDough(slug: string): {
  dough: PlannedDough | null | undefined;
  error: unknown;
  retry: () => void;
} {
  const { board, error, retry } = useBoard();
  const { atMs } = useCursor();
  const dough = useMemo(() => {
    if (!board) return null;
    const { book } = board;
    const product = book.products.find((p) => p.slug === slug);
    const record = book.formulas.find((f) => f.id === product?.formulaId);
    const route = book.routes.find((r) => r.id === product?.routeId);
    if (!product || !record || !route) return undefined;
    const lot = board.lots
      .filter((l) => l.doorsMs > atMs && l.items.some((item) => item.productId === product.id))
      .sort((a, b) => a.doorsMs - b.doorsMs)[0];
    const size = lot
      ? {
          loads: lot.scaled.ok ? lot.scaled.value.loads.length : USUAL_SIZE.loads,
          balls: lot.items.reduce((sum, item) => sum + item.count, 0),
        }
      : USUAL_SIZE;
    const way = doughStagesOfRoute(route.stages, size);
    const mix = lot?.stages.find((stage) => stage.kind === 'work' && stage.key === 'mix');
    const wayH = way.stages.reduce(
      (sum, { rest, handsMin }) => sum + rest.hours.preferred + handsMin / 60,
      0,
    );
    const mixedMs = mix?.endMs ?? atMs;
    const doorsMs = lot?.doorsMs ?? mixedMs + wayH * HOUR_MS;
    return {
      product,
      record,
      way,
      size,
      prefermentTempC: book.house.settings.usualTempsC.preferment,
      altitudeM: book.house.settings.altitudeM,
      constants: book.house.settings.learned,
      mixedMs,
      doorsMs,
      closeMs: lot?.closeMs ?? doorsMs + USUAL_SERVICE_H * HOUR_MS,
    };
  }, [board, slug, atMs]);
  return { dough, error, retry };
}
