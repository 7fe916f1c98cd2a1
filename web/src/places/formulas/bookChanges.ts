import type { FileFormula } from '@calm/contract/files';
import type { FormulaContent, FormulaRecord, HouseBook, Method } from '@calm/contract';

/** What bringing in one formula of a file would do. */
export interface BookChange {
  readonly entry: FileFormula;
  readonly kind: 'new' | 'changed' | 'same';
  /** The house's formula of the same code, if it has one. */
  readonly present: FormulaRecord | null;
  readonly content: FormulaContent;
}

/**
 * What a file would change, before it changes anything. The same code is the same formula; what a file
 * does not say stays as the house has it.
 *
 * @param plain method of a new formula whose file has none
 */
export function bookChanges(
  entries: readonly FileFormula[],
  book: HouseBook,
  plain: Method,
): BookChange[] {
  return entries.map((entry) => {
    const present = book.formulas.find(({ code }) => code === entry.code) ?? null;
    const content: FormulaContent = {
      name: entry.name,
      formula: entry.formula,
      doughTempC: entry.doughTempC,
      method: entry.method ?? present?.method ?? plain,
      mixerId: present?.mixerId ?? book.mixers[0]?.id ?? '',
    };
    return { entry, present, content, kind: kindOf(content, present) };
  });
}

function kindOf(content: FormulaContent, present: FormulaRecord | null): BookChange['kind'] {
  if (!present) return 'new';
  const { name, formula, doughTempC, method, mixerId } = present;
  const now: FormulaContent = { name, formula, doughTempC, method, mixerId };
  return canonical(now) === canonical(content) ? 'same' : 'changed';
}

/** The same text for the same content, whatever order its keys came in. */
function canonical(value: unknown): string {
  return JSON.stringify(value, (_key, part: unknown) =>
    typeof part === 'object' && part !== null && !Array.isArray(part)
      ? Object.fromEntries(Object.entries(part).sort(([a], [b]) => (a < b ? -1 : 1)))
      : part,
  );
}
