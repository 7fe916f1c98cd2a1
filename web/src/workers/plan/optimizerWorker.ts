import {
  clashOf,
  gapPercent,
  impossibleAmong,
  optimizeWeek,
  type SolverProgress,
} from '@calm/core';
import { expose } from 'comlink';
import type { OptimizerInWorker } from './planAnswers';

/** A plan this near its bound is as good as the best. */
const BEST_PERCENT = 0.01;
/** How it goes is told at least this often, ms. */
const TELL_EVERY_MS = 400;

let runs = 0;

/** Lets messages come in between two steps of the search. */
const breath = () => new Promise<void>((resolve) => setTimeout(resolve, 0));

/** Weeks are settled off the page's own thread. */
const optimizer: OptimizerInWorker = {
  async optimize(problem, seconds, onBetter) {
    runs += 1;
    const mine = runs;
    const begun = performance.now();
    let toldMs = -Infinity;
    let points = Infinity;
    let open = Infinity;
    let last: SolverProgress | null = null;
    for (const progress of optimizeWeek(problem)) {
      const isBetter = progress.open < open || progress.points < points - 1e-9;
      const now = performance.now();
      const isOver =
        mine !== runs ||
        (gapPercent(progress) ?? Infinity) <= BEST_PERCENT ||
        now - begun > seconds * 1000;
      if (isBetter || isOver || now - toldMs > TELL_EVERY_MS) {
        onBetter(progress);
        toldMs = now;
        ({ points, open } = progress);
      }
      if (isOver) return progress;
      last = progress;
      await breath();
    }
    return last;
  },
  stop() {
    runs += 1;
  },
  clash: (problem, open) => clashOf(problem, open),
  impossible: (problem, open) => impossibleAmong(problem, open),
};

expose(optimizer);
