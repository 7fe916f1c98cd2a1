import { wrap, type Remote } from 'comlink';
import type { FollowerInWorker, SettlerInWorker } from './planAnswers';

let following: Remote<FollowerInWorker> | null = null;
let settling: Remote<SettlerInWorker> | null = null;

/** Who follows dough, in a worker of its own: it answers while a week is being settled. */
export function follower(): Remote<FollowerInWorker> {
  following ??= wrap<FollowerInWorker>(
    new Worker(new URL('./simulatorWorker.ts', import.meta.url), { type: 'module' }),
  );
  return following;
}

/** Who settles weeks, in a worker of its own. */
export function settler(): Remote<SettlerInWorker> {
  settling ??= wrap<SettlerInWorker>(
    new Worker(new URL('./optimizerWorker.ts', import.meta.url), { type: 'module' }),
  );
  return settling;
}
