import { rehearse } from '@calm/domain';
import { expose } from 'comlink';
import type { RehearsalInWorker } from './planAnswers';

/** How much is done is told at least this often, ms. */
const TELL_EVERY_MS = 100;

let runs = 0;

/** Lets messages come in between two steps. */
const breath = () => new Promise<void>((resolve) => setTimeout(resolve, 0));

/** Plans are rehearsed off the page's own thread. */
const rehearsals: RehearsalInWorker = {
  async rehearse(asked, onProgress) {
    runs += 1;
    const mine = runs;
    let toldMs = -Infinity;
    const run = rehearse(asked);
    for (;;) {
      const step = run.next();
      if (step.done) return step.value;
      const now = performance.now();
      if (now - toldMs > TELL_EVERY_MS) {
        onProgress(step.value);
        toldMs = now;
        await breath();
      }
      if (mine !== runs) return null;
    }
  },
  stop() {
    runs += 1;
  },
};

expose(rehearsals);
