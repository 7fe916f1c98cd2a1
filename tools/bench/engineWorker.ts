import { benchEngine } from './engineBench';

/** In a browser's worker: times the engine as often as it is told, and posts what came of it. */
self.onmessage = ({ data: runs }: MessageEvent<number>) => self.postMessage(benchEngine(runs));
