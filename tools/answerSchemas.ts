import { ROUTE_NAMES, type RouteName } from '@calm/contract';
import type { AnswerSchemas } from '@calm/contract/schemas';
import { createGenerator } from 'ts-json-schema-generator';
import { fileURLToPath } from 'node:url';

const ROOT = fileURLToPath(new URL('..', import.meta.url));

type Definitions = Readonly<Record<string, Readonly<Record<string, unknown>>>>;

/** The schemas of what every route answers with, made of the contract's own types. */
export function answerSchemas(): AnswerSchemas {
  const generator = createGenerator({
    path: `${ROOT}contract/src/api/answers.ts`,
    tsconfig: `${ROOT}tsconfig.json`,
    skipTypeCheck: true,
    additionalProperties: false,
    jsDoc: 'none',
  });
  const definitionsOf = (type: string) =>
    inComponents(generator.createSchema(type).definitions ?? {}) as Definitions;
  const { PlainAnswers, ...plain } = definitionsOf('PlainAnswers');
  const { CollectionRecords, ...records } = definitionsOf('CollectionRecords');
  const answers = propertiesOf(PlainAnswers);
  const stored = propertiesOf(CollectionRecords);
  const schemaOf = (name: RouteName) =>
    answers[name] ?? stored[name.replace(/^(add|change|remove)/, '')] ?? {};
  return {
    byRoute: Object.fromEntries(
      ROUTE_NAMES.map((name) => [name, schemaOf(name)]),
    ) as AnswerSchemas['byRoute'],
    components: { ...plain, ...records },
  };
}

const propertiesOf = (schema: Definitions[string] | undefined) =>
  (schema?.['properties'] ?? {}) as Definitions;

/** The same with its references where OpenAPI keeps schemas. */
const inComponents = (value: unknown): unknown =>
  JSON.parse(JSON.stringify(value).replaceAll('#/definitions/', '#/components/schemas/'));
