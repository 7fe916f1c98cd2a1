import type { Trial, TrialStart, Verdict } from '@calm/contract';
import { chanceOf } from '@calm/core';
import { and, desc, eq, inArray, isNull, sql } from 'drizzle-orm';
import * as t from '../../database/schema';
import type { Scope } from '../../database/scope';
import { isDuplicate } from '../../database/transaction';

/** Trials that are read, the newest. */
const MOST = 200;

/** A house's trials, newest first; which lot was changed is told once a trial is ended. */
export async function readTrials({ tx, houseId }: Scope): Promise<Trial[]> {
  const rows = await tx
    .select()
    .from(t.trials)
    .where(eq(t.trials.houseId, houseId))
    .orderBy(desc(t.trials.startedAt), desc(t.trials.id))
    .limit(MOST);
  if (rows.length === 0) return [];
  const lotIds = rows.flatMap(({ controlLotId, changedLotId }) => [controlLotId, changedLotId]);
  const [lots, verdicts] = await Promise.all([
    tx
      .select({ id: t.lots.id, code: t.lots.code, recipe: t.lots.recipe })
      .from(t.lots)
      .where(and(eq(t.lots.houseId, houseId), inArray(t.lots.id, lotIds))),
    tx
      .select({
        trialId: t.trialVerdicts.trialId,
        choice: t.trialVerdicts.choice,
        said: sql<number>`count(*)`,
      })
      .from(t.trialVerdicts)
      .where(eq(t.trialVerdicts.houseId, houseId))
      .groupBy(t.trialVerdicts.trialId, t.trialVerdicts.choice),
  ]);
  return rows.map((row): Trial => {
    const lot = (id: string) => lots.find((each) => each.id === id);
    const [control, changed] = [lot(row.controlLotId), lot(row.changedLotId)];
    const said = (choice: Verdict) =>
      Number(verdicts.find((each) => each.trialId === row.id && each.choice === choice)?.said ?? 0);
    const counts = { x: said('x'), same: said('same'), y: said('y') };
    const isOver = row.endedAt !== null;
    const [x, y] = row.changed === 'x' ? [changed, control] : [control, changed];
    return {
      id: row.id,
      version: row.version,
      formulaName: control?.recipe.formulaName ?? '',
      formulaVersion: control?.recipe.formulaVersion ?? 0,
      change: row.change,
      judge: row.judge,
      startedAt: row.startedAt.toISOString(),
      endedAt: row.endedAt?.toISOString() ?? null,
      codes: { x: x?.code ?? '', y: y?.code ?? '' },
      verdicts: counts,
      changed: isOver ? row.changed : null,
      chance: isOver && counts.x + counts.y > 0 ? chanceOf(counts.x, counts.y) : null,
    };
  });
}

/** What begins a trial. */
export interface NewTrial extends TrialStart {
  readonly id: string;
  readonly changed: 'x' | 'y';
  readonly startedAt: Date;
  readonly personId: string | null;
}

/** Writes down a trial. */
export async function insertTrial({ tx, houseId }: Scope, trial: NewTrial): Promise<void> {
  await tx.insert(t.trials).values({ ...trial, houseId });
}

/** Writes down a verdict; false where one of its name is there. */
export async function insertVerdict(
  { tx, houseId }: Scope,
  verdict: {
    readonly id: string;
    readonly trialId: string;
    readonly at: Date;
    readonly personId: string | null;
    readonly choice: Verdict;
  },
): Promise<boolean> {
  try {
    await tx.insert(t.trialVerdicts).values({ ...verdict, houseId });
    return true;
  } catch (error) {
    if (isDuplicate(error)) return false;
    throw error;
  }
}

/** Ends a trial over the version that was read; false when it is another by now. */
export async function writeTrialEnd(
  { tx, houseId }: Scope,
  id: string,
  version: number,
  endedAt: Date,
): Promise<boolean> {
  const [result] = await tx
    .update(t.trials)
    .set({ endedAt, version: version + 1 })
    .where(
      and(
        eq(t.trials.houseId, houseId),
        eq(t.trials.id, id),
        eq(t.trials.version, version),
        isNull(t.trials.endedAt),
      ),
    );
  return result.affectedRows === 1;
}
