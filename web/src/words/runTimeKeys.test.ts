import { beforeAll, describe, expect, it } from '@jest/globals';
import { fileURLToPath } from 'node:url';
import ts from 'typescript';
import { loadWords, WORD_AREAS, type Words } from './catalogue';
import { sentencesOf, withoutPlural } from './sentences';

/*
 * Keys that are put together at run time, as `t(\`work.${key}\`)`: the compiler knows what the parts can be, so
 * every key that can come of them is looked up.
 */

const web = fileURLToPath(new URL('../../', import.meta.url));

let keys = new Set<string>();

interface Asked {
  readonly where: string;
  readonly key: string;
  /** Another sentence stands in where there is none. */
  readonly hasOther: boolean;
}
/** Keys by their parts, and templates with a part that may be any text. */
const asked: Asked[] = [];
const open: { readonly where: string; readonly pattern: RegExp }[] = [];

/** Every text that an expression can be; null when it may be any. */
function textsOf(checker: ts.TypeChecker, node: ts.Expression): string[] | null {
  const type = checker.getTypeAtLocation(node);
  const parts = type.isUnion() ? type.types : [type];
  const texts = parts.map((part) =>
    part.isStringLiteral() || part.isNumberLiteral() ? String(part.value) : null,
  );
  return texts.every((text) => text !== null) ? (texts as string[]) : null;
}

function look(checker: ts.TypeChecker, node: ts.Node, file: ts.SourceFile): void {
  ts.forEachChild(node, (child) => look(checker, child, file));
  if (!ts.isCallExpression(node)) return;
  const called = node.expression.getText();
  const [first, more] = node.arguments;
  if (!/(^|\.)t$/.test(called) || !first || !ts.isTemplateExpression(first)) return;
  const { line } = file.getLineAndCharacterOfPosition(first.getStart());
  const where = `${file.fileName.slice(web.length)}:${line + 1}`;
  const parts = first.templateSpans.map((span) => ({
    texts: textsOf(checker, span.expression),
    after: span.literal.text,
  }));
  const { text: head } = first.head;
  if (parts.some(({ texts }) => texts === null)) {
    const escaped = (text: string) => text.replaceAll(/[.*+?^${}()|[\]\\]/g, '\\$&');
    const rest = parts.map(
      ({ texts, after }) => `(${texts?.map(escaped).join('|') ?? '.+'})${escaped(after)}`,
    );
    open.push({ where, pattern: new RegExp(`^${escaped(head)}${rest.join('')}$`) });
    return;
  }
  const hasOther = more?.getText().includes('defaultValue') ?? false;
  const all = parts.reduce<string[]>(
    (before, { texts, after }) =>
      before.flatMap((text) => (texts ?? []).map((part) => text + part + after)),
    [head],
  );
  asked.push(...all.map((key) => ({ where, key, hasOther })));
}

describe('keys that are put together', () => {
  beforeAll(async () => {
    const areas = await Promise.all(WORD_AREAS.map((area) => loadWords('en', area)));
    keys = new Set(
      [...sentencesOf(Object.assign({}, ...areas) as Words).keys()].map(withoutPlural),
    );
    const { config } = ts.readConfigFile(`${web}tsconfig.json`, (path) =>
      ts.sys.readFile(path),
    ) as {
      config: unknown;
    };
    const { fileNames, options } = ts.parseJsonConfigFileContent(config, ts.sys, web);
    const program = ts.createProgram(fileNames, options);
    const checker = program.getTypeChecker();
    for (const file of program.getSourceFiles()) {
      const isOurs =
        file.fileName.startsWith(`${web}src/`) && !/\.test\.|\/words\//.test(file.fileName);
      if (isOurs) look(checker, file, file);
    }
  }, 180_000);

  it('are found in the sources', () => {
    expect(asked.length).toBeGreaterThan(300);
  });

  it('stand in the catalogue, whatever their parts come to', () => {
    const missing = asked.filter(({ key, hasOther }) => !hasOther && !keys.has(key));
    expect(missing.map(({ where, key }) => `${where} ${key}`)).toEqual([]);
  });

  it('of any text find at least something there', () => {
    const lost = open.filter(({ pattern }) => ![...keys].some((key) => pattern.test(key)));
    expect(lost.map(({ where }) => where)).toEqual([]);
  });
});
