import { ROOT } from '../processes.mjs';

/** Where the worker that times the engine in a browser is built to. */
export const WORKER_FILE = `${ROOT}/.data/bench-worker/worker.js`;

export default {
  root: ROOT,
  logLevel: 'error',
  build: {
    outDir: '.data/bench-worker',
    target: 'es2023',
    lib: { entry: 'tools/bench/engineWorker.ts', formats: ['es'], fileName: 'worker' },
  },
};
