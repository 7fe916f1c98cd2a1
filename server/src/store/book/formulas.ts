import type { FormulaContent, FormulaRecord, FormulaVersion } from '@calm/contract';
import { and, desc, eq, isNull } from 'drizzle-orm';
import * as t from '../../database/schema';
import type { Scope } from '../../database/scope';
import { isDuplicate } from '../../database/transaction';

/** What a version holds: what was edited, and the allergens it came to. */
export type SavedContent = FormulaContent & { readonly allergens: readonly string[] };

/** A formula by the last part of its address, or null. */
export async function findFormula(
  { tx, houseId }: Scope,
  slug: string,
): Promise<FormulaRecord | null> {
  const [row] = await tx
    .select()
    .from(t.formulas)
    .where(and(eq(t.formulas.houseId, houseId), eq(t.formulas.slug, slug)));
  if (!row) return null;
  const { houseId: _, retiredAt: _r, ...formula } = row;
  return formula;
}

/** Whether a formula's lots start with these letters already. */
export async function isCodeTaken({ tx, houseId }: Scope, code: string): Promise<boolean> {
  const rows = await tx
    .select({ id: t.formulas.id })
    .from(t.formulas)
    .where(and(eq(t.formulas.houseId, houseId), eq(t.formulas.code, code)));
  return rows.length > 0;
}

/** Whether the house offers this mixer. */
export async function hasMixer({ tx, houseId }: Scope, id: string): Promise<boolean> {
  const rows = await tx
    .select({ id: t.mixers.id })
    .from(t.mixers)
    .where(and(eq(t.mixers.houseId, houseId), eq(t.mixers.id, id), isNull(t.mixers.retiredAt)))
    .for('update');
  return rows.length > 0;
}

/** Every version of a formula, the newest first. */
export async function readVersions(
  { tx, houseId }: Scope,
  formulaId: string,
): Promise<FormulaVersion[]> {
  const rows = await tx
    .select()
    .from(t.formulaVersions)
    .where(and(eq(t.formulaVersions.houseId, houseId), eq(t.formulaVersions.formulaId, formulaId)))
    .orderBy(desc(t.formulaVersions.version));
  return rows.map(({ version, note, savedAt, content }) => ({
    version,
    note,
    savedAt: savedAt.toISOString(),
    ...content,
  }));
}

/**
 * Makes a formula's next version if nobody has since the one that was read. One that was retired is offered again.
 *
 * @returns false when somebody has
 */
export async function writeNextVersion(
  scope: Scope,
  formulaId: string,
  read: number,
  content: SavedContent,
): Promise<boolean> {
  const { tx, houseId } = scope;
  const [result] = await tx
    .update(t.formulas)
    .set({
      ...content,
      allergens: [...content.allergens],
      retiredAt: null,
      version: read + 1,
    })
    .where(
      and(
        eq(t.formulas.houseId, houseId),
        eq(t.formulas.id, formulaId),
        eq(t.formulas.version, read),
      ),
    );
  return result.affectedRows === 1;
}

/**
 * Adds a formula to the book.
 *
 * @returns false when the house has one at this address already
 */
export async function insertFormula(
  { tx, houseId }: Scope,
  formula: { id: string; slug: string; code: string },
  content: SavedContent,
): Promise<boolean> {
  try {
    const allergens = [...content.allergens];
    await tx.insert(t.formulas).values({ houseId, ...formula, ...content, allergens });
    return true;
  } catch (error) {
    if (isDuplicate(error)) return false;
    throw error;
  }
}

/** Writes a version down for good. */
export async function keepVersion(
  { tx, houseId }: Scope,
  formulaId: string,
  {
    version,
    note,
    savedAt,
    content,
  }: {
    readonly version: number;
    readonly note: string;
    readonly savedAt: Date;
    readonly content: SavedContent;
  },
): Promise<void> {
  await tx.insert(t.formulaVersions).values({
    houseId,
    formulaId,
    version,
    note,
    savedAt,
    content: { ...content, allergens: [...content.allergens] },
  });
}
