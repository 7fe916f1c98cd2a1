import { wrap, type Remote } from 'comlink';
import type { OptimizerInWorker, RehearsalInWorker, SimulatorInWorker } from './planAnswers';

let following: Remote<SimulatorInWorker> | null = null;
let rehearsing: Remote<RehearsalInWorker> | null = null;
let started: Remote<OptimizerInWorker> | null = null;

/** Who follows dough, in a worker of its own: it answers while a week is being settled. */
export function simulator(): Remote<SimulatorInWorker> {
  following ??= wrap<SimulatorInWorker>(
    new Worker(new URL('./simulatorWorker.ts', import.meta.url), { type: 'module' }),
  );
  return following;
}

/** Who settles weeks, in a worker of its own. */
export function optimizer(): Remote<OptimizerInWorker> {
  started ??= wrap<OptimizerInWorker>(
    new Worker(new URL('./optimizerWorker.ts', import.meta.url), { type: 'module' }),
  );
  return started;
}

/** Who rehearses plans, in a worker of its own. */
export function rehearsals(): Remote<RehearsalInWorker> {
  rehearsing ??= wrap<RehearsalInWorker>(
    new Worker(new URL('./rehearsalWorker.ts', import.meta.url), { type: 'module' }),
  );
  return rehearsing;
}
