import { fromPerLitre } from '@calm/core';
import { findNodeAtLocation, parseTree, printParseErrorCode, type ParseError } from 'jsonc-parser';
import {
  type FieldError,
  type BookFile,
  type FileFormula,
  type WrittenFormula,
} from '@calm/contract';
import { bookFileSchema, check } from '@calm/contract/schemas';

/** Something wrong with a file, and where. */
export interface FileProblem extends FieldError {
  /** Line in the file, from 1. */
  readonly line: number;
}

/** A file that was read, or everything that is wrong with it. */
export type ReadFile<T> =
  | { readonly ok: true; readonly value: T }
  | { readonly ok: false; readonly problems: readonly FileProblem[] };

/**
 * Reads a JSON file of formulas and routes. A bad file is refused whole: every problem with the line
 * it stands in. Formulas counted per litre of water come back in percent.
 */
export function readBookFile(text: string): ReadFile<BookFile> {
  const mistakes: ParseError[] = [];
  const tree = parseTree(text, mistakes, { disallowComments: true });
  const [first] = mistakes;
  if (!tree || first) {
    // What follows a first slip in JSON is seldom a slip of its own.
    return { ok: false, problems: [first ? notJson(text, first) : EMPTY] };
  }
  const checked = check(bookFileSchema, JSON.parse(text) as unknown);
  if (!checked.ok) {
    const problems = checked.errors.map((error): FileProblem => {
      const node = nearestNode(tree, error.path.split('/').filter(Boolean));
      return { ...error, line: lineAt(text, node?.offset ?? 0) };
    });
    return { ok: false, problems: problems.sort((a, b) => a.line - b.line) };
  }
  const written = checked.value as BookFile & { readonly formulas: readonly WrittenFormula[] };
  return { ok: true, value: { ...checked.value, formulas: written.formulas.map(inPercent) } };
}

const notJson = (text: string, { error, offset }: ParseError): FileProblem => ({
  path: '',
  code: 'json.invalid',
  message: `This is not JSON here: ${printParseErrorCode(error)}.`,
  line: lineAt(text, offset),
});

const EMPTY: FileProblem = { path: '', code: 'json.empty', message: 'The file is empty.', line: 1 };

function inPercent(written: WrittenFormula): FileFormula {
  if ('formula' in written) return written;
  const { perLitre, ...rest } = written;
  return { ...rest, formula: fromPerLitre(perLitre) };
}

/** What a path points to, or the nearest thing around it where that is missing. */
function nearestNode(tree: NonNullable<ReturnType<typeof parseTree>>, path: string[]) {
  for (let length = path.length; length >= 0; length -= 1) {
    const keys = path.slice(0, length).map((key) => (/^\d+$/.test(key) ? Number(key) : key));
    const node = findNodeAtLocation(tree, keys);
    if (node) return node;
  }
  return tree;
}

const lineAt = (text: string, offset: number): number => text.slice(0, offset).split('\n').length;
