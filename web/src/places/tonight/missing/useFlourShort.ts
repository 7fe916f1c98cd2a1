import type { DoughDocument } from '@calm/contract';
import {
  documentOfLot,
  flourNeeds,
  flourSwaps,
  type FlourNeed,
  type FlourSwap,
} from '@calm/domain';
import { useMemo } from 'react';
import type { Board } from '../../../state/board/useBoard';
import { engine } from '../../../workers/engine/engine';
import type { EngineInWorker } from '../../../workers/engine/engineAnswers';
import { useLatest } from '../../../workers/useLatest';

/** A lot that lacks flour, and what could take its place. */
export interface ShortLot {
  readonly need: FlourNeed;
  readonly usual: DoughDocument;
  readonly swaps: readonly FlourSwap[];
}

/** What the engine says of one: the dough as written, and the dose of each in its place. */
export interface ShortAnswer {
  readonly usual: Awaited<ReturnType<EngineInWorker['way']>>;
  readonly doses: readonly (ReturnType<EngineInWorker['dose']> | null)[];
}

const ask = (lots: readonly ShortLot[]): Promise<readonly ShortAnswer[]> =>
  Promise.all(
    lots.map(async ({ usual, swaps }): Promise<ShortAnswer> => {
      const way = await engine().way(usual);
      const window = way.ok ? way.value.window : null;
      const peakHour = window?.kind === 'ready' ? window.peakHour : null;
      const doses = await Promise.all(
        swaps.map(({ document }) =>
          peakHour === null ? null : engine().dose({ ...document, peakHour }),
        ),
      );
      return { usual: way, doses };
    }),
  );

/** Lots that lack a flour, and what each flour of the house would do in its place. */
export function useFlourShort(board: Board, flour: string, leftG: number) {
  const { book, lots } = board;
  const needs = useMemo(() => flourNeeds(lots, flour, leftG), [lots, flour, leftG]);
  const short = useMemo(
    () =>
      needs
        .filter(({ needG, hasG }) => needG - hasG >= 1)
        // Later lots of a dough are as its first.
        .filter(
          ({ lot }, i, all) =>
            all.findIndex((each) => each.lot.recipe.formulaId === lot.recipe.formulaId) === i,
        )
        .flatMap((need): ShortLot[] => {
          const { lot } = need;
          const usual = documentOfLot(lot, lot.product, book.house.settings.usualTempsC.preferment);
          return usual ? [{ need, usual, swaps: flourSwaps(need, flour, book) }] : [];
        }),
    [needs, flour, book],
  );
  return { needs, latest: useLatest(ask, short) };
}
