import { freshEquivalentPercent } from '../../formula';
import { simulate } from '../run/simulate';
import { routeFaults, type DoughRoute } from '../route/doughRoute';
import type { Target } from '../dough/state';
import {
  applyAlternative,
  changesNear,
  changesTogether,
  type RouteChange,
} from './doseAlternatives';

/** A change to a dough's way that was tried and gives it a window. */
export type Remedy =
  SingleRemedy | { readonly kind: 'together'; readonly changes: readonly SingleRemedy[] };

type SingleRemedy = { readonly kind: 'yeast'; readonly percent: number } | RouteChange;

/** Doses that are tried, as shares of the dough's own. */
const DOSE_SHARES = [0.7, 1.4, 0.5, 2, 0.35, 3, 0.2, 5, 0.1, 10];
/** Steps while looking, and of the last word, min. */
const ROUGH_MIN = 5;
const FINE_MIN = 1;

/**
 * What would give a dough a window: changes of its yeast, its hours, its places, its temperature or its flour, each
 * the nearest of its kind that works, best odds first. Where none works by itself, the fewest together that do.
 *
 * @returns changes that were simulated and found to work; never nothing that a kitchen can change
 */
export function remediesFor(route: DoughRoute, target: Target): Remedy[] {
  const single = rankedRemedies(route, target);
  if (single.length > 0) return single.map(({ remedy }) => remedy);
  for (const changes of changesTogether(route)) {
    const changed = changes.reduce<DoughRoute>(applied, route);
    const [best] = rankedRemedies(changed, target);
    if (best) return [{ kind: 'together', changes: [...changes, best.remedy] }];
  }
  return [];
}

/** The route with a remedy applied. */
export function withRemedy(route: DoughRoute, remedy: Remedy): DoughRoute {
  return remedy.kind === 'together'
    ? remedy.changes.reduce(applied, route)
    : applied(route, remedy);
}

function applied(route: DoughRoute, remedy: SingleRemedy): DoughRoute {
  if (remedy.kind !== 'yeast') return applyAlternative({ route, peakHour: 0 }, remedy).route;
  const yeast = { ...route.formula.yeast, percent: remedy.percent };
  return { ...route, formula: { ...route.formula, yeast } };
}

function rankedRemedies(route: DoughRoute, target: Target) {
  return [...byKind(route).values()]
    .flatMap((changes) => {
      for (const remedy of changes) {
        const changed = applied(route, remedy);
        if (oddsOf(changed, target, ROUGH_MIN) === null) continue;
        const odds = oddsOf(changed, target, FINE_MIN);
        if (odds !== null) return [{ remedy, odds }];
      }
      return [];
    })
    .sort((a, b) => b.odds - a.odds);
}

/** That it opens well at the peak; null where it never does. */
function oddsOf(route: DoughRoute, target: Target, stepMin: number): number | null {
  const { formula, yeastActivity, yeastConversion } = route;
  const fresh = freshEquivalentPercent(formula.yeast, yeastActivity, yeastConversion);
  if (fresh > MOST_PERCENT || routeFaults(route, fresh).length > 0) return null;
  const way = simulate(route, { target, stepMin });
  return way.ok && way.value.window.kind === 'ready' ? way.value.window.odds : null;
}

const MOST_PERCENT = 4;

/** What can be changed, by kind and stage, the nearest first. */
function byKind(route: DoughRoute): Map<string, SingleRemedy[]> {
  const { percent } = route.formula.yeast;
  const doses = (percent > 0 ? DOSE_SHARES.map((share) => percent * share) : [0.1, 0.3, 1, 2]).map(
    (share): SingleRemedy => ({ kind: 'yeast', percent: Number(share.toPrecision(3)) }),
  );
  const kinds = new Map<string, SingleRemedy[]>([['yeast', doses]]);
  for (const change of changesNear(route)) {
    const key = 'stage' in change ? `${change.kind}/${change.stage}` : change.kind;
    kinds.set(key, [...(kinds.get(key) ?? []), change]);
  }
  return kinds;
}
