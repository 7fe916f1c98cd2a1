import { wrap, type Remote } from 'comlink';
import type { ReadingsInWorker } from './readingsAnswers';

let remote: Remote<ReadingsInWorker> | null = null;

/** The reader of loggers' files in its worker, which starts when it is first asked. */
export function readingsReaderInWorker(): Remote<ReadingsInWorker> {
  remote ??= wrap<ReadingsInWorker>(
    new Worker(new URL('./readingsWorker.ts', import.meta.url), { type: 'module' }),
  );
  return remote;
}
