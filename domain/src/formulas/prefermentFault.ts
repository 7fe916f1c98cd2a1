import type { RouteContent } from '@calm/contract';
import type { Formula, Route } from '@calm/core';

/** A pre-ferment that nobody mixes, or a mixing of one that the dough does not have. */
export type PrefermentFault = 'no-stage' | 'no-preferment';

/**
 * Whether a route mixes a dough's pre-ferment; one that it does not mix is never planned.
 *
 * @returns null when the two belong together
 */
export function prefermentFault(
  { preferment }: Pick<Formula, 'preferment'>,
  stages: Route,
): PrefermentFault | null {
  const isMixed = stages.some(({ kind, key }) => kind === 'work' && key === 'preferment-mix');
  if (isMixed === (preferment !== undefined)) return null;
  return isMixed ? 'no-preferment' : 'no-stage';
}

/** The first of some routes that mixes a dough's pre-ferment where it has one; the first of all where none does. */
export const likelyRoute = <R extends Pick<RouteContent, 'stages'>>(
  { formula }: { readonly formula: Pick<Formula, 'preferment'> },
  routes: readonly R[],
): R | undefined =>
  routes.find(({ stages }) => prefermentFault(formula, stages) === null) ?? routes[0];
