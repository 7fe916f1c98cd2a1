import { register } from 'tsx/esm/api';

/*
 * Where the server runs from its TypeScript sources: a thread has a module loader of its own, which has to be told of
 * TypeScript anew.
 */
register();
// @ts-expect-error its own loader takes TypeScript
const calculations = await import('./calculations.ts');
export const { fitSeries, coldPortions, windowsAsSet, learn, windowsOff, isGuessable } =
  calculations;
