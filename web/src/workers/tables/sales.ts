import { wrap, type Remote } from 'comlink';
import type { SalesInWorker } from './salesAnswers';

let remote: Remote<SalesInWorker> | null = null;

/** The reader of sales files in its worker, which starts when it is first asked. */
export function salesReaderInWorker(): Remote<SalesInWorker> {
  remote ??= wrap<SalesInWorker>(
    new Worker(new URL('./salesWorker.ts', import.meta.url), { type: 'module' }),
  );
  return remote;
}
