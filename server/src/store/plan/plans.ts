import { NO_PLAN, type PlanContent, type PublishedPlan } from '@calm/contract';
import { desc, eq } from 'drizzle-orm';
import * as t from '../../database/schema';
import type { Scope } from '../../database/scope';
import { isDuplicate } from '../../database/transaction';

/** The plan that the house works by: the newest that was published. */
export async function readPlan({ tx, houseId }: Scope): Promise<PublishedPlan> {
  const [row] = await tx
    .select()
    .from(t.plans)
    .where(eq(t.plans.houseId, houseId))
    .orderBy(desc(t.plans.version))
    .limit(1);
  return row
    ? { version: row.version, publishedAt: row.publishedAt.toISOString(), content: row.content }
    : { version: 0, publishedAt: null, content: NO_PLAN };
}

/** Adds a plan as the newest one; false when somebody else has published it first. */
export async function addPlan(
  { tx, houseId }: Scope,
  version: number,
  publishedAt: Date,
  content: PlanContent,
): Promise<boolean> {
  try {
    await tx.insert(t.plans).values({ houseId, version, publishedAt, content });
    return true;
  } catch (error) {
    if (isDuplicate(error)) return false;
    throw error;
  }
}
