import { ok, fail } from '@calm/core';
import type { PlanPublication, PublishedPlan } from '@calm/contract';
import { addPlan, readPlan } from '../../store/plan/plans';
import type { Scope } from '../../database/scope';
import { noteChange } from '../access/recordWrite';
import { type Result } from '../result';

/** Publishes a plan over the one it was made from. */
export async function publishPlan(
  scope: Scope,
  { version, content }: PlanPublication,
  now: Date,
): Promise<Result<PublishedPlan>> {
  const current = await readPlan(scope);
  const isNext = current.version === version;
  const isAdded = isNext && (await addPlan(scope, version + 1, now, content));
  if (!isAdded) return fail({ kind: 'stale', current: await readPlan(scope), sent: { version } });
  const published = await readPlan(scope);
  noteChange(scope, 'plan', String(published.version), current, published);
  return ok(published);
}

/** The plan that the crew works by. */
export const currentPlan = (scope: Scope): Promise<PublishedPlan> => readPlan(scope);
