import type { DoughDocument } from '@calm/contract';
import { engine } from './engine';
import type { SimulationAnswer } from './engineAnswers';
import { useLatest } from '../useLatest';

const ask = (document: DoughDocument): Promise<SimulationAnswer> => engine().way(document);

/** A dough's way by the engine in its worker, following the newest question. */
export function useSimulation(document: DoughDocument | null): SimulationAnswer | null {
  return useLatest(ask, document)?.answer ?? null;
}
