import { wrap, type Remote } from 'comlink';
import type { PracticeInWorker } from './practiceAnswers';

let remote: Remote<PracticeInWorker> | null = null;

/** Who runs evenings, in a worker of its own: the engine goes on answering while the best is sought. */
export function practiceWorker(): Remote<PracticeInWorker> {
  remote ??= wrap<PracticeInWorker>(
    new Worker(new URL('./practiceWorker.ts', import.meta.url), { type: 'module' }),
  );
  return remote;
}
