import { wrap, type Remote } from 'comlink';
import type { EngineInWorker } from './engineAnswers';

let remote: Remote<EngineInWorker> | null = null;

/** The engine in its worker, which starts when it is first asked. */
export function engine(): Remote<EngineInWorker> {
  remote ??= wrap<EngineInWorker>(
    new Worker(new URL('./engineWorker.ts', import.meta.url), { type: 'module' }),
  );
  return remote;
}
