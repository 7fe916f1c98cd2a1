import type { DoughDocument } from '@calm/contract';
import { engine } from './engine';
import type { WayAnswer } from './engineAnswers';
import { useLatest } from '../useLatest';

const ask = (document: DoughDocument): Promise<WayAnswer> => engine().way(document);

/** A dough's way by the engine in its worker, following the newest question. */
export function useWay(document: DoughDocument | null): WayAnswer | null {
  return useLatest(ask, document)?.answer ?? null;
}
