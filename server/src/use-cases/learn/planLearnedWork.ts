import type { House, LearnedNumbers, WorkToPlan } from '@calm/contract';
import { fail, ok } from '@calm/core';
import { routeTaking } from '@calm/domain';
import type { Scope } from '../../database/scope';
import { readBook } from '../../store/house/houses';
import { readFit, writeFit } from '../../store/learn/proposals';
import { routes } from '../book/bookRecords';
import type { Result } from '../result';
import { learnedNumbers } from './learn';

/**
 * Gives a kind of work, on every route that the house offers, the minutes that it was learned to take. Lots that are under
 * way keep theirs.
 */
export async function planLearnedWork(
  scope: Scope,
  house: House,
  { kind }: WorkToPlan,
): Promise<Result<LearnedNumbers>> {
  const fit = await readFit(scope);
  const isOfHouse = (each: { readonly kind: string; readonly personId: string | null }) =>
    each.kind === kind && each.personId === null;
  const learned = fit?.work?.find(isOfHouse);
  if (!fit || !learned) return fail({ kind: 'not-found', what: 'proposal' });
  for (const { id, version, name, stages: before } of (await readBook(scope, house)).routes) {
    const stages = routeTaking(before, kind, learned.factor);
    if (stages === before) continue;
    const changed = await routes.change(scope, id, { version, content: { name, stages } });
    if (!changed.ok) return changed;
  }
  // It was done: pressed again, it is not done twice.
  const work = fit.work?.filter((each) => !isOfHouse(each)) ?? [];
  await writeFit(scope, new Date(fit.at), { ...fit, work });
  return ok(await learnedNumbers(scope, house));
}
