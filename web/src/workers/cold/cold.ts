import { wrap, type Remote } from 'comlink';
import type { ColdInWorker } from './coldAnswers';

let remote: Remote<ColdInWorker> | null = null;

/** Who calculates the cold, in a worker that starts when it is first asked. */
export function coldWorker(): Remote<ColdInWorker> {
  remote ??= wrap<ColdInWorker>(
    new Worker(new URL('./coldWorker.ts', import.meta.url), { type: 'module' }),
  );
  return remote;
}
