import { ok, fail, allergensOf } from '@calm/core';
import type {
  FormulaChange,
  FormulaContent,
  FormulaRecord,
  FormulaStart,
  FormulaVersion,
} from '@calm/contract';
import { randomUUID } from 'node:crypto';
import {
  findFormula,
  hasMixer,
  insertFormula,
  isCodeTaken,
  keepVersion,
  readVersions,
  writeNextVersion,
  type SavedContent,
} from '../../store/book/formulas';
import { readPantry } from '../../store/book/pantry';
import type { Scope } from '../../database/scope';
import { noteChange } from '../access/recordWrite';
import { badInput, type Refused, type Result } from '../result';
import { slugOf } from '@calm/domain';

const NO_FORMULA: Refused = fail({ kind: 'not-found', what: 'formula' });

/** Every version of a formula, the newest first. */
export async function formulaVersions(
  scope: Scope,
  slug: string,
): Promise<Result<FormulaVersion[]>> {
  const formula = await findFormula(scope, slug);
  return formula ? ok(await readVersions(scope, formula.id)) : NO_FORMULA;
}

/**
 * Saves a formula as its next version. Versions before it stay as they were, and lots under way keep
 * the recipe they were started with.
 */
export async function saveFormula(
  scope: Scope,
  slug: string,
  change: FormulaChange,
  now: Date,
): Promise<Result<FormulaRecord>> {
  const formula = await findFormula(scope, slug);
  if (!formula) return NO_FORMULA;
  const checked = await checkedContent(scope, change.content);
  if (!checked.ok) return checked;
  const content = checked.value;
  const isWritten = await writeNextVersion(scope, formula.id, change.version, content);
  const current = await findFormula(scope, slug);
  if (!current) return NO_FORMULA;
  if (!isWritten) return fail({ kind: 'stale', current, sent: change });
  const { note } = change;
  noteChange(scope, 'formula', formula.id, formula, current);
  await keepVersion(scope, formula.id, { version: current.version, note, savedAt: now, content });
  return ok(current);
}

/** Adds a formula to the book, as version 1, at an address made of its name. */
export async function startFormula(
  scope: Scope,
  { code, note, content: wanted }: FormulaStart,
  now: Date,
): Promise<Result<FormulaRecord>> {
  const checked = await checkedContent(scope, wanted);
  if (!checked.ok) return checked;
  const content = checked.value;
  if (await isCodeTaken(scope, code)) {
    return badInput('code', 'code.taken', `Another formula's lots already start with ${code}.`);
  }
  const slug = slugOf(content.name);
  const id = randomUUID();
  if (!slug || !(await insertFormula(scope, { id, slug, code }, content))) {
    return badInput('content/name', 'name.taken', 'There is a formula of this name already.');
  }
  await keepVersion(scope, id, { version: 1, note, savedAt: now, content });
  const made = await findFormula(scope, slug);
  if (!made) return NO_FORMULA;
  noteChange(scope, 'formula', id, null, made);
  return ok(made);
}

/** The content with its allergens, if the house has what it refers to. */
async function checkedContent(
  scope: Scope,
  content: FormulaContent,
): Promise<Result<SavedContent>> {
  if (!(await hasMixer(scope, content.mixerId))) {
    return badInput('content/mixerId', 'mixer.unknown', 'The house has no such mixer.');
  }
  return ok({ ...content, allergens: allergensOf(content.formula, await readPantry(scope)) });
}
