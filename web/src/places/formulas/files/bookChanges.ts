import type {
  FileFormula,
  FileRoute,
  BookImport,
  FormulaContent,
  FormulaRecord,
  HouseBook,
  Method,
  RouteRecord,
} from '@calm/contract';
import { contentOf, contentOfRoute } from '../formula/contents';

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
 * does not say stays as the house has it. One that was retired is offered again.
 *
 * @param plain method of a new formula whose file has none
 */
export function bookChanges(
  entries: readonly FileFormula[],
  book: HouseBook,
  plain: Method,
): BookChange[] {
  return entries.map((entry) => {
    const ofCode = ({ code }: FormulaRecord) => code === entry.code;
    const present = book.formulas.find(ofCode) ?? null;
    const retired = book.retired.formulas.find(ofCode) ?? null;
    const before = present ?? retired;
    const mixer = book.mixers.find(({ id }) => id === before?.mixerId) ?? book.mixers[0];
    const content: FormulaContent = {
      name: entry.name,
      formula: entry.formula,
      doughTempC: entry.doughTempC,
      method: entry.method ?? before?.method ?? plain,
      mixerId: mixer?.id ?? '',
    };
    if (retired) return { entry, present: retired, content, kind: 'changed' };
    return { entry, present, content, kind: kindOf(content, present) };
  });
}

function kindOf(content: FormulaContent, present: FormulaRecord | null): BookChange['kind'] {
  if (!present) return 'new';
  return canonical(contentOf(present)) === canonical(content) ? 'same' : 'changed';
}

/** What bringing in one route of a file would do; the same name is the same route. */
export interface RouteChange {
  readonly entry: FileRoute;
  readonly kind: 'new' | 'changed' | 'same';
  readonly present: RouteRecord | null;
}

/** What a file would change of the house's routes. */
export function routeChanges(entries: readonly FileRoute[], book: HouseBook): RouteChange[] {
  return entries.map((entry) => {
    const present = book.routes.find(({ name }) => name === entry.name) ?? null;
    const isSame = present && canonical(contentOfRoute(present)) === canonical(entry);
    return { entry, present, kind: isSame ? 'same' : present ? 'changed' : 'new' };
  });
}

/** Everything a file changes, as one request. */
export function imports(
  formulas: readonly BookChange[],
  routes: readonly RouteChange[],
  note: string,
): BookImport {
  return {
    note,
    formulas: formulas
      .filter(({ kind }) => kind !== 'same')
      .map(({ present, entry: { code }, content }) =>
        present ? { slug: present.slug, version: present.version, content } : { code, content },
      ),
    routes: routes
      .filter(({ kind }) => kind !== 'same')
      .map(({ present, entry: content }) =>
        present ? { id: present.id, version: present.version, content } : { content },
      ),
  };
}

/** The same text for the same content, whatever order its keys came in. */
function canonical(value: unknown): string {
  return JSON.stringify(value, (_key, part: unknown) =>
    typeof part === 'object' && part !== null && !Array.isArray(part)
      ? Object.fromEntries(Object.entries(part).sort(([a], [b]) => (a < b ? -1 : 1)))
      : part,
  );
}
