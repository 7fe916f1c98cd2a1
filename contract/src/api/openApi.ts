import type { ObjectSchema } from 'joi';
import { ROLE_PERMISSIONS, ROLES } from '../access/permissions';
import type { RouteDefinition } from './defineRoute';
import { paramsSchema } from './params';
import { schemasOf } from './routeSchemas';
import { ROUTE_SUMMARIES } from './routeSummaries';
import { ROUTE_AREAS } from './routeTable';
import { API, type RouteName } from './routes';

type JsonSchema = Readonly<Record<string, unknown>>;

/** JSON Schemas of what routes answer with: by route, and what they refer to. */
export interface AnswerSchemas {
  readonly byRoute: Readonly<Record<RouteName, JsonSchema>>;
  /** Under `#/components/schemas/`. */
  readonly components: Readonly<Record<string, JsonSchema>>;
}

const MEDIA_TYPE = {
  json: 'application/json',
  none: null,
  csv: 'text/csv',
  calendar: 'text/calendar',
  jpeg: 'image/jpeg',
  zip: 'application/zip',
  events: 'text/event-stream',
} as const satisfies Readonly<Record<RouteDefinition['media'], string | null>>;

const PROBLEM: JsonSchema = {
  type: 'object',
  description: 'A problem document (RFC 9457).',
  required: ['type', 'title', 'status', 'detail', 'requestId'],
  properties: {
    type: { type: 'string' },
    title: { type: 'string' },
    status: { type: 'integer' },
    detail: { type: 'string' },
    requestId: { type: 'string' },
    errors: { type: 'array', items: { type: 'object' } },
    current: {},
    sent: {},
    reasons: { type: 'array' },
  },
};

/**
 * The API's description, OpenAPI 3.1, made of the route table and the schemas that the server checks with.
 *
 * @param answers schemas of the answers, made of the contract's types
 */
export function openApiDocument(answers: AnswerSchemas) {
  const paths: Record<string, Record<string, object>> = {};
  for (const [area, routes] of Object.entries(ROUTE_AREAS)) {
    for (const [name, route] of Object.entries(routes) as [RouteName, RouteDefinition][]) {
      const path = `${API}${route.path.replace(/:([A-Za-z]+)/g, '{$1}')}`;
      paths[path] = { ...paths[path], [route.method]: operation(name, route, area, answers) };
    }
  }
  return {
    openapi: '3.1.0',
    info: {
      title: 'Calm Tray API',
      version: '1',
      description:
        'Everything the pages do. Whoever signs in is given a cookie of their house; every error is a problem document.',
      license: { name: 'Proprietary', identifier: 'LicenseRef-Proprietary' },
    },
    servers: [{ url: '/' }],
    tags: Object.keys(ROUTE_AREAS).map((name) => ({ name })),
    paths,
    components: {
      securitySchemes: { session: { type: 'apiKey', in: 'cookie', name: 'calm_{house}' } },
      schemas: { ...answers.components, Problem: PROBLEM },
    },
  };
}

function operation(
  name: RouteName,
  { path, permission, status, media }: RouteDefinition,
  area: string,
  { byRoute }: AnswerSchemas,
): object {
  const { query, body } = schemasOf(name);
  const type = MEDIA_TYPE[media];
  return {
    operationId: name,
    summary: ROUTE_SUMMARIES[name],
    description: whoMay(permission),
    tags: [area],
    security: permission === 'public' ? [] : [{ session: [] }],
    parameters: [
      ...parametersOf(paramsSchema(path), 'path'),
      ...(query ? parametersOf(query, 'query') : []),
    ],
    ...(body && {
      requestBody: {
        required: true,
        content: { 'application/json': { schema: jsonSchemaOf(body) } },
      },
    }),
    responses: {
      [status]: {
        description: 'It worked.',
        ...(type && {
          content: { [type]: { schema: media === 'json' ? byRoute[name] : { type: 'string' } } },
        }),
      },
      default: {
        description: 'It did not, and why.',
        content: {
          'application/problem+json': { schema: { $ref: '#/components/schemas/Problem' } },
        },
      },
    },
  };
}

function whoMay(permission: RouteDefinition['permission']): string {
  if (permission === 'public') return 'Open to anybody.';
  const roles = ROLES.filter((role) => ROLE_PERMISSIONS[role].includes(permission));
  return `For roles: ${roles.join(', ')}.`;
}

interface ObjectJsonSchema {
  readonly properties?: Readonly<Record<string, object>>;
  readonly required?: readonly string[];
}

function parametersOf(schema: ObjectSchema, place: 'path' | 'query'): object[] {
  const { properties = {}, required = [] } = jsonSchemaOf(schema) as ObjectJsonSchema;
  return Object.entries(properties).map(([name, of]) => ({
    name,
    in: place,
    required: place === 'path' || required.includes(name),
    schema: of,
  }));
}

/** A Joi schema as a JSON Schema (draft 2020-12). */
export const jsonSchemaOf = (schema: ObjectSchema): object =>
  schema['~standard'].jsonSchema.input({ target: 'draft-2020-12' });
