import type { HouseFit, LearnedProposal, ProposalState } from '@calm/contract';
import { and, desc, eq, inArray } from 'drizzle-orm';
import * as t from '../../database/schema';
import type { Scope } from '../../database/scope';

/** Proposals that are read: more than a house makes in years. */
const MOST = 200;

type Row = typeof t.learnedProposals.$inferSelect;

const proposalOf = ({ houseId: _h, by, madeAt, decidedAt, ...row }: Row): LearnedProposal => ({
  ...row,
  ...by,
  madeAt: madeAt.toISOString(),
  decidedAt: decidedAt?.toISOString() ?? null,
});

/** What a house was proposed, newest first. */
export async function readProposals({ tx, houseId }: Scope): Promise<LearnedProposal[]> {
  const rows = await tx
    .select()
    .from(t.learnedProposals)
    .where(eq(t.learnedProposals.houseId, houseId))
    .orderBy(desc(t.learnedProposals.madeAt), desc(t.learnedProposals.id))
    .limit(MOST);
  return rows.map(proposalOf);
}

/** What is proposed. */
export async function insertProposals(
  { tx, houseId }: Scope,
  proposals: readonly LearnedProposal[],
  now: Date,
): Promise<void> {
  if (proposals.length === 0) return;
  await tx.insert(t.learnedProposals).values(
    proposals.map(({ factor, shift, madeAt: _m, decidedAt: _d, ...rest }) => ({
      ...rest,
      houseId,
      by: shift === undefined ? { factor: factor ?? 1 } : { shift },
      madeAt: now,
      decidedAt: null,
    })),
  );
}

/** Deletes proposals that nobody has decided on. */
export async function deleteUndecided(
  { tx, houseId }: Scope,
  ids: readonly string[],
): Promise<void> {
  if (ids.length === 0) return;
  await tx
    .delete(t.learnedProposals)
    .where(
      and(
        eq(t.learnedProposals.houseId, houseId),
        eq(t.learnedProposals.state, 'proposed'),
        inArray(t.learnedProposals.id, [...ids]),
      ),
    );
}

/** Writes what becomes of a proposal over the version that was read; false when it is another by now. */
export async function writeDecision(
  { tx, houseId }: Scope,
  id: string,
  version: number,
  decision: {
    readonly state: ProposalState;
    readonly decidedAt: Date;
    readonly personId: string | null;
  },
): Promise<boolean> {
  const [result] = await tx
    .update(t.learnedProposals)
    .set({ ...decision, version: version + 1 })
    .where(
      and(
        eq(t.learnedProposals.houseId, houseId),
        eq(t.learnedProposals.id, id),
        eq(t.learnedProposals.version, version),
      ),
    );
  return result.affectedRows === 1;
}

/** What the lots of a house said last; null until they were asked. */
export async function readFit({ tx, houseId }: Scope): Promise<HouseFit | null> {
  const [row] = await tx.select().from(t.houseFits).where(eq(t.houseFits.houseId, houseId));
  return row ? { ...row.fit, at: row.at.toISOString() } : null;
}

/** Writes what the lots of a house say. */
export async function writeFit(
  { tx, houseId }: Scope,
  at: Date,
  fit: Omit<HouseFit, 'at'>,
): Promise<void> {
  await tx
    .insert(t.houseFits)
    .values({ houseId, at, fit })
    .onDuplicateKeyUpdate({ set: { at, fit } });
}
